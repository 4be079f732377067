package nelvar.desktop.control;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Disturbance;
import nelvar.core.network.LoadMode;
import nelvar.core.network.Meter;
import nelvar.core.network.Outcome;
import nelvar.core.network.TrialText;
import nelvar.core.units.Duration;
import nelvar.desktop.session.Bench;
import nelvar.desktop.session.Session;

/// The meter with its two probes, clamp and ohms, and what is being tried on the machine. It stands
/// above the path strip in every stage.
public final class MeterBar extends VBox {
  /// Wide enough for one row beside the loads at 1280; narrower windows wrap it.
  private static final double PREFERRED = 640;

  private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");
  private static final PseudoClass QUIET = PseudoClass.getPseudoClass("quiet");
  private static final PseudoClass WARNING = PseudoClass.getPseudoClass("warning");

  private final ToggleButton volts = mode("V", "meter-volts", "Measure volts between the probes");
  private final ToggleButton amperes =
      mode("A", "meter-amperes", "Clamp the selected wire, amperes");
  private final ToggleButton ohms =
      mode("Ω", "meter-ohms", "Measure ohms between the probes, machine off");
  private final TextField plus = probe("meter-plus", "+ probe", "T1:+");
  private final TextField minus = probe("meter-minus", "− probe", "T1:-");
  private final HBox probes = new HBox(6);
  private final Button bridge = new Button("Bridge");
  private final Button swap = new Button("Swap");
  private final Label reading = new Label();

  /// What one waits: nothing, a moment at a plug, the time of the standards, what labels say.
  private static final List<Duration> TIMES =
      Stream.of(0, 1, 5, 30, 60, 300).map(Duration::new).toList();

  private final ChoiceBox<Duration> after = new ChoiceBox<>();
  private final ChoiceBox<LoadMode> loads = new ChoiceBox<>();
  private final StateChoice states = new StateChoice();
  private final HBox trialBar = new HBox(10);
  private final Label tried = new Label();
  private Optional<Session> session = Optional.empty();
  private String wrong = "";
  private boolean showing;

  public MeterBar() {
    getStyleClass().add("meter");
    var group = new ToggleGroup();
    for (var button : List.of(volts, amperes, ohms)) button.setToggleGroup(group);
    group
        .selectedToggleProperty()
        .addListener((_, before, now) -> {
          if (now == null) before.setSelected(true);
          else if (!showing)
            session.ifPresent(s ->
                s.bench()
                    .mode()
                    .set(
                        now == volts
                            ? Bench.Mode.VOLTS
                            : now == ohms ? Bench.Mode.OHMS : Bench.Mode.AMPERES));
        });
    var title = new Label("Meter");
    title.getStyleClass().add("strong");
    title.setMinWidth(Region.USE_PREF_SIZE);
    probes.setAlignment(Pos.CENTER_LEFT);
    bridge.setId("meter-bridge");
    bridge.setAccessibleText("Bridge the two probes with a wire, to try a short circuit");
    bridge.setOnAction(_ -> probed(Disturbance.Bridge::new));
    swap.setId("meter-swap");
    swap.setAccessibleText(
        "Exchange the wires on the two probed terminals, to try a wrong connection");
    swap.setOnAction(_ -> probed(Disturbance.Swap::new));
    probes.getChildren().addAll(label("+"), plus, label("−"), minus, bridge, swap);
    reading.setId("meter-reading");
    reading.getStyleClass().add("reading");
    reading.setMinWidth(Region.USE_PREF_SIZE);
    loads.setId("meter-loads");
    loads.setAccessibleText("How much each load takes");
    loads.getItems().addAll(Arrays.asList(LoadMode.values()));
    loads.setConverter(words());
    loads
        .valueProperty()
        .addListener((_, _, next) -> {
          if (!showing && next != null)
            session.ifPresent(s -> s.bench().trial().set(s.bench().trial().get().with(next)));
        });
    var modes = new HBox(volts, amperes, ohms);
    modes.setMinWidth(Region.USE_PREF_SIZE);
    var row = new FlowPane(10, 4, title, modes, probes, reading);
    row.setRowValignment(javafx.geometry.VPos.CENTER);
    row.setPrefWrapLength(PREFERRED);
    HBox.setHgrow(row, Priority.ALWAYS);
    var line = new HBox(10, row, states.choice(), loads);
    loads.setMinWidth(Region.USE_PREF_SIZE);
    line.setAlignment(Pos.CENTER_LEFT);
    getChildren().add(line);
    trial();
  }

  private void trial() {
    trialBar.getStyleClass().add("trial-bar");
    trialBar.setAlignment(Pos.CENTER_LEFT);
    tried.setId("tried");
    tried.setWrapText(true);
    HBox.setHgrow(tried, Priority.ALWAYS);
    tried.setMaxWidth(Double.MAX_VALUE);
    var back = new Button("Back as designed  F9");
    back.setId("trial-back");
    back.setMinWidth(Region.USE_PREF_SIZE);
    back.setOnAction(_ -> session.ifPresent(s -> s.bench().back()));
    after.setId("meter-after");
    after.setAccessibleText("How long after what is tried was done");
    after.setMinWidth(Region.USE_PREF_SIZE);
    after.managedProperty().bind(after.visibleProperty());
    after.getItems().addAll(TIMES);
    after.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@org.jspecify.annotations.Nullable Duration time) {
            return time == null ? "" : time.seconds() == 0 ? "just after" : time + " after";
          }

          @Override
          public Duration fromString(String text) {
            return Bench.JUST;
          }
        });
    after
        .valueProperty()
        .addListener((_, _, next) -> {
          if (!showing && next != null) session.ifPresent(s -> s.bench().after().set(next));
        });
    trialBar.getChildren().addAll(tried, after, states.keeping(), back);
  }

  private static Label label(String text) {
    var label = new Label(text);
    label.getStyleClass().add("strong");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static ToggleButton mode(String text, String id, String says) {
    var button = new ToggleButton(text);
    button.setId(id);
    button.setAccessibleText(says);
    return button;
  }

  private TextField probe(String id, String name, String prompt) {
    var field = new TextField();
    field.setId(id);
    field.setAccessibleText(name + ", a terminal such as " + prompt);
    field.setPromptText(prompt);
    field.getStyleClass().add("mono");
    field.setPrefColumnCount(7);
    field.setOnAction(_ -> take(field));
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) take(field);
        });
    return field;
  }

  private static StringConverter<LoadMode> words() {
    return new StringConverter<>() {
      @Override
      public String toString(@org.jspecify.annotations.Nullable LoadMode mode) {
        return switch (mode) {
          case null -> "";
          case MEAN -> "loads at duty";
          case TOGETHER -> "loads as planned";
          case ALL_ON -> "every load on";
          case IDLE -> "loads at rest";
        };
      }

      @Override
      public LoadMode fromString(String text) {
        return LoadMode.TOGETHER;
      }
    };
  }

  private void take(TextField field) {
    if (showing || session.isEmpty()) return;
    var bench = session.get().bench();
    var property = field == plus ? bench.plus() : bench.minus();
    var text = field.getText() == null ? "" : field.getText().strip();
    try {
      var terminal =
          text.isEmpty()
              ? Optional.<TerminalRef>empty()
              : Optional.of(
                  new TrialText(session.get().project(), bench.solved().get().live().circuitry())
                      .terminal(text));
      field.pseudoClassStateChanged(WRONG, false);
      wrong = "";
      property.set(terminal);
      show(session.get());
    } catch (TrialText.Unreadable unreadable) {
      field.pseudoClassStateChanged(WRONG, true);
      wrong = String.valueOf(unreadable.getMessage());
      show(session.get());
    }
  }

  private void probed(java.util.function.BiFunction<TerminalRef, TerminalRef, Disturbance> what) {
    session.ifPresent(s -> {
      var bench = s.bench();
      if (bench.plus().get().isEmpty() || bench.minus().get().isEmpty()) {
        s.tell(
            "Put both probes first: type a terminal in each, or select a device and press + and −.");
        return;
      }
      bench
          .trial()
          .set(
              bench
                  .trial()
                  .get()
                  .toggling(what.apply(bench.plus().get().get(), bench.minus().get().get())));
    });
  }

  /// The first thing to type into.
  public TextField first() {
    return plus;
  }

  public void show(Session next) {
    session = Optional.of(next);
    showing = true;
    var bench = next.bench();
    var live = bench.solved().get().live();
    switch (bench.mode().get()) {
      case VOLTS -> volts.setSelected(true);
      case AMPERES -> amperes.setSelected(true);
      case OHMS -> ohms.setSelected(true);
    }
    var clamp = bench.mode().get() == Bench.Mode.AMPERES;
    probes.setVisible(!clamp);
    probes.setManaged(!clamp);
    bridge.setVisible(bench.mode().get() == Bench.Mode.VOLTS);
    fill(plus, bench.plus().get(), live);
    fill(minus, bench.minus().get(), live);
    loads.setValue(bench.trial().get().loads());
    var shown = reading(next, bench);
    reading.setText(shown.text());
    reading.pseudoClassStateChanged(WARNING, shown.warning());
    reading.pseudoClassStateChanged(QUIET, shown.text().startsWith("put "));
    trialBar(bench);
    states.show(next);
    showing = false;
  }

  private static void fill(
      TextField field, Optional<TerminalRef> terminal, nelvar.core.network.Live live) {
    if (!field.isFocused() || terminal.isPresent())
      field.setText(terminal.map(live::at).orElse(field.isFocused() ? field.getText() : ""));
  }

  private MeterWords.Shown reading(Session next, Bench bench) {
    var live = bench.solved().get().live();
    if (!wrong.isEmpty()) return new MeterWords.Shown(wrong, true);
    if (bench.mode().get() == Bench.Mode.AMPERES)
      return MeterWords.clamp(
          next.selection().get().flatMap(id -> next.project().conductor(id)), live);
    if (bench.plus().get().isEmpty() || bench.minus().get().isEmpty())
      return new MeterWords.Shown("put both probes", false);
    var a = bench.plus().get().get();
    var b = bench.minus().get().get();
    return MeterWords.of(
        bench.mode().get() == Bench.Mode.OHMS ? Meter.ohms(live, a, b) : Meter.volts(live, a, b),
        live);
  }

  private void trialBar(Bench bench) {
    var active = !bench.trial().get().asDesigned();
    if (active && !getChildren().contains(trialBar)) getChildren().add(trialBar);
    if (!active) getChildren().remove(trialBar);
    if (!active) return;
    var solved = bench.solved().get();
    var live = solved.live();
    after.setVisible(!live.charged().isEmpty());
    after.setValue(bench.after().get());
    var words = new StringBuilder("Tried: " + String.join(", ", live.tried()) + ". ");
    for (var charge : live.charged()) words.append(charge.words()).append(". ");
    switch (live.outcome()) {
      case Outcome.Chattering _ ->
          words.append("Contacts chatter; what they switch is not shown. ");
      case Outcome.Undecided(var race) ->
          words
              .append("A race decides how ")
              .append(
                  race.stream().map(live::name).collect(java.util.stream.Collectors.joining(", ")))
              .append(" stand; what it decides is not shown. ");
      case Outcome.Unsettled(var sources) ->
          words
              .append("No steady state is found of ")
              .append(
                  sources.stream()
                      .map(live::label)
                      .collect(java.util.stream.Collectors.joining(", ")))
              .append(": nothing can be read there. ");
      case Outcome.Settled _ -> {}
    }
    for (var bridged : live.shorts()) words.append(bridged.words(live)).append(". ");
    if (live.shorts().isEmpty()) {
      solved
          .firstToOpen()
          .ifPresentOrElse(
              pole ->
                  words.append(
                      "%s carries %s and opens within %s. "
                          .formatted(
                              live.at(pole.pole().a()).replaceAll(":.*", ""),
                              pole.current(),
                              live.tripTime(pole).orElseThrow())),
              () ->
                  live.outputs().stream()
                      .filter(output -> output.limited() || output.tripped())
                      .findFirst()
                      .ifPresent(output ->
                          words.append(
                              "%s is at its limit, %s; nothing opens. "
                                  .formatted(output.device().designation(), output.current()))));
    }
    tried.setText(words + "The project is unchanged.");
  }
}
