package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.util.Duration;
import nelvar.core.compose.WireText;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Horizon;
import nelvar.core.units.Reading;
import nelvar.desktop.control.SideSheet;
import nelvar.desktop.control.Typing;
import nelvar.desktop.quick.QuickModel;
import nelvar.desktop.quick.QuickView;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.stage.brief.BriefStage;
import nelvar.desktop.stage.circuits.CircuitStage;
import nelvar.desktop.stage.motion.MotionStage;
import nelvar.desktop.stage.pack.PackStage;
import nelvar.desktop.stage.panel.PanelStage;
import nelvar.desktop.stage.parts.PartsStage;
import nelvar.desktop.stage.power.PowerStage;
import nelvar.desktop.stage.quiet.QuietStage;
import nelvar.desktop.stage.runs.RunsStage;
import nelvar.desktop.stage.signals.SignalsStage;
import nelvar.desktop.stage.stop.StopStage;
import nelvar.desktop.style.Style;
import nelvar.desktop.style.Theme;

/// The frame: job line, stage, side sheet, path strip, head. It shows the session and sends what is
/// asked to [Desk].
public final class MainWindow {
  private final StackPane root = new StackPane();
  private final BorderPane frame = new BorderPane();
  private final BorderPane centre = new BorderPane();
  private final Head head = new Head();
  private final SideSheet side = new SideSheet();
  private final Foot foot;
  private final HBox message = new HBox();
  private final Label messageText = new Label();
  private final PauseTransition messageTime = new PauseTransition(Duration.seconds(6));
  private final List<Stage> stages;
  private final JobLine jobLine;
  private final Desk desk;
  private final List<Command> commands;
  private final Places places;
  private Stage current;
  private Optional<Session> session = Optional.empty();
  private Optional<Node> overlay = Optional.empty();
  private Theme theme;

  public MainWindow(Workers workers, Picker picker, Places places, String today) {
    this.places = places;
    this.theme = places.dark() ? Theme.DARK : Theme.LIGHT;
    this.foot = new Foot(places, this::select);
    this.desk = new Desk(this, workers, picker, places);
    this.stages =
        List.of(
            new BriefStage(),
            new PartsStage(),
            new PowerStage(),
            new SignalsStage(
                () -> pins().assign(), () -> pins().controller(), () -> pins().permissives()),
            new PanelStage(workers.pages()),
            new RunsStage(this::rows),
            new QuietStage(workers.pages()),
            new StopStage(workers.pages(), () -> choose(stage("Power"))),
            new MotionStage(),
            new CircuitStage(workers.pages()),
            new PackStage(workers.pages(), desk::writePack));
    this.current = stage("Power");
    this.jobLine = new JobLine(stages, this::choose, this::ask);
    this.commands = desk.commands(stages);
    this.today = today;
    head.menu(
        new MainMenu(head.name(), commands, places::recent, desk::open, desk::begin).button());
    build();
    Style.apply(root, theme);
  }

  private final String today;
  private final QuickModel quickModel = new QuickModel();

  /// Made when first asked for: the start does not wait for it.
  private Optional<QuickView> quick = Optional.empty();

  public QuickModel quickModel() {
    return quickModel;
  }

  private void build() {
    frame.setTop(head);
    frame.setLeft(jobLine);
    var sideFrame = new BorderPane(side);
    sideFrame.getStyleClass().add("side-frame");
    frame.setRight(sideFrame);
    side.onWire(this::wiring);
    side.onCompare(() -> comparing().selected());
    side.onCatalogue(this::catalogue);
    side.onSwitching(() -> comparing().switching());
    side.onArchitectures(() -> comparing().architectures());
    centre.setBottom(foot);
    frame.setCenter(centre);
    message.getStyleClass().add("message");
    message.getChildren().add(messageText);
    message.setMaxSize(
        javafx.scene.layout.Region.USE_PREF_SIZE, javafx.scene.layout.Region.USE_PREF_SIZE);
    message.setVisible(false);
    messageText.setId("message");
    messageText.setWrapText(true);
    messageText.setMaxWidth(700);
    StackPane.setAlignment(message, Pos.BOTTOM_CENTER);
    StackPane.setMargin(message, new Insets(0, 0, 14, 0));
    messageTime.setOnFinished(_ -> message.setVisible(false));
    var finder = new Finder(head.find(), this::hits, () -> current.firstFocus().requestFocus());
    StackPane.setAlignment(finder.list(), Pos.TOP_LEFT);
    finder.list().setMaxWidth(430);
    finder
        .list()
        .visibleProperty()
        .addListener((_, _, shown) -> {
          if (!shown) return;
          var at = head.find().localToScene(0, head.find().getHeight());
          StackPane.setMargin(finder.list(), new Insets(at.getY() + 2, 0, 0, at.getX()));
        });
    finder.list().setManaged(true);
    root.getChildren().addAll(frame, finder.list(), message);
    root.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
  }

  public Parent root() {
    return root;
  }

  /// A stage by the name it has in the job line.
  public Stage stage(String name) {
    return stages.stream().filter(stage -> stage.name().equals(name)).findFirst().orElseThrow();
  }

  public List<Stage> stages() {
    return stages;
  }

  public Desk desk() {
    return desk;
  }

  public List<Command> commands() {
    return commands;
  }

  public Optional<Session> session() {
    return session;
  }

  public SideSheet side() {
    return side;
  }

  private List<Finder.Hit> hits() {
    var hits = new ArrayList<Finder.Hit>();
    for (var command : commands)
      hits.add(new Finder.Hit(command.name(), command.keyText(), command.run()));
    session.ifPresent(s -> {
      wireInWords(s).ifPresent(hit -> hits.add(0, hit));
      hits.addAll(Finder.things(s.whole(), s.review().get(), this::select));
    });
    return hits;
  }

  /// What is written like a wire lays one.
  private Optional<Finder.Hit> wireInWords(Session s) {
    var text = head.find().getText().strip();
    if (!WireText.looksLikeOne(text)) return Optional.empty();
    var study = s.whole().study();
    return switch (WireText.read(text, study)) {
      case Reading.Misread<WireText.Ends>(var why) ->
          // Without a terminal it may as well be the name of a command: `go to runs`.
          text.contains(":")
              ? Optional.of(new Finder.Hit(text, why, true, () -> s.tell(why)))
              : Optional.empty();
      case Reading.Value<WireText.Ends>(var ends) ->
          Optional.of(
              new Finder.Hit(
                  "Lay a wire from %s:%s to %s:%s"
                      .formatted(
                          study.label(ends.from().device()),
                          ends.from().terminal(),
                          study.label(ends.to().device()),
                          ends.to().terminal()),
                  "",
                  true,
                  () -> s.composing().wire(ends.from(), ends.to(), s::tell)));
    };
  }

  private void key(KeyEvent e) {
    if (e.getCode() == KeyCode.ESCAPE && quickOpen()) {
      closeQuick();
      e.consume();
      return;
    }
    if (e.getCode() == KeyCode.ESCAPE && overlay.isPresent() && session.isPresent()) {
      closeOverlay();
      e.consume();
      return;
    }
    for (var command : commands) {
      if (command.keys().isPresent() && command.keys().get().match(e)) {
        command.run().run();
        e.consume();
        return;
      }
    }
  }

  /// What is seen first where no project was asked for.
  public void begin() {
    welcome("");
  }

  /// Takes up a session in place of the one before.
  void take(Session next) {
    session = Optional.of(next);
    closeOverlay();
    next.review().addListener(_ -> show());
    next.history().addListener(_ -> head.show(next, next.review().get()));
    next.selection().addListener(_ -> looked());
    next.composing().offered().addListener(_ -> looked());
    var bench = next.bench();
    bench.solved().addListener(_ -> looked());
    bench.mode().addListener(_ -> looked());
    bench.plus().addListener(_ -> looked());
    bench.minus().addListener(_ -> looked());
    next.message().addListener((_, _, text) -> tell(text));
    next.conflict().addListener(_ -> conflict(next));
    next.stale().addListener(_ -> head.current(next));
    next.trouble().addListener(_ -> head.current(next));
    next.stale()
        .addListener((_, _, stale) ->
            root.setCursor(stale ? javafx.scene.Cursor.WAIT : javafx.scene.Cursor.DEFAULT));
    show();
    current.firstFocus().requestFocus();
  }

  void tell(String text) {
    if (text.isEmpty()) return;
    messageText.setText(text);
    message.setVisible(true);
    message.toFront();
    messageTime.playFromStart();
  }

  /// Asks in a bar, without stopping the work.
  void ask(String text, String yes, Runnable onYes, String no, Runnable onNo) {
    var label = new Label(text);
    label.getStyleClass().add("wrapping");
    var take = new Button(yes);
    take.getStyleClass().add("repair");
    take.setId("ask-yes");
    var leave = new Button(no);
    leave.setId("ask-no");
    var bar = new HBox(12, label, take, leave);
    bar.setAlignment(Pos.CENTER_LEFT);
    bar.getStyleClass().add("caution");
    take.setOnAction(_ -> {
      centre.setTop(null);
      onYes.run();
    });
    leave.setOnAction(_ -> {
      centre.setTop(null);
      onNo.run();
    });
    centre.setTop(bar);
  }

  /// The question is not asked any more.
  void stopAsking() {
    centre.setTop(null);
  }

  /// Takes over what is typed where the focus is.
  ///
  /// @return what could not be taken over and why
  Optional<String> takeOverTyping() {
    return root.getScene() == null
        ? Optional.empty()
        : Optional.ofNullable(root.getScene().getFocusOwner()).flatMap(Typing::takeOver);
  }

  private void conflict(Session of) {
    of.conflict()
        .get()
        .ifPresentOrElse(
            conflict -> {
              var sheet =
                  new ConflictSheet(
                      of.file().get().map(f -> f.path().getFileName().toString()).orElse(""),
                      conflict,
                      of,
                      this::closeOverlay);
              overlay(sheet);
              sheet.focus();
            },
            () -> overlay.filter(ConflictSheet.class::isInstance).ifPresent(_ -> closeOverlay()));
  }

  private void show() {
    session.ifPresent(s -> {
      var review = s.review().get();
      head.show(s, review);
      jobLine.show(current, review, theme);
      jobLine.show(s.horizon().get(), !s.project().plan().marks().isEmpty());
      centre.setCenter(current.view());
      looked();
    });
  }

  /// Another thing is selected, something is tried or measured: the project and its review stay,
  /// and with them what the head and the job line say.
  private void looked() {
    session.ifPresent(s -> {
      var review = s.review().get();
      side.show(s, review, theme, today);
      current.show(s, review, theme);
      foot.show(current.name(), s, review, theme);
    });
  }

  public void choose(Stage stage) {
    current = stage;
    show();
    Platform.runLater(() -> stage.firstFocus().requestFocus());
  }

  private void ask(Horizon next) {
    session.ifPresent(s -> s.ask(next));
  }

  public Stage current() {
    return current;
  }

  public void select(Id id) {
    session.ifPresent(s -> s.selection().set(Optional.of(id)));
  }

  /// Goes to the next open finding, in the stage it belongs to.
  void nextFinding() {
    session.ifPresent(s -> {
      var open = s.review().get().open();
      if (open.isEmpty()) {
        s.tell("No finding is open.");
        return;
      }
      var selected = s.selection().get();
      var at = -1;
      for (var i = 0; i < open.size(); i++)
        if (selected.filter(open.get(i).verdict().subject()::concerns).isPresent()) at = i;
      var next = open.get((at + 1) % open.size());
      stages.stream()
          .filter(stage -> stage.owns(next))
          .findFirst()
          .ifPresent(stage -> current = stage);
      s.selection().set(next.verdict().subject().thing());
      show();
    });
  }

  void focusFind() {
    head.find().requestFocus();
    head.find().selectAll();
  }

  void focusMeter() {
    foot.focusMeter();
  }

  /// Everything tried is put back.
  void asDesigned() {
    session.ifPresent(s -> s.bench().back());
  }

  void focusPath() {
    foot.focusPath();
  }

  void clearSelection() {
    session.ifPresent(s -> s.selection().set(Optional.empty()));
  }

  void theme(boolean dark) {
    theme = dark ? Theme.DARK : Theme.LIGHT;
    places.dark(dark);
    Style.apply(root, theme);
    show();
  }

  public Theme theme() {
    return theme;
  }

  void welcome(String problem) {
    overlay(
        new Welcome(
            places.recent(), desk::openDemo, desk::begin, desk::open, desk::open, problem, theme));
  }

  /// The quick calculator, over whatever is there; asked for again it closes.
  void quick() {
    if (quickOpen()) {
      closeQuick();
      return;
    }
    var view = quick.orElseGet(() -> new QuickView(quickModel, this::session, this::closeQuick));
    quick = Optional.of(view);
    root.getChildren().add(view);
    view.focus();
  }

  private boolean quickOpen() {
    return quick.map(root.getChildren()::contains).orElse(false);
  }

  private void closeQuick() {
    quick.ifPresent(root.getChildren()::remove);
    session.ifPresent(_ -> current.firstFocus().requestFocus());
  }

  void choice(nelvar.core.analysis.choice.Proposal proposal, String goal) {
    session.ifPresent(s -> {
      var sheet =
          new ChoiceSheet(
              proposal,
              goal,
              s.project().brief().policies().currency(),
              s::edit,
              this::closeOverlay);
      overlay(sheet);
      sheet.focus();
    });
  }

  /// What could stand in the place of what is selected, side by side.
  Comparing comparing() {
    return new Comparing(session, theme, this::overlay, this::closeOverlay);
  }

  /// Signals to pins, and who could take over.
  PinsOpened pins() {
    return new PinsOpened(session, this::overlay, this::closeOverlay);
  }

  /// The catalogue, at the part of what is selected.
  void catalogue() {
    session.ifPresent(s -> {
      var sheet = new CatalogueSheet(s, this::closeOverlay);
      overlay(sheet);
      var study = s.whole().study();
      s.selection().get().flatMap(study::device).flatMap(study::part).ifPresent(sheet::show);
      sheet.focus();
    });
  }

  /// Rows copied from a spreadsheet, looked through before they are taken.
  void rows() {
    session.ifPresent(s -> {
      var sheet = new RowsSheet(s, this::closeOverlay);
      overlay(sheet);
      sheet.focus();
    });
  }

  /// The terminals of the selected device, to be wired.
  void wiring() {
    session.ifPresent(s -> {
      var device = s.selection().get().flatMap(id -> s.whole().study().device(id));
      if (device.isEmpty()) {
        s.tell("Select a device first: then its terminals can be wired.");
        return;
      }
      var sheet = new WiringSheet(s, device.get(), theme, this::closeOverlay);
      overlay(sheet);
      sheet.focus();
    });
  }

  void shortcuts() {
    var sheet = new ShortcutSheet(commands, this::closeOverlay);
    overlay(sheet);
    sheet.focus();
  }

  private void overlay(Node node) {
    closeOverlay();
    overlay = Optional.of(node);
    root.getChildren().add(node);
    frame.setDisable(node instanceof Welcome);
  }

  void closeOverlay() {
    overlay.ifPresent(root.getChildren()::remove);
    if (overlay.orElse(null) instanceof WiringSheet wiring) wiring.leave();
    overlay = Optional.empty();
    frame.setDisable(false);
  }
}
