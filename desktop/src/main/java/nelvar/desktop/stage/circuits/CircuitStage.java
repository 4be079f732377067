package nelvar.desktop.stage.circuits;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.network.ByHand;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Latest;
import nelvar.desktop.session.Session;
import nelvar.desktop.session.Trouble;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.CircuitScreen;
import nelvar.documents.drawing.CircuitView;
import nelvar.documents.drawing.Drawing;

/// The circuit sheets as they are printed, with what they carry now: select on them, put probes on
/// terminals, draw wires from terminal to terminal, move symbols.
public final class CircuitStage implements Stage {
  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "A circuit sheet. Arrow keys walk, Enter selects, Shift and Space put a probe on a terminal, T presses, pulls or cuts.",
          true);
  private final Label summary = new Label();
  private final ProgressBar bar = new ProgressBar(0);
  private final Button stop = new Button("Stop");
  private final ChoiceBox<String> choice = new ChoiceBox<>();
  private final Button before = new Button("‹");
  private final Button after = new Button("›");
  private final ToggleButton live = new ToggleButton("Live");
  private final Button keep = new Button("Keep these places");
  private final Button again = new Button("Arrange again");
  private final Label teach =
      new Label(
          "Here stands how everything is wired, sheet by sheet, the current coming from above.\n\nNothing is wired yet. Say in Parts (Ctrl+2) what the machine must do, or wire a device by hand (Ctrl+B).");

  /// Whether sheets are laid out that are not there in a moment.
  private final SimpleBooleanProperty waiting = new SimpleBooleanProperty();

  private final AtomicReference<Double> share = new AtomicReference<>(-1.0);
  private final Latest<Optional<CircuitModel>> drawing;
  private final Latest<Edit> arranging;
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Optional<CircuitModel> model = Optional.empty();
  private Optional<Id> looked = Optional.empty();

  /// What was selected elsewhere and is not brought into view yet.
  private Optional<Id> turning = Optional.empty();

  private Optional<Asked> asked = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private int number = 1;
  private boolean filling;

  private record Asked(Review of, int number, CircuitView view, Theme in) {}

  /// @param worker lays sheets out beside the interface
  public CircuitStage(Executor worker) {
    drawing = new Latest<>(worker, Platform::runLater);
    arranging = new Latest<>(worker, Platform::runLater);
    view.getStyleClass().add("stage");
    picture.setId("circuit");
    picture.onSelect(id -> place(id).ifPresent(this::selected));
    picture.onOpen(id -> place(id).ifPresent(this::follow));
    picture.onMark(id -> place(id).flatMap(CircuitScreen.Place::terminal).ifPresent(this::probe));
    picture.onTry(id -> place(id).ifPresent(this::touch));
    picture.onDrag(new OnSheet());
    bar.setId("circuit-progress");
    bar.setPrefWidth(120);
    bar.setAccessibleText("How far the sheets are laid out");
    stop.setId("circuit-stop");
    stop.setOnAction(_ -> giveUp());
    for (var node : List.of(bar, stop)) {
      node.visibleProperty().bind(waiting);
      node.managedProperty().bind(waiting);
    }
    drawing
        .busy()
        .addListener((_, _, busy) -> {
          if (!busy) waiting.set(false);
        });
    choice.setId("circuit-sheet");
    choice.setAccessibleText("Which sheet is shown");
    choice.setMaxWidth(230);
    choice
        .getSelectionModel()
        .selectedIndexProperty()
        .addListener((_, _, index) -> {
          if (!filling && index.intValue() >= 0) turn(index.intValue() + 1);
        });
    before.setId("circuit-before");
    before.setAccessibleText("The sheet before");
    before.setOnAction(_ -> turn(number - 1));
    after.setId("circuit-after");
    after.setAccessibleText("The next sheet");
    after.setOnAction(_ -> turn(number + 1));
    live.setId("circuit-live");
    live.setSelected(true);
    live.selectedProperty().addListener(_ -> draw());
    keep.setId("circuit-keep");
    keep.setTooltip(new Tooltip("Until they are kept, symbols are arranged anew with every edit."));
    keep.setOnAction(_ -> model.ifPresent(shown -> session.ifPresent(s -> s.edit(shown.keep()))));
    again.setId("circuit-again");
    again.setOnAction(_ -> arrange());
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    view.setTop(
        new StageHead(
            "Circuits", summary, bar, stop, live, keep, again, new HBox(before, choice, after)));
    view.setCenter(picture);
  }

  @Override
  public String name() {
    return "Circuits";
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
  public boolean owns(Review.Entry entry) {
    return false;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    if (session.filter(was -> was == next).isEmpty()) {
      number = 1;
      looked = Optional.empty();
    }
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  /// Whether what is shown is what was asked for last.
  public boolean settled() {
    return !drawing.busy().get();
  }

  /// The number of the sheet shown, counted from 1.
  public int number() {
    return number;
  }

  /// Where a terminal, symbol or wire stands on the sheet shown, in the picture's coordinates.
  public Optional<javafx.geometry.Point2D> pointOf(
      java.util.function.Predicate<CircuitScreen.Place> wanted) {
    return model.stream()
        .flatMap(shown -> shown.screen().drawing().spots().stream())
        .filter(spot -> place(spot.about()).filter(wanted).isPresent())
        .findFirst()
        .flatMap(spot -> picture.middleOf(spot.about()));
  }

  private Optional<CircuitScreen.Place> place(Id spot) {
    return model.map(shown -> shown.screen().places().get(spot));
  }

  private void selected(CircuitScreen.Place place) {
    looked = Optional.of(place.about());
    session.ifPresent(s -> s.selection().set(Optional.of(place.about())));
  }

  /// To where the rest of a device is, or the other end of a wire.
  private void follow(CircuitScreen.Place place) {
    model.ifPresent(shown -> {
      var sheets = shown.sheets();
      var next =
          sheets.at(place.about()).stream()
              .map(spot -> spot.sheet())
              .filter(sheet -> sheet > number)
              .findFirst()
              .or(() -> sheets.at(place.about()).stream().map(spot -> spot.sheet()).findFirst())
              .or(() -> shown.otherEnd(place.about()));
      next.filter(sheet -> sheet != number).ifPresent(this::turn);
    });
  }

  /// The first probe that is free, then the other one; a terminal it is on already gives it back.
  private void probe(TerminalRef terminal) {
    session
        .map(Session::bench)
        .ifPresent(bench -> {
          if (bench.plus().get().filter(terminal::equals).isPresent())
            bench.plus().set(Optional.empty());
          else if (bench.minus().get().filter(terminal::equals).isPresent())
            bench.minus().set(Optional.empty());
          else if (bench.plus().get().isEmpty()) bench.plus().set(Optional.of(terminal));
          else bench.minus().set(Optional.of(terminal));
          draw();
        });
  }

  /// Presses, pulls, cuts, or takes that back.
  private void touch(CircuitScreen.Place place) {
    session.ifPresent(s -> {
      var bench = s.bench();
      ByHand.of(
              place.about(),
              place.terminal().or(place::symbol),
              bench.trial().get(),
              bench.solved().get().live())
          .ifPresentOrElse(
              touch -> {
                bench.trial().set(touch.next());
                s.tell(touch.words());
              },
              () ->
                  s.tell(
                      "Nothing moves there, or several things do: select it, and choose at the side."));
    });
  }

  private void turn(int next) {
    turning = Optional.empty();
    var last = model.map(shown -> shown.sheets().sheets().size()).orElse(1);
    number = Math.clamp(next, 1, last);
    draw();
  }

  /// What is there within that time needs no bar, ns.
  private static final long SOON = 300_000_000;

  private volatile long began;

  /// Told beside the interface; it hears of it when it next has time, and only once.
  private void far(double done) {
    if (System.nanoTime() - began < SOON || share.getAndSet(done) >= 0) return;
    Platform.runLater(() -> {
      var now = share.getAndSet(-1.0);
      if (!drawing.busy().get() || now < 0) return;
      bar.setProgress(now);
      waiting.set(true);
    });
  }

  private void giveUp() {
    drawing.cancel();
    asked = Optional.empty();
    summary.setText("Stopped. Choose the stage again to lay the sheets out.");
  }

  private void arrange() {
    if (review.isEmpty() || session.isEmpty()) return;
    var study = review.get().study();
    arranging.ask(
        _ -> CircuitModel.again(study),
        edit ->
            session.ifPresent(s -> {
              if (s.project().equals(study.project())) s.edit(edit);
              else s.tell("The machine changed meanwhile; arrange again.");
            }),
        broken ->
            session.ifPresent(
                s -> s.tell("The sheets could not be arranged: " + Trouble.of(broken))));
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var of = review.get();
    var bench = session.get().bench();
    var selected = session.get().selection().get();
    if (selected.isPresent() && !selected.equals(looked)) turning = selected;
    looked = selected;
    var turned = turning;
    var state =
        live.isSelected()
            ? Optional.of(bench.solved().get().live()).filter(Live::settled)
            : Optional.<Live>empty();
    var look =
        new CircuitView(
            state, selected, bench.plus().get(), bench.minus().get(), CircuitModel.marks(of));
    var wanted = new Asked(of, number, look, theme);
    if (turned.isEmpty() && asked.filter(wanted::equals).isPresent()) return;
    asked = Optional.of(wanted);
    var here = number;
    began = System.nanoTime();
    drawing.ask(
        dropped -> {
          if (!CircuitModel.laid(of.study(), dropped, this::far)) return Optional.empty();
          var sheet = turned.flatMap(id -> CircuitModel.sheetOf(id, of.study(), here)).orElse(here);
          return CircuitModel.of(of.study(), sheet, look);
        },
        made -> take(made, turned),
        broken -> {
          asked = Optional.empty();
          summary.setText("The sheet could not be drawn: " + Trouble.of(broken));
        });
  }

  private void take(Optional<CircuitModel> made, Optional<Id> turned) {
    model = made;
    turning = Optional.empty();
    for (var node : new Node[] {live, keep, again, before, choice, after})
      node.setDisable(made.isEmpty());
    if (made.isEmpty()) {
      summary.setText("Nothing is wired yet");
      var beginning = new VBox(teach);
      beginning.setPadding(new Insets(20, 24, 24, 24));
      view.setCenter(beginning);
      return;
    }
    var shown = made.get();
    number = shown.sheet().number();
    asked = asked.map(was -> new Asked(was.of(), number, was.view(), was.in()));
    summary.setText(
        "sheet %d of %d%s"
            .formatted(
                number,
                shown.sheets().sheets().size(),
                live.isSelected() && unknown()
                    ? "; no steady state is found: drawn at rest, anything may be live"
                    : ""));
    keep.setDisable(shown.kept());
    before.setDisable(number == 1);
    after.setDisable(number == shown.sheets().sheets().size());
    fill(shown);
    view.setCenter(picture);
    picture.show(shown.screen().drawing(), theme);
    var focus = session.flatMap(s -> s.selection().get()).flatMap(id -> shown.screen().spotOf(id));
    picture.focusOn(focus);
    turned.flatMap(_ -> focus).ifPresent(picture::bringIntoView);
  }

  /// Whether no state of the machine is found, as designed or as tried.
  private boolean unknown() {
    return session.filter(s -> s.bench().solved().get().live().settled()).isEmpty();
  }

  private void fill(CircuitModel shown) {
    filling = true;
    var titles = shown.sheets().sheets().stream().map(shown::title).toList();
    if (!choice.getItems().equals(titles)) choice.getItems().setAll(titles);
    choice.getSelectionModel().select(number - 1);
    filling = false;
  }

  /// From terminal to terminal draws a wire; a symbol that is dragged moves.
  private final class OnSheet implements DrawingPane.Dragging {
    @Override
    public boolean takes(Drawing.Spot from) {
      return place(from.about())
          .filter(place -> place.terminal().isPresent() || place.symbol().isPresent())
          .isPresent();
    }

    @Override
    public Drawing over(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      return model.orElseThrow().screen().reaching(from, x, y);
    }

    @Override
    public void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      var taken = place(from.about());
      taken.flatMap(CircuitScreen.Place::terminal).ifPresent(terminal -> wire(terminal, onto));
      taken
          .flatMap(CircuitScreen.Place::symbol)
          .ifPresent(symbol ->
              move(symbol, x - from.x() - from.width() / 2, y - from.y() - from.height() / 2));
    }

    private void wire(TerminalRef from, Optional<Drawing.Spot> onto) {
      var to = onto.flatMap(spot -> place(spot.about())).flatMap(CircuitScreen.Place::terminal);
      session.ifPresent(s ->
          to.filter(end -> !end.equals(from))
              .ifPresentOrElse(
                  end -> s.composing().wire(from, end, s::tell),
                  () -> s.tell("A wire is let go on another terminal.")));
    }

    private void move(TerminalRef symbol, double dx, double dy) {
      var step = SheetFormat.STEP * CircuitScreen.SCALE;
      var edit =
          model.flatMap(shown ->
              shown.move(
                  symbol,
                  (int) Math.round(dx / step),
                  (int) Math.round(dy / step / SheetFormat.ROW)));
      session.ifPresent(s ->
          edit.ifPresentOrElse(
              s::edit, () -> s.tell("There is no room for it: another symbol stands there.")));
    }
  }
}
