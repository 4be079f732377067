package nelvar.desktop.stage.signals;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.model.edit.BoardEdits;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// Controllers in the middle, what they read at the left, what they drive at the right; below, the
/// pin that is looked at, with its three names.
public final class SignalsStage implements Stage {
  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "Pins of the controllers, and what each reads or drives. Arrow keys walk, Enter selects.",
          true);
  private final Label summary = new Label();
  private final ToggleButton free = new ToggleButton("Free pins");
  private final Label teach =
      new Label(
          "Here stand the controllers, pin by pin, with what they read and what they drive.\n\nNo device of this machine has pins yet. Say in Parts (Ctrl+2) what it must read and move, or add a controller there; a board of your own is read from a table, one row a pin (Add parts from CSV).");
  private final VBox card = new VBox(6);
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<SignalsModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;

  private final ChoiceBox<SignalsModel.Shown> function = new ChoiceBox<>();
  private final Button assign = new Button("Assign for me");
  private final Button another = new Button("Another controller…");
  private final Button permissives = new Button("Permissives…");
  private final Button plugs = new Button("Plugs put on wrong…");
  private boolean filling;

  /// @param assigns opens what gives free signals their pins; @param swaps what could take over;
  /// @param permits what sensors permit
  public SignalsStage(Runnable assigns, Runnable swaps, Runnable permits) {
    view.getStyleClass().add("stage");
    free.setId("signals-free");
    free.selectedProperty().addListener(_ -> draw());
    picture.setId("pins");
    picture.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    card.setId("pin-card");
    card.getStyleClass().add("pin-card");
    card.setPadding(new Insets(8, 18, 10, 18));
    function.setId("signals-function");
    function.setAccessibleText("Show the pins of one function");
    function
        .valueProperty()
        .addListener((_, _, _) -> {
          if (!filling) draw();
        });
    assign.setId("signals-assign");
    assign.setOnAction(_ -> assigns.run());
    another.setId("signals-another");
    another.setOnAction(_ -> swaps.run());
    permissives.setId("signals-permissives");
    permissives.setOnAction(_ -> permits.run());
    plugs.setId("signals-plugs");
    plugs.setOnAction(_ -> tryPlugs());
    view.setTop(new StageHead("Signals", summary, function, free, assign));
    view.setCenter(picture);
  }

  @Override
  public String name() {
    return "Signals";
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
    return entry.rule().job() == Job.SIGNALS;
  }

  private Optional<Live> tried() {
    return session
        .map(Session::bench)
        .filter(bench -> !bench.trial().get().asDesigned())
        .map(bench -> bench.solved().get().live())
        .filter(Live::settled);
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var selected = session.get().selection().get();
    var model =
        SignalsModel.of(
            review.get(),
            new SignalsModel.View(
                free.isSelected(),
                selected,
                tried(),
                Optional.ofNullable(function.getValue()).flatMap(SignalsModel.Shown::function)));
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) take(model);
    shown = Optional.of(model);
    shownIn = theme;
    picture.focusOn(selected);
  }

  private void take(SignalsModel model) {
    summary.setText(model.summary());
    for (var node : List.of(free, assign, another, function)) node.setDisable(!model.begun());
    choices(model);
    if (!model.begun()) {
      var beginning = new VBox(teach);
      beginning.setPadding(new Insets(20, 24, 24, 24));
      view.setCenter(beginning);
      view.setBottom(null);
      return;
    }
    view.setCenter(picture);
    picture.show(model.drawing(), theme);
    if (shown
            .filter(was -> was.card().equals(model.card()) && was.board().equals(model.board()))
            .isPresent()
        && shownIn == theme
        && view.getBottom() != null) return;
    card.getChildren().clear();
    if (model.board().isPresent()) fill(model.board().get());
    else model.card().ifPresentOrElse(this::fill, this::nothingLookedAt);
    view.setBottom(card);
  }

  /// The functions there are; the one that is shown stays.
  private void choices(SignalsModel model) {
    if (function.getItems().equals(model.functions())) return;
    var was = Optional.ofNullable(function.getValue());
    filling = true;
    function.getItems().setAll(model.functions());
    function.setValue(was.filter(model.functions()::contains).orElse(SignalsModel.Shown.ALL));
    filling = false;
  }

  /// Jumpers and sockets of a board: each with where it stands and what that means.
  private void fill(SignalsModel.BoardCard board) {
    var title = new Label(board.board().designation().text());
    title.getStyleClass().addAll("mono", "title-small");
    var words =
        new Label(
            board.jumpers().isEmpty() && board.sockets().isEmpty()
                ? "No jumpers and no sockets."
                : "Its jumpers and sockets.");
    words.getStyleClass().add("soft");
    var space = new javafx.scene.layout.Region();
    HBox.setHgrow(space, javafx.scene.layout.Priority.ALWAYS);
    var head = new HBox(14, title, words, space, permissives, plugs, another);
    head.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
    var all = new FlowPane(26, 6);
    for (var row : board.jumpers()) all.getChildren().add(jumper(board, row));
    for (var row : board.sockets()) {
      var name = new Label("Socket " + row.socket().name());
      name.getStyleClass().add("soft");
      var module = new Label(row.module().orElse("empty"));
      module.getStyleClass().add("strong");
      var line = new HBox(8, name, module);
      line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      all.getChildren().add(line);
    }
    for (var said : board.serial()) all.getChildren().add(said(said, "serial-" + said.name(), 220));
    card.getChildren().addAll(head, all);
  }

  /// What each plug destroys when it is put on the wrong way, below the jumpers.
  private void tryPlugs() {
    session.ifPresent(s -> {
      plugs.setDisable(true);
      s.pinning()
          .plugs(
              trials -> {
                plugs.setDisable(false);
                var said = new Label(PlugWords.of(trials));
                said.setId("plug-trials");
                said.getStyleClass().addAll("wrapping");
                said.setWrapText(true);
                card.getChildren().removeIf(node -> "plug-trials".equals(node.getId()));
                card.getChildren().add(said);
              },
              told -> {
                plugs.setDisable(false);
                s.tell(told);
              });
    });
  }

  /// A setting in words, to be typed; empty takes it away.
  private Node said(SignalsModel.Said said, String id, double width) {
    var field =
        new QuantityField<String>(
            said.name(),
            "",
            text -> new Reading.Value<>(text),
            text ->
                session
                    .filter(s -> s.edit(PinEdits.say(said.device(), said.name(), text)))
                    .isPresent());
    field.show(said.value());
    field.setId(id);
    field.setPrefWidth(width);
    return field;
  }

  private Node jumper(SignalsModel.BoardCard board, SignalsModel.JumperRow row) {
    var name = new Label("Jumper " + row.jumper().name());
    name.getStyleClass().add("soft");
    var choice = new ChoiceBox<String>();
    choice.setId("jumper-" + row.jumper().name());
    choice.setAccessibleText("Position of jumper " + row.jumper().name());
    for (var position : row.jumper().positions()) choice.getItems().add(position.label());
    row.now().ifPresent(now -> choice.setValue(now.label()));
    choice
        .valueProperty()
        .addListener((_, _, label) ->
            row.jumper().positions().stream()
                .filter(position -> position.label().equals(label))
                .findFirst()
                .ifPresent(position ->
                    session.ifPresent(
                        s -> s.edit(BoardEdits.jumper(board.board(), row.jumper(), position)))));
    var means = new Label(row.means().words());
    means.getStyleClass().add(row.means().wrong() ? "wrong-note" : "strong");
    means.setWrapText(true);
    means.setMaxWidth(430);
    var line = new HBox(8, name, choice, means);
    line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return line;
  }

  private void nothingLookedAt() {
    var says =
        new Label(
            "Full line: reads 1, or is on. Dashed: is not. Double: pulses of an axis. Choose a pin or a device to see its volts in both states.");
    says.getStyleClass().addAll("soft", "wrapping");
    card.getChildren().add(says);
  }

  /// Its wire and its name in the program go to the pin that is chosen, and those there come here.
  private ChoiceBox<SignalsModel.Other> swap(SignalsModel.Card pin) {
    var others = new ChoiceBox<SignalsModel.Other>();
    others.setId("swap-pin");
    others.setAccessibleText("Swap with another pin");
    others.getItems().setAll(pin.others());
    others
        .valueProperty()
        .addListener((_, _, other) -> {
          if (other != null)
            session.ifPresent(s -> s.edit(PinEdits.swap(pin.board(), pin.pin(), other.pin())));
        });
    return others;
  }

  private static Label whole(String text) {
    var label = new Label(text);
    label.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    return label;
  }

  private void fill(SignalsModel.Card pin) {
    var title = new Label(pin.title());
    title.getStyleClass().addAll("mono", "title-small");
    var words = new Label(pin.standing().words() + ": " + pin.words());
    words.getStyleClass().add(pin.standing() == PinLink.Standing.WRONG ? "wrong-note" : "soft");
    words.setMinWidth(0);
    var name =
        new QuantityField<String>(
            "In the program",
            "",
            text -> new Reading.Value<>(text),
            text ->
                session
                    .filter(s -> s.edit(PinEdits.firmwareName(pin.board(), pin.pin(), text)))
                    .isPresent());
    name.show(pin.firmware());
    name.setId("firmware-name");
    name.setMaxWidth(260);
    var head = new HBox(14, title, words);
    head.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
    var facts = new FlowPane(18, 3);
    for (var fact : pin.facts()) {
      var what = new Label(fact.name());
      what.getStyleClass().add("soft");
      var value = new Label(fact.value());
      value.getStyleClass().add("strong");
      facts.getChildren().add(new HBox(6, what, value));
    }
    var doing = new HBox(18, name);
    doing.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    if (!pin.others().isEmpty()) doing.getChildren().addAll(whole("Swap with"), swap(pin));
    pin.target().ifPresent(said -> doing.getChildren().add(said(said, "sensor-target", 420)));
    card.getChildren().addAll(head, facts, doing);
    pin.face().ifPresent(drawing -> card.getChildren().add(face(drawing)));
  }

  /// Its connector, seen from the side it is mounted on.
  private Node face(nelvar.documents.drawing.Drawing drawing) {
    var pane = new DrawingPane("The connector, seen from the side it is mounted on", false);
    pane.setId("connector-face");
    pane.show(drawing, theme);
    pane.setMinSize(drawing.width(), drawing.height());
    pane.setPrefSize(drawing.width(), drawing.height());
    pane.setMaxSize(drawing.width(), drawing.height());
    return pane;
  }
}
