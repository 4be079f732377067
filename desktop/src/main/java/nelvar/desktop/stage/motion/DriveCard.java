package nelvar.desktop.stage.motion;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.SpeedMap;
import nelvar.core.analysis.motion.SpinUp;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.network.EnteredTrials;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;
import nelvar.desktop.session.Session;

/// A motor on a frequency converter: what was measured of its speed, how long it takes to it, and
/// what a hand can do to its drive, to try it.
final class DriveCard {
  private final DrivenMotor driven;
  private final Study study;
  private final Session session;
  private final boolean narrow;

  DriveCard(DrivenMotor driven, Study study, Session session, boolean narrow) {
    this.driven = driven;
    this.study = study;
    this.session = session;
    this.narrow = narrow;
  }

  Node node() {
    var box = new VBox(6);
    box.setMinWidth(narrow ? 230 : 340);
    box.setPrefWidth(330);
    var title = new Label(driven.function().map(MachineFunction::name).orElse(driven.name()));
    title.getStyleClass().add("title-small");
    box.getChildren().add(title);
    if (driven.commandWired()) box.getChildren().addAll(measured(), told());
    box.getChildren()
        .addAll(
            says(
                "Spin-up",
                SpinUp.of(driven, study)
                    .map(t -> t.value() + " by its ramp: wait as long before feeding")
                    .orElse("not known: enter its ramp up")),
            says("To try", "what stops do when somebody has"),
            tries());
    return box;
  }

  private static Node says(String name, String text) {
    var label = new Label(name);
    label.setMinWidth(104);
    var words = new Label(text);
    words.getStyleClass().addAll("soft", "wrapping");
    var row = new HBox(8, label, words);
    row.setAlignment(Pos.BASELINE_LEFT);
    return row;
  }

  private Node measured() {
    var label = new Label("Measured at");
    label.setMinWidth(104);
    var volts = field("volts", "5 V", "The command it was measured at");
    var speed = field("speed", "890 rpm", "The speed that was measured; Enter keeps it");
    var why = new Label();
    why.getStyleClass().add("wrong-note");
    volts.setOnAction(_ -> speed.requestFocus());
    speed.setOnAction(_ -> {
      var rpm = AxisSettings.number(speed.getText());
      if (Kind.VOLTAGE.read(volts.getText()) instanceof Reading.Value<Voltage>(var at)
          && at.volts() <= 10
          && rpm.isPresent())
        session.edit(
            PinEdits.say(
                driven.drive(), SpeedMap.MEASURED_AT + at, AxisSteps.typed(rpm.get()) + " rpm"));
      else why.setText("0 to 10 V and rpm");
    });
    var row = new HBox(8, label, volts, new Label("turned"), speed, why);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static TextField field(String id, String prompt, String says) {
    var field = new TextField();
    field.setId("measured-" + id);
    field.setPromptText(prompt);
    field.setPrefColumnCount(5);
    field.setAccessibleText(says);
    return field;
  }

  /// What was measured already, each with a way to forget it.
  private Node told() {
    var row = new HBox(8);
    row.setAlignment(Pos.CENTER_LEFT);
    var label = new Label("");
    label.setMinWidth(104);
    row.getChildren().add(label);
    var map = SpeedMap.of(driven, study);
    for (var point : map.points()) {
      var forget = new ToggleButton("%s: %s".formatted(point.command(), point.speed()));
      forget.setMinWidth(Region.USE_PREF_SIZE);
      forget.setSelected(true);
      forget.setAccessibleText("Measured; pressed again it is forgotten");
      forget.setOnAction(_ ->
          session.edit(PinEdits.say(driven.drive(), SpeedMap.MEASURED_AT + point.command(), "")));
      row.getChildren().add(forget);
    }
    row.setVisible(!map.points().isEmpty());
    row.setManaged(!map.points().isEmpty());
    return row;
  }

  /// Reset, half entered, left on its keypad: what stops and volts look like then.
  private Node tries() {
    var row = new FlowPane(6, 4);
    var n = 0;
    for (var one : EnteredTrials.of(driven.drive(), driven.converter())) {
      var button = new ToggleButton(one.how());
      button.setId("try-" + n++);
      button.setMinWidth(Region.USE_PREF_SIZE);
      button.setSelected(session.bench().trial().get().disturbances().contains(one));
      button.setOnAction(
          _ -> session.bench().trial().set(session.bench().trial().get().toggling(one)));
      row.getChildren().add(button);
    }
    return row;
  }
}
