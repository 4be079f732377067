package nelvar.desktop.stage.motion;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.motion.DialedMotor;
import nelvar.core.analysis.motion.Sayable;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.edit.Edit;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// An axis as its chain, its switches and its torque, a motor on a frequency converter as its
/// chain, its speeds and its parameters; below, what it is wanted to do and what is to be entered
/// for it, ticked when it is.
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
          "Here stand the axes that turn by pulses, with their steps, switches, speed and torque, and the motors on frequency converters, with what is entered in their drives.\n\nNothing in this machine turns by pulses or hangs on a frequency converter yet. Say in Parts (Ctrl+2) what must move, such as: drum: stepper 3 A belt 5 mm 24 teeth gear 3:1");
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<MotionModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;
  private Optional<String> last = Optional.empty();
  private Sheet sheet = Sheet.VALUES;

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
    last = model.shown();
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) take(model);
    shown = Optional.of(model);
    shownIn = theme;
    picture.focusOn(session.get().selection().get());
  }

  private void take(MotionModel model) {
    summary.setText(model.summary());
    axes.getChildren().clear();
    for (var tab : model.tabs()) axes.getChildren().add(choice(tab, model));
    if (model.shown().isEmpty()) {
      var beginning = new VBox(teach);
      beginning.setPadding(new Insets(20, 24, 24, 24));
      view.setCenter(beginning);
      view.setBottom(null);
      return;
    }
    view.setCenter(picture);
    picture.show(model.drawing(), theme);
    card.getChildren().setAll(about(model), grid(model));
    view.setBottom(card);
  }

  private ToggleButton choice(MotionModel.Tab tab, MotionModel model) {
    var button = new ToggleButton(tab.name());
    button.setId("axis-" + tab.name());
    button.getStyleClass().add("mono");
    button.setSelected(model.shown().equals(Optional.of(tab.name())));
    button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    tab.tip().ifPresent(name -> button.setTooltip(new Tooltip(name)));
    button.setOnAction(_ -> {
      last = Optional.of(tab.name());
      session.ifPresent(s -> s.selection().set(Optional.of(tab.motor())));
      draw();
    });
    return button;
  }

  private Node about(MotionModel model) {
    var study = review.orElseThrow().study();
    var to = session.orElseThrow();
    return model
        .axis()
        .map(axis -> new AxisCard(axis, study, to, narrow()).node())
        .or(() -> model.driven().map(driven -> new DriveCard(driven, study, to, narrow()).node()))
        .or(() -> model.dialed().map(MotionStage::onMains))
        .orElseThrow();
  }

  private static Node onMains(DialedMotor dialed) {
    var title =
        new Label(
            dialed.function().map(nelvar.core.model.MachineFunction::name).orElse(dialed.name()));
    title.getStyleClass().add("title-small");
    var says =
        new Label("It starts on the mains: its dial is its overload protection, and no drive is.");
    says.getStyleClass().addAll("soft", "wrapping");
    var box = new javafx.scene.layout.VBox(6, title, says);
    box.setMinWidth(230);
    box.setPrefWidth(330);
    return box;
  }

  /// What is looked at below the picture, on the right.
  private enum Sheet {
    VALUES,
    LEADS,
    BESIDES
  }

  private Node grid(MotionModel model) {
    var motor = model.motor().orElseThrow();
    var head =
        new HBox(
            6,
            turning("Values to enter", "show-values", Sheet.VALUES),
            turning("Leads of " + motor.designation(), "show-leads", Sheet.LEADS),
            turning("Besides", "show-besides", Sheet.BESIDES));
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    var left =
        model.rows().stream()
            .filter(row -> row.standing() == SettingsSheet.Standing.TO_ENTER)
            .flatMap(row -> row.enters().stream())
            .toList();
    if (sheet == Sheet.VALUES && left.size() > 1) head.getChildren().add(all(left));
    for (var child : head.getChildren())
      if (child instanceof javafx.scene.control.ButtonBase button)
        button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    var to = session.orElseThrow();
    var study = review.orElseThrow().study();
    var body =
        switch (sheet) {
          case VALUES ->
              new EntryGrid(model.rows(), model.lines(), to, narrow(), this::draw).node();
          case LEADS -> new LeadsGrid(motor, study, to).node();
          case BESIDES ->
              new SaidGrid(
                      model
                          .axis()
                          .map(axis -> Sayable.of(axis, study))
                          .or(() -> model.driven().map(Sayable::of))
                          .orElseGet(() -> Sayable.of(model.dialed().orElseThrow())),
                      to)
                  .node();
        };
    var box = new javafx.scene.layout.VBox(6, head, body);
    box.setMinWidth(0);
    HBox.setHgrow(box, javafx.scene.layout.Priority.ALWAYS);
    return box;
  }

  private ToggleButton turning(String name, String id, Sheet to) {
    var button = new ToggleButton(name);
    button.setId(id);
    button.setSelected(sheet == to);
    button.setOnAction(_ -> turn(to));
    return button;
  }

  /// All that is left, entered by somebody in one go: one step to take back.
  private Button all(java.util.List<Edit> left) {
    var button = new Button("all %d are entered".formatted(left.size()));
    button.setId("enter-all");
    button.setOnAction(_ ->
        session.ifPresent(s ->
            left.stream()
                .reduce(Edit::then)
                .ifPresent(e -> s.edit(e.named("Enter %d values".formatted(left.size()))))));
    return button;
  }

  private void turn(Sheet to) {
    sheet = to;
    shown = Optional.empty();
    draw();
  }
}
