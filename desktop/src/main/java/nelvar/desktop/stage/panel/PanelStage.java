package nelvar.desktop.stage.panel;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Fixture;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.review.Review;
import nelvar.core.units.Length;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.PlateMarks;
import nelvar.documents.drawing.PlatePicture;
import nelvar.documents.drawing.PlatePicture.Lens;

/// The plate to scale: dragged, nudged with Alt and the arrow keys, looked at through lenses; below
/// the part or the cabinet that is selected, or layouts to choose from.
public final class PanelStage implements Stage {
  private static final double WIDTH = 836;
  private static final double LEAST_HEIGHT = 380;
  private static final String MARKS = "marks";
  private static final double FINE = 1;
  private static final double COARSE = 10;

  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "The plate of the cabinet with everything on it. Arrow keys walk, Shift with the space bar marks several, Alt with arrow keys nudges by 1 mm, Alt and Shift by 10.",
          true);
  private final Label summary = new Label();
  private final HBox lenses = new HBox(0);
  private final HBox cabinets = new HBox(6);
  private final VBox card = new VBox();
  private final Map<Lens, ToggleButton> buttons = new EnumMap<>(Lens.class);
  private final Proposals proposals;
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<PanelModel> shown = Optional.empty();
  private Optional<Id> last = Optional.empty();
  private Lens lens = Lens.PLACE;
  private final ToggleButton inside = new ToggleButton("From inside");
  private final javafx.scene.layout.StackPane middle =
      new javafx.scene.layout.StackPane(picture, inside);
  private final List<Id> marked = new ArrayList<>();

  public PanelStage(Executor worker) {
    proposals = new Proposals(worker, this::draw);
    view.getStyleClass().add("stage");
    picture.setId("plate");
    picture.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    picture.onDrag(
        new Carrying(
            () -> shown.flatMap(PanelModel::shown),
            () -> review.map(Review::study),
            () -> session));
    picture.onMark(this::mark);
    picture.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    picture.addEventFilter(
        javafx.scene.input.MouseEvent.MOUSE_PRESSED,
        e -> {
          if (!e.isShiftDown()) forgetMarks();
        });
    picture
        .heightProperty()
        .addListener((_, was, now) -> resized(was.doubleValue(), now.doubleValue()));
    picture
        .widthProperty()
        .addListener((_, was, now) -> resized(was.doubleValue(), now.doubleValue()));
    var group = new ToggleGroup();
    for (var one : Lens.values()) {
      var button = new ToggleButton(one.words());
      button.setId("lens-" + one.name().toLowerCase(java.util.Locale.ROOT));
      button.setToggleGroup(group);
      button.setSelected(one == lens);
      button.setOnAction(_ -> look(one));
      buttons.put(one, button);
      lenses.getChildren().add(button);
    }
    card.setId("panel-card");
    card.getStyleClass().add("pin-card");
    card.setPadding(new Insets(8, 18, 10, 18));
    var arrange = new Button("Arrange");
    arrange.setId("arrange");
    arrange.getStyleClass().add("primary");
    arrange.setOnAction(_ -> arrange(false));
    var smallest = new Button("Smallest cabinet");
    smallest.setId("arrange-smallest");
    smallest.setOnAction(_ -> arrange(true));
    inside.setId("door-inside");
    inside.setAccessibleText("Door from inside");
    inside.setOnAction(_ -> draw());
    inside.getStyleClass().add("small");
    javafx.scene.layout.StackPane.setAlignment(inside, javafx.geometry.Pos.TOP_RIGHT);
    javafx.scene.layout.StackPane.setMargin(inside, new Insets(2, 18, 0, 0));
    view.setTop(new StageHead("Panel", summary, cabinets, lenses, arrange, smallest));
    view.setCenter(middle);
    view.setBottom(card);
  }

  /// Looks through another lens.
  public void look(Lens next) {
    lens = next;
    buttons.forEach((one, button) -> button.setSelected(one == next));
    draw();
  }

  private void arrange(boolean smallest) {
    review.ifPresent(r -> session.ifPresent(s -> proposals.ask(r.study(), smallest, s)));
  }

  /// One more together with what is selected, or one less.
  private void mark(Id id) {
    if (session.isEmpty() || shown.flatMap(PanelModel::cabinet).isEmpty()) return;
    session
        .get()
        .selection()
        .get()
        .filter(first -> marked.isEmpty() && !first.equals(id))
        .ifPresent(marked::add);
    if (!marked.remove(id)) marked.add(id);
    draw();
  }

  private void forgetMarks() {
    if (marked.isEmpty()) return;
    marked.clear();
    draw();
  }

  /// What is marked and stands on one surface of the cabinet that is shown, the first first.
  private List<Body> together() {
    if (review.isEmpty()) return List.of();
    var bodies = Bodies.of(review.get().study());
    var all =
        marked.stream().flatMap(id -> bodies.of(id).stream()).filter(b -> !b.later()).toList();
    return all.stream()
        .filter(b -> b.surface() == all.getFirst().surface())
        .filter(b -> b.at().cabinet().equals(all.getFirst().at().cabinet()))
        .toList();
  }

  private void resized(double was, double now) {
    if (Math.abs(was - now) > 0.5 && shown.isPresent()) draw();
  }

  @Override
  public String name() {
    return "Panel";
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
    return entry.rule().job() == Job.PANEL;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    if (review.filter(old -> old.project() != newest.project()).isPresent()) proposals.forget();
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var to = session.get();
    var model =
        PanelModel.of(
            review.get(),
            to.selection().get(),
            last,
            lens,
            inside.isSelected(),
            picture.getWidth() > 100 ? picture.getWidth() : WIDTH,
            Math.max(LEAST_HEIGHT, picture.getHeight()));
    last = model.cabinet().map(Cabinet::id);
    shown = Optional.of(model);
    summary.setText(model.summary());
    tabs(model);
    if (model.shown().isEmpty()) {
      view.setCenter(beginning());
      card.getChildren().clear();
      if (proposals.shown()) offer(to);
      return;
    }
    view.setCenter(middle);
    inside.setVisible(model.cabinet().filter(c -> c.shell().hinge().isPresent()).isPresent());
    picture.show(model.shown().get().drawing(), theme);
    picture.focusOn(to.selection().get());
    if (proposals.shown()) {
      offer(to);
      return;
    }
    var study = review.get().study();
    var together = together();
    outline(together, model.shown().get());
    card.getChildren()
        .setAll(
            together.size() > 1
                ? new GroupCard(
                        together, model.cabinet().orElseThrow(), study, to, this::forgetMarks)
                    .node()
                : model
                    .selected()
                    .filter(body -> !body.later())
                    .map(
                        body -> new BodyCard(body, model.cabinet().orElseThrow(), study, to).node())
                    .or(() ->
                        to.selection()
                            .get()
                            .flatMap(id -> Fixture.of(model.cabinet().orElseThrow(), id))
                            .map(fixture -> new FixtureCard(fixture, study, to).node()))
                    .orElseGet(() ->
                        new CabinetCard(model.cabinet().orElseThrow(), study, to, this::add)
                            .node()));
  }

  private void outline(List<Body> together, PlatePicture.Shown over) {
    if (together.isEmpty()) picture.withoutLayer(MARKS);
    else picture.layer(MARKS, PlateMarks.of(together, over));
  }

  private void offer(Session to) {
    card.getChildren()
        .setAll(
            proposals.node(
                review.orElseThrow().study(), to, cabinet -> last = cabinet.map(Cabinet::id)));
  }

  private void tabs(PanelModel model) {
    cabinets.getChildren().clear();
    if (model.cabinets().size() > 1)
      for (var cabinet : model.cabinets()) {
        var tab = new ToggleButton(cabinet.name().isEmpty() ? cabinet.id().text() : cabinet.name());
        tab.setId("cabinet-" + cabinet.id());
        tab.setSelected(model.cabinet().filter(c -> c.id().equals(cabinet.id())).isPresent());
        tab.setOnAction(_ -> {
          last = Optional.of(cabinet.id());
          session.ifPresent(s -> s.selection().set(Optional.of(cabinet.id())));
          draw();
        });
        cabinets.getChildren().add(tab);
      }
  }

  private void add() {
    session.ifPresent(s -> {
      var id = NextName.id(s.project(), "CAB");
      var number = s.project().layout().cabinets().size() + 1;
      s.edit(
          LayoutEdits.add(
              Cabinet.of(
                  id,
                  "cabinet " + number,
                  Optional.empty(),
                  Shell.onWall(
                      Length.ofMillimetres(600),
                      Length.ofMillimetres(800),
                      Length.ofMillimetres(250)))));
      last = Optional.of(id);
      s.selection().set(Optional.of(id));
    });
  }

  private Node beginning() {
    var count = review.map(r -> Bodies.of(r.study()).waiting().size()).orElse(0);
    var teach =
        new Label(
            count == 0
                ? "Here the cabinet is laid out to scale: what stands where, what warms what, what a hand can reach.\n\nNothing of this machine belongs in a cabinet yet. Say in Parts (Ctrl+2) what it must do."
                : "Here the cabinet is laid out to scale: what stands where, what warms what, what a hand can reach.\n\n%d devices wait for a place. Press Arrange for a first layout in the cabinet at hand, or Smallest cabinet for the least that does; then drag."
                    .formatted(count));
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    var box = new VBox(teach);
    box.setPadding(new Insets(20, 24, 24, 24));
    return box;
  }

  private void key(KeyEvent e) {
    if (!e.isAltDown() || e.isControlDown()) return;
    var step = e.isShiftDown() ? COARSE : FINE;
    var taken =
        switch (e.getCode()) {
          case LEFT -> nudge(-step, 0);
          case RIGHT -> nudge(step, 0);
          case UP -> nudge(0, -step);
          case DOWN -> nudge(0, step);
          default -> false;
        };
    if (taken) e.consume();
  }

  /// Whether what is selected hangs in a door that is seen from inside.
  private boolean mirrored() {
    return inside.isSelected()
        && shown
            .flatMap(PanelModel::selected)
            .filter(body -> body.surface() == nelvar.core.model.Surface.DOOR)
            .isPresent();
  }

  /// Steps of one nudging are one step of the history.
  private boolean nudge(double right, double down) {
    var across = mirrored() ? -right : right;
    if (session.isEmpty() || review.isEmpty() || shown.isEmpty()) return false;
    var to = session.get();
    // A key may come before the review of the one before is there: from where it stands by now.
    var now = review.get().study().tried(to.project());
    var together = together();
    var bodies =
        (together.size() > 1 ? together : shown.flatMap(PanelModel::selected).stream().toList())
            .stream().flatMap(body -> Bodies.of(now).of(body.id()).stream()).toList();
    if (!bodies.isEmpty()) {
      if (bodies.getFirst().later()) return false;
      var next =
          bodies.stream()
              .map(body ->
                  body.movedTo(
                          Math.max(0, body.box().left() + across),
                          Math.max(0, body.box().top() + down))
                      .at())
              .toList();
      var names =
          bodies.stream().map(Body::name).collect(java.util.stream.Collectors.joining(", "));
      to.edit(LayoutEdits.place("Place " + names, next), Optional.of(List.of("nudge", names)));
      return true;
    }
    var fixture =
        to.selection()
            .get()
            .flatMap(id ->
                shown
                    .flatMap(PanelModel::cabinet)
                    .flatMap(c -> to.project().layout().cabinet(c.id()))
                    .flatMap(c -> Fixture.of(c, id)));
    fixture.ifPresent(
        f -> to.edit(f.movedBy(across, down).moved(now), Optional.of(List.of("nudge", f.id()))));
    return fixture.isPresent();
  }

  /// The picture that is seen, for whoever looks at it.
  public Optional<PlatePicture.Shown> seen() {
    return shown.flatMap(PanelModel::shown);
  }
}
