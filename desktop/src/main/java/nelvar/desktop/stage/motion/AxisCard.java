package nelvar.desktop.stage.motion;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisMeasured;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.Coupled;
import nelvar.core.analysis.motion.Direction;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;
import nelvar.desktop.session.Session;

/// What an axis is wanted to do: its function's words and figures, the microsteps of its drive, how
/// far and which way somebody saw it go.
final class AxisCard {
  private final MotionAxis axis;
  private final Study study;
  private final Session session;
  private final boolean narrow;

  AxisCard(MotionAxis axis, Study study, Session session, boolean narrow) {
    this.axis = axis;
    this.study = study;
    this.session = session;
    this.narrow = narrow;
  }

  /// What it is wanted to do: its function's words and figures, and the microsteps of its drive.
  Node node() {
    var box = new VBox(4);
    box.setMinWidth(narrow ? 230 : 340);
    box.setPrefWidth(330);
    var title = new Label(axis.function().map(MachineFunction::name).orElse(axis.name()));
    title.getStyleClass().add("title-small");
    var head = new HBox(8, title);
    head.setAlignment(Pos.CENTER_LEFT);
    if (!axis.settable().microsteps().isEmpty()) {
      var room = new Region();
      HBox.setHgrow(room, Priority.ALWAYS);
      head.getChildren().addAll(room, microsteps());
    }
    box.getChildren().add(head);
    axis.function().ifPresent(function -> fields(function, box));
    if (axis.function().isEmpty()) {
      var says =
          new Label(
              axis.motor().designation()
                  + " serves no function: let it serve one, then say what it moves.");
      says.getStyleClass().addAll("soft", "wrapping");
      box.getChildren().add(says);
    }
    box.getChildren().addAll(travel(), direction());
    return box;
  }

  private void fields(MachineFunction function, VBox box) {
    var wants = function.wants();
    box.getChildren()
        .addAll(
            Fields.field(
                "Moves with",
                text -> new Reading.Value<>(text.strip()),
                wants.detail().orElse(""),
                text ->
                    change(
                        function,
                        wants.speed(),
                        wants.mass(),
                        wants.resolution(),
                        Optional.of(text).filter(t -> !t.isEmpty()))),
            Fields.field(
                "Fastest",
                Fields.empty(Kind.of(Measure.Unit.FEED)),
                wants.speed().map(Measure::toString).orElse(""),
                speed -> change(function, speed, wants.mass(), wants.resolution(), wants.detail())),
            Fields.field(
                "Resolution",
                Fields.empty(Kind.LENGTH),
                wants.resolution().map(Length::toString).orElse(""),
                resolution ->
                    change(function, wants.speed(), wants.mass(), resolution, wants.detail())),
            Fields.field(
                "Moved",
                Fields.empty(Kind.of(Measure.Unit.MASS)),
                wants.mass().map(Measure::toString).orElse(""),
                mass -> change(function, wants.speed(), mass, wants.resolution(), wants.detail())));
  }

  private boolean change(
      MachineFunction function,
      Optional<Measure> speed,
      Optional<Measure> mass,
      Optional<Length> resolution,
      Optional<String> detail) {
    return session.edit(
        FunctionEdits.change(
            function.withWants(function.wants().withMotion(speed, mass, resolution, detail))));
  }

  /// How far it went when it was told to go.
  private Node travel() {
    var label = new Label("Told to go");
    label.setMinWidth(104);
    var told = new TextField();
    told.setId("told");
    told.setPromptText("100 " + axis.mechanics().unit().sign());
    told.setPrefColumnCount(5);
    told.setAccessibleText("How far it was told to go");
    var went = new TextField();
    went.setId("went");
    went.setPromptText("99.4 " + axis.mechanics().unit().sign());
    went.setPrefColumnCount(5);
    went.setAccessibleText("How far it went, as measured; Enter keeps it");
    var says = new Label(measured());
    says.getStyleClass().add("soft");
    says.setMinWidth(0);
    Runnable keep =
        () -> {
          var a = AxisSettings.number(told.getText());
          var b = AxisSettings.number(went.getText());
          var note =
              a.isPresent() && b.isPresent() && a.get() > 0 && b.get() > 0
                  ? AxisMeasured.note(axis, a.get(), b.get())
                  : Optional.<Edit>empty();
          if (note.isPresent()) session.edit(note.get());
          else
            says.setText(
                a.isEmpty() || b.isEmpty()
                    ? "two lengths, such as 100 and 99.4"
                    : "enter its steps and microsteps first");
        };
    told.setOnAction(_ -> went.requestFocus());
    went.setOnAction(_ -> keep.run());
    var row = new HBox(8, label, told, new Label("went"), went, says);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private String measured() {
    return AxisMeasured.of(axis)
        .map(m ->
            "%s %%%s"
                .formatted(
                    Significant.digits((m.factor() - 1) * 100),
                    m.offset()
                        .map(off -> ", " + Significant.plain(off, "mm") + " each time")
                        .orElse("")))
        .orElse("");
  }

  /// What reverses it, and how somebody saw it run.
  private Node direction() {
    var direction = Direction.of(axis, study);
    var label = new Label("It ran");
    label.setMinWidth(104);
    var right = new ToggleButton("right");
    right.setId("ran-right");
    var wrong = new ToggleButton("the wrong way");
    wrong.setId("ran-wrong");
    direction
        .right()
        .ifPresent(now -> {
          right.setSelected(now);
          wrong.setSelected(!now);
        });
    right.setOnAction(_ -> session.edit(direction.observed(axis, true)));
    wrong.setOnAction(_ -> session.edit(direction.observed(axis, false)));
    var says =
        new Label(
            direction.reversals().isEmpty()
                ? "nothing reverses it"
                : direction.reversals().size() + " reversed");
    says.getStyleClass().add("soft");
    says.setMinWidth(0);
    says.setTooltip(
        new Tooltip(
            direction.reversals().isEmpty()
                ? "no coil, setting or mounting turns it round"
                : String.join("\n", direction.reversals())));
    var row = new HBox(8, label, right, wrong, says);
    for (var button : java.util.List.of(right, wrong))
      button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private Node microsteps() {
    var label = new Label("Microsteps");
    var choice = new ChoiceBox<Integer>();
    choice.setId("microsteps");
    choice.setAccessibleText("Microsteps of " + axis.drive().designation());
    choice.getItems().setAll(axis.settable().microsteps());
    axis.settings()
        .microsteps()
        .flatMap(AxisSettings.Entered::value)
        .map(Double::intValue)
        .filter(choice.getItems()::contains)
        .ifPresent(choice::setValue);
    choice
        .valueProperty()
        .addListener((_, _, micro) -> {
          if (micro != null) session.edit(Coupled.microsteps(axis, micro));
        });
    var row = new HBox(8, label, choice);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }
}
