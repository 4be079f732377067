package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;
import nelvar.core.model.OperatingState;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.network.WhatIf;
import nelvar.desktop.session.Session;

/// The states the builder named: one is chosen to try it, and what is tried is kept as one. The
/// review judges the machine in each of them.
final class StateChoice {
  private final ChoiceBox<Option> choice = new ChoiceBox<>();
  private final HBox keeping = new HBox(6);
  private final Button keep = new Button("Keep as a state…");
  private final Button forget = new Button();
  private final TextField name = new TextField();
  private Optional<Session> session = Optional.empty();
  private boolean showing;

  /// One entry of the choice; empty for the machine as designed.
  record Option(Optional<OperatingState> state) {}

  StateChoice() {
    choice.setId("state-choice");
    choice.setAccessibleText("The state the machine is shown in");
    choice.setMinWidth(Region.USE_PREF_SIZE);
    choice.managedProperty().bind(choice.visibleProperty());
    choice.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@org.jspecify.annotations.Nullable Option option) {
            return option == null
                ? ""
                : option.state().map(s -> "state: " + s.name()).orElse("state: as designed");
          }

          @Override
          public Option fromString(String text) {
            return new Option(Optional.empty());
          }
        });
    choice
        .valueProperty()
        .addListener((_, _, next) -> {
          if (!showing && next != null)
            session.ifPresent(s -> s.bench().trial().set(trial(s, next.state())));
        });
    keep.setId("state-keep");
    keep.setMinWidth(Region.USE_PREF_SIZE);
    keep.setOnAction(_ -> ask(true));
    forget.setId("state-forget");
    forget.setMinWidth(Region.USE_PREF_SIZE);
    forget.setOnAction(_ ->
        session.ifPresent(s ->
            chosen(s)
                .ifPresent(state -> {
                  s.edit(Edits.remove(state));
                  s.bench().back();
                })));
    name.setId("state-name");
    name.setPromptText("name, such as homing");
    name.setAccessibleText("Name of the state; Enter keeps it, Escape leaves it");
    name.setPrefColumnCount(12);
    name.setOnAction(_ -> keep());
    name.setOnKeyPressed(e -> {
      if (e.getCode() != javafx.scene.input.KeyCode.ESCAPE) return;
      ask(false);
      e.consume();
    });
    for (var node : new Node[] {keep, forget, name})
      node.managedProperty().bind(node.visibleProperty());
    ask(false);
    keeping.setAlignment(Pos.CENTER_LEFT);
    keeping.getChildren().addAll(name, keep, forget);
  }

  ChoiceBox<Option> choice() {
    return choice;
  }

  Node keeping() {
    return keeping;
  }

  private void ask(boolean asks) {
    name.setVisible(asks);
    keep.setVisible(!asks);
    if (asks) {
      name.clear();
      name.requestFocus();
    }
  }

  private void keep() {
    session.ifPresent(s -> {
      var held = s.bench().solved().get().live().circuitry().held(s.bench().trial().get());
      if (held.isEmpty()) return;
      var text = name.getText() == null ? "" : name.getText().strip();
      if (text.isEmpty()) {
        s.tell("Give the state a name, such as homing.");
        return;
      }
      var same =
          s.project().states().stream().filter(state -> state.name().equals(text)).findFirst();
      var id = same.map(OperatingState::id).orElseGet(() -> NextName.id(s.project(), text));
      if (s.edit(Edits.keep(new OperatingState(id, text, held.get()))))
        s.tell("The review judges the machine in the state '" + text + "' from now on.");
      ask(false);
    });
  }

  private static WhatIf trial(Session session, Optional<OperatingState> state) {
    return state
        .map(session.bench().solved().get().live().circuitry()::in)
        .orElse(WhatIf.AS_DESIGNED);
  }

  /// The named state that is being tried just now.
  private static Optional<OperatingState> chosen(Session session) {
    var trial = session.bench().trial().get();
    if (trial.asDesigned()) return Optional.empty();
    var held = session.bench().solved().get().live().circuitry().held(trial).map(HashSet::new);
    return session.project().states().stream()
        .filter(state -> held.filter(new HashSet<>(state.held())::equals).isPresent())
        .findFirst();
  }

  void show(Session next) {
    session = Optional.of(next);
    showing = true;
    var all = new ArrayList<Option>();
    all.add(new Option(Optional.empty()));
    for (var state : next.project().states()) all.add(new Option(Optional.of(state)));
    if (!choice.getItems().equals(all)) choice.getItems().setAll(all);
    choice.setVisible(all.size() > 1);
    var chosen = chosen(next);
    if (chosen.isPresent() || next.bench().trial().get().asDesigned())
      choice.setValue(new Option(chosen));
    else choice.setValue(null);
    forget.setVisible(chosen.isPresent());
    chosen.ifPresent(state -> forget.setText("Forget '" + state.name() + "'"));
    var can =
        chosen.isEmpty()
            && next.bench()
                .solved()
                .get()
                .live()
                .circuitry()
                .held(next.bench().trial().get())
                .isPresent();
    if (!can) ask(false);
    keep.setVisible(can && !name.isVisible());
    showing = false;
  }
}
