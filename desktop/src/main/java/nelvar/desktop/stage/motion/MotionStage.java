package nelvar.desktop.stage.motion;

import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.Direction;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// An axis as its chain, its switches and its torque; below, what it is wanted to do and what is to
/// be entered for it, ticked when it is.
public final class MotionStage implements Stage {
  private static final double NARROW = 700;

  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "One axis: its chain from pulse to load, switches of its drive, torque against speed. Arrow keys walk, Enter selects.",
          true);
  private final Label summary = new Label();
  private final HBox axes = new HBox(6);
  private final HBox card = new HBox(26);
  private final Label teach =
      new Label(
          "Here stand the axes that turn by pulses: their steps, switches, speed and torque.\n\nNo stepper motor hangs on a drive in this machine yet. Say in Parts (Ctrl+2) what must move, such as: drum: stepper 3 A belt 5 mm 24 teeth gear 3:1");
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<MotionModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;
  private Optional<String> last = Optional.empty();

  public MotionStage() {
    view.getStyleClass().add("stage");
    picture.setId("axis");
    picture.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    card.setId("motion-card");
    card.getStyleClass().add("pin-card");
    card.setPadding(new Insets(8, 18, 10, 18));
    axes.setId("axes");
    picture
        .widthProperty()
        .addListener((_, was, now) -> {
          if (narrow(was.doubleValue()) != narrow(now.doubleValue())) draw();
        });
    view.setTop(new StageHead("Motion", summary, axes));
    view.setCenter(picture);
  }

  @Override
  public String name() {
    return "Motion";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return picture;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.MOTION;
  }

  /// Whether the picture has little room: then it is drawn narrower, not smaller.
  private boolean narrow() {
    return narrow(picture.getWidth());
  }

  private static boolean narrow(double width) {
    return width > 0 && width < NARROW;
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var model = MotionModel.of(review.get(), session.get().selection().get(), last, narrow());
    last = model.shown().map(MotionAxis::name);
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) take(model);
    shown = Optional.of(model);
    shownIn = theme;
    picture.focusOn(session.get().selection().get());
  }

  private void take(MotionModel model) {
    summary.setText(model.summary());
    axes.getChildren().clear();
    for (var axis : model.axes()) axes.getChildren().add(choice(axis, model));
    if (model.shown().isEmpty()) {
      var beginning = new VBox(teach);
      beginning.setPadding(new Insets(20, 24, 24, 24));
      view.setCenter(beginning);
      view.setBottom(null);
      return;
    }
    view.setCenter(picture);
    picture.show(model.drawing(), theme);
    card.getChildren().setAll(wanted(model.shown().get()), toEnter(model));
    view.setBottom(card);
  }

  private ToggleButton choice(MotionAxis axis, MotionModel model) {
    var button = new ToggleButton(axis.name());
    button.setId("axis-" + axis.name());
    button.getStyleClass().add("mono");
    button.setSelected(model.shown().filter(a -> a.name().equals(axis.name())).isPresent());
    button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    axis.function().ifPresent(f -> button.setTooltip(new Tooltip(f.name())));
    button.setOnAction(_ -> {
      last = Optional.of(axis.name());
      session.ifPresent(s -> s.selection().set(Optional.of(axis.motor().id())));
      draw();
    });
    return button;
  }

  /// What it is wanted to do: its function's words and figures, and the microsteps of its drive.
  private Node wanted(MotionAxis axis) {
    var box = new VBox(4);
    box.setMinWidth(narrow() ? 230 : 340);
    box.setPrefWidth(330);
    var title = new Label(axis.function().map(MachineFunction::name).orElse(axis.name()));
    title.getStyleClass().add("title-small");
    box.getChildren().add(title);
    axis.function().ifPresent(function -> fields(function, box));
    if (axis.function().isEmpty()) {
      var says =
          new Label(
              axis.motor().designation()
                  + " serves no function: let it serve one, then say what it moves.");
      says.getStyleClass().addAll("soft", "wrapping");
      box.getChildren().add(says);
    }
    if (!axis.settable().microsteps().isEmpty()) box.getChildren().add(microsteps(axis));
    box.getChildren().add(direction(axis));
    return box;
  }

  private void fields(MachineFunction function, VBox box) {
    var wants = function.wants();
    box.getChildren()
        .addAll(
            field(
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
            field(
                "Fastest",
                empty(Kind.of(Measure.Unit.FEED)),
                wants.speed().map(Measure::toString).orElse(""),
                speed -> change(function, speed, wants.mass(), wants.resolution(), wants.detail())),
            field(
                "Resolution",
                empty(Kind.LENGTH),
                wants.resolution().map(Length::toString).orElse(""),
                resolution ->
                    change(function, wants.speed(), wants.mass(), resolution, wants.detail())),
            field(
                "Moved",
                empty(Kind.of(Measure.Unit.MASS)),
                wants.mass().map(Measure::toString).orElse(""),
                mass -> change(function, wants.speed(), mass, wants.resolution(), wants.detail())));
  }

  /// Nothing written is nothing wanted.
  private static <Q extends nelvar.core.units.Quantity>
      Function<String, Reading<Optional<Q>>> empty(Kind<Q> kind) {
    return text ->
        text.isBlank()
            ? new Reading.Value<>(Optional.empty())
            : switch (kind.read(text)) {
              case Reading.Value<Q>(var value) -> new Reading.Value<>(Optional.of(value));
              case Reading.Misread<Q>(var why) -> new Reading.Misread<>(why);
            };
  }

  private boolean change(
      MachineFunction function,
      Optional<Measure> speed,
      Optional<Measure> mass,
      Optional<Length> resolution,
      Optional<String> detail) {
    return session
        .filter(s ->
            s.edit(
                FunctionEdits.change(
                    function.withWants(
                        function.wants().withMotion(speed, mass, resolution, detail)))))
        .isPresent();
  }

  private static <Q> QuantityField<Q> field(
      String name,
      Function<String, Reading<Q>> read,
      String now,
      java.util.function.Predicate<Q> take) {
    var field = new QuantityField<Q>(name, "", read, take);
    field.show(now);
    field.setId("motion-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    return field;
  }

  /// What reverses it, and how somebody saw it run.
  private Node direction(MotionAxis axis) {
    var direction = Direction.of(axis, review.orElseThrow().study());
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
    right.setOnAction(_ -> session.ifPresent(s -> s.edit(direction.observed(axis, true))));
    wrong.setOnAction(_ -> session.ifPresent(s -> s.edit(direction.observed(axis, false))));
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

  private Node microsteps(MotionAxis axis) {
    var label = new Label("Microsteps");
    label.setMinWidth(104);
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
          if (micro != null)
            session.ifPresent(s ->
                s.edit(PinEdits.say(axis.drive(), AxisSettings.MICROSTEPS, String.valueOf(micro))));
        });
    var row = new HBox(8, label, choice);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /// Each value with a tick once it is entered; another one that is entered is named.
  private Node toEnter(MotionModel model) {
    var grid = new GridPane(10, 3);
    grid.setMinWidth(0);
    var n = 0;
    for (var row : model.rows()) {
      var tick = new CheckBox();
      tick.setId("enter-" + n);
      tick.setAccessibleText(
          "%s of %s is entered".formatted(row.name(), row.device().designation()));
      tick.setSelected(row.standing() == SettingsSheet.Standing.ENTERED);
      tick.setDisable(row.enters().isEmpty());
      tick.setOnAction(_ -> entered(row, tick.isSelected()));
      var where = new Label(row.device().designation().text());
      where.getStyleClass().addAll("mono", "soft");
      var name = new Label(row.name());
      name.setMinWidth(narrow() ? 70 : javafx.scene.layout.Region.USE_PREF_SIZE);
      var value =
          new Label(
              row.value()
                  .map(v -> row.unit().isEmpty() ? v : v + " " + row.unit())
                  .orElse("not known"));
      value.getStyleClass().add(row.value().isPresent() ? "strong" : "soft");
      value.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
      var says = new Label(says(row));
      says.getStyleClass().add(wrong(row) ? "wrong-note" : "soft");
      says.setMinWidth(0);
      for (var node : java.util.List.of(name, value, says)) node.setTooltip(new Tooltip(row.why()));
      grid.addRow(n++, tick, where, name, value);
      if (!narrow()) grid.add(says, 4, n - 1);
      else if (wrong(row)) grid.add(says, 2, n++, 2, 1);
    }
    var title = new Label("Values to enter, a tick for each that is");
    title.getStyleClass().add("title-small");
    var scroll = new ScrollPane(grid);
    scroll.getStyleClass().add("bare");
    scroll.setFitToWidth(true);
    scroll.setPrefViewportHeight(168);
    scroll.setMinHeight(100);
    var box = new VBox(6, title, scroll);
    box.setMinWidth(0);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  private static boolean wrong(SettingsSheet.Row row) {
    return row.standing() == SettingsSheet.Standing.DIFFERS
        || row.standing() == SettingsSheet.Standing.TO_TRY;
  }

  private static String says(SettingsSheet.Row row) {
    return switch (row.standing()) {
      case DIFFERS -> "entered is " + row.entered().orElse("");
      case TO_TRY -> "entered to try: " + row.entered().orElse("");
      default -> row.why();
    };
  }

  private void entered(SettingsSheet.Row row, boolean on) {
    session.ifPresent(s -> {
      if (on) row.enters().ifPresent(s::edit);
      else if (!row.name().equals("Phase current"))
        s.edit(PinEdits.say(row.device(), row.name(), ""));
      else draw();
    });
  }
}
