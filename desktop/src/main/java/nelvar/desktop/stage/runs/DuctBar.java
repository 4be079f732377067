package nelvar.desktop.stage.runs;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.standards.InstallationMethod;
import nelvar.desktop.session.Session;
import org.jspecify.annotations.Nullable;

/// The duct, tray or carrier whose cut is seen: its name, how it is laid, whether it is in the
/// cabinet; a new one, and taking it away.
final class DuctBar extends FlowPane {
  private final ChoiceBox<Bundle> which = new ChoiceBox<>();
  private final TextField name = new TextField();
  private final ChoiceBox<InstallationMethod> method = new ChoiceBox<>();
  private final CheckBox inside = new CheckBox("in the cabinet");
  private final Button remove = button("Remove it", "duct-remove");
  private Optional<Session> session = Optional.empty();
  private Optional<Bundle> shown = Optional.empty();
  private boolean showing;

  private final Consumer<Id> look;

  /// @param look shows the cut of another one
  DuctBar(Consumer<Id> look) {
    super(8, 4);
    this.look = look;
    setRowValignment(VPos.CENTER);
    which.setId("duct-which");
    which.setAccessibleText("Which duct, tray or carrier is seen");
    which.setPrefWidth(64);
    which.setMinWidth(64);
    which.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable Bundle of) {
            return of == null ? "" : of.id().text();
          }

          @Override
          public @Nullable Bundle fromString(String text) {
            return null;
          }
        });
    which
        .valueProperty()
        .addListener((_, _, next) -> {
          if (!showing && next != null) look.accept(next.id());
        });
    name.setId("duct-name");
    name.setAccessibleText("Name of the duct, tray or carrier");
    name.setPrefColumnCount(14);
    name.setOnAction(_ -> change());
    name.focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) change();
        });
    method.setId("duct-method");
    method.setAccessibleText("How it is laid");
    method.setPrefWidth(236);
    method.getItems().setAll(InstallationMethod.values());
    method.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable InstallationMethod of) {
            return of == null ? "" : of + ", " + of.words();
          }

          @Override
          public @Nullable InstallationMethod fromString(String text) {
            return null;
          }
        });
    method.valueProperty().addListener(_ -> change());
    inside.setId("duct-inside");
    inside.setMinWidth(Region.USE_PREF_SIZE);
    inside.setOnAction(_ -> change());
    var fresh = button("New tray, conduit …", "duct-new");
    fresh.setOnAction(_ -> add());
    remove.setOnAction(
        _ -> session.ifPresent(s -> shown.ifPresent(bundle -> s.edit(Edits.remove(bundle)))));
    getChildren().addAll(which, name, method, inside, remove, fresh);
  }

  private static Button button(String text, String id) {
    var button = new Button(text);
    button.setId(id);
    button.setMinWidth(Region.USE_PREF_SIZE);
    return button;
  }

  /// @param bundle the one whose cut is seen; empty where there is none
  void show(Session next, Optional<Bundle> bundle) {
    session = Optional.of(next);
    shown = bundle;
    showing = true;
    for (var node : getChildren().subList(0, 5)) {
      node.setVisible(bundle.isPresent());
      node.setManaged(bundle.isPresent());
    }
    if (!which.getItems().equals(next.project().bundles()))
      which.getItems().setAll(next.project().bundles());
    bundle.ifPresent(b -> {
      which.setValue(b);
      name.setText(b.name());
      method.setValue(b.method());
      inside.setSelected(b.inside());
    });
    showing = false;
  }

  private void change() {
    if (showing || shown.isEmpty() || session.isEmpty()) return;
    var now = shown.get();
    var words = name.getText().strip();
    var next =
        now.with(d -> {
          d.name = words.isEmpty() ? now.name() : words;
          d.method = method.getValue();
          d.inside = inside.isSelected();
        });
    if (!next.equals(now)) session.get().edit(Edits.change(next));
  }

  private void add() {
    session.ifPresent(s -> {
      var id = NextName.id(s.project(), "D1");
      var number = s.project().bundles().size() + 1;
      look.accept(id);
      s.edit(Edits.add(new Bundle(id, "duct " + number, InstallationMethod.B1, true)));
      s.tell("duct %d is there. Select wires and lay them in it.".formatted(number));
    });
  }
}
