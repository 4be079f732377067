package nelvar.desktop.stage.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.Scenario;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.analysis.stop.WayBack;
import nelvar.core.model.Id;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Duration;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Latest;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.StopMatrixPicture;
import nelvar.documents.drawing.StopPicture;

/// A stop rehearsed: what is done, one thing after another, and what becomes of everything that
/// moves, brakes, acts, heats or is charged; or every stop against all of it.
public final class StopStage implements Stage {
  private static final Duration LOOKED_AT = new Duration(300);

  /// Between two things that are done, s.
  private static final double APART = 2;

  private final BorderPane view = new BorderPane();
  private final DrawingPane picture =
      new DrawingPane(
          "What becomes of everything after a stop, lane by lane. Arrow keys walk, Enter selects.",
          false);
  private final ScrollPane scroll = new ScrollPane(new StackPane(picture));
  private final Label summary = new Label();
  private final MenuButton doing = new MenuButton("Do next");
  private final Button over = new Button("Start over");
  private final Button river = new Button("On the river");
  private final ToggleButton lanes = new ToggleButton("Over time");
  private final ToggleButton all = new ToggleButton("Every stop");
  private final StopCard card = new StopCard();
  private final Latest<Played> playing;
  private final Latest<StopMatrix> comparing;
  private final Label teach =
      new Label(
          "Here every stop is rehearsed: what loses its power, when, what still moves, falls or is charged, and how the machine is brought back.\n\nNothing in this machine stops it yet, and no mains reaches it. Say in Parts (Ctrl+2): stop: 2 stop buttons");
  private final Label unknown =
      new Label(
          "No steady state of the running machine is found, so nothing can be rehearsed on it: Power (Ctrl+3) says where it fails.");
  private final Runnable toRiver;
  private Optional<Session> session = Optional.empty();
  private Optional<Study> study = Optional.empty();
  private List<Scenario.Doable> done = List.of();
  private Optional<Played> played = Optional.empty();
  private Optional<StopMatrix> matrix = Optional.empty();
  private Optional<Shown> shown = Optional.empty();
  private Theme theme = Theme.LIGHT;

  /// What was rehearsed, and what came of it.
  private record Played(
      Study of,
      List<Scenario.Doable> done,
      StopRehearsal rehearsal,
      List<Course> courses,
      List<String> wayBack) {}

  private record Shown(Object what, Optional<Id> chosen, Theme in, double width) {}

  /// @param worker rehearses beside the interface; @param toRiver shows the power stage
  public StopStage(Executor worker, Runnable toRiver) {
    this.toRiver = toRiver;
    playing = new Latest<>(worker, Platform::runLater);
    comparing = new Latest<>(worker, Platform::runLater);
    view.getStyleClass().add("stage");
    view.setId("stop");
    picture.setId("stop-lanes");
    picture.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    var views = new ToggleGroup();
    for (var choice : List.of(lanes, all)) {
      choice.setToggleGroup(views);
      choice.setOnAction(_ -> {
        // One of the two is always on.
        choice.setSelected(true);
        ask();
      });
    }
    lanes.setId("stop-over-time");
    all.setId("stop-every");
    lanes.setSelected(true);
    doing.setId("stop-do");
    over.setId("stop-over");
    over.setOnAction(_ -> {
      done = List.of();
      ask();
    });
    river.setId("stop-river");
    river.setOnAction(_ -> showOnRiver());
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(460);
    unknown.setMaxWidth(460);
    scroll.getStyleClass().add("plain");
    StackPane.setMargin(picture, new Insets(8, 12, 8, 18));
    scroll.viewportBoundsProperty().addListener((_, _, _) -> draw());
    view.setTop(new StageHead("Stop", summary, new HBox(lanes, all), doing, over, river));
    view.setCenter(scroll);
    view.setBottom(card);
  }

  @Override
  public String name() {
    return "Stop";
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
    return entry.rule().job() == Job.STOP;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    if (session.filter(next::equals).isEmpty()) done = List.of();
    session = Optional.of(next);
    theme = look;
    var other = study.filter(newest.study()::equals).isEmpty();
    study = Optional.of(newest.study());
    if (other) {
      // The same things are done to the machine as it is now, as far as they are still there.
      done = done.stream().flatMap(d -> Scenario.find(d.words(), newest.study()).stream()).toList();
      matrix = Optional.empty();
      menu();
      ask();
    } else draw();
  }

  /// Everything that can be done, by kind.
  private void menu() {
    doing.getItems().clear();
    for (var kind : Scenario.Kind.values()) {
      var of = Scenario.all(study.orElseThrow()).stream().filter(d -> d.kind() == kind).toList();
      if (of.isEmpty()) continue;
      var group = new Menu(kind.words());
      for (var one : of) {
        var item = new MenuItem(one.words());
        item.setOnAction(_ -> {
          done =
              java.util.stream.Stream.concat(done.stream(), java.util.stream.Stream.of(one))
                  .toList();
          lanes.setSelected(true);
          ask();
        });
        group.getItems().add(item);
      }
      doing.getItems().add(group);
    }
  }

  /// Does one thing alone; for the command field.
  public void rehearse(Scenario.Doable one) {
    done = List.of(one);
    lanes.setSelected(true);
    if (study.isPresent()) ask();
  }

  private void ask() {
    if (study.isEmpty()) return;
    var on = study.get();
    if (!on.asDesigned().settled()) {
      unsettled();
      return;
    }
    if (done.isEmpty()) done = Scenario.first(on).stream().toList();
    if (all.isSelected()) {
      if (matrix.isPresent()) {
        draw();
        return;
      }
      summary.setText("rehearsing every stop…");
      comparing.ask(
          dropped ->
              StopMatrix.of(
                  on,
                  dropped,
                  so ->
                      Platform.runLater(() -> {
                        if (study.filter(on::equals).isPresent()) compared(so);
                      })),
          this::compared,
          _ -> summary.setText("could not be rehearsed"));
      return;
    }
    if (done.isEmpty()) {
      played = Optional.empty();
      draw();
      return;
    }
    var acts = done;
    playing.ask(
        _ -> play(acts, on),
        found -> {
          played = Optional.of(found);
          draw();
        },
        _ -> {
          played = Optional.empty();
          summary.setText("no steady state of the running machine is found: Power says where");
        });
  }

  /// Nothing can be rehearsed on a machine whose running state is not found.
  private void unsettled() {
    playing.cancel();
    comparing.cancel();
    played = Optional.empty();
    matrix = Optional.empty();
    shown = Optional.empty();
    summary.setText("");
    unknown.getStyleClass().setAll("label", "wrapping", "soft");
    view.setCenter(unknown);
    view.setBottom(null);
  }

  private void compared(StopMatrix so) {
    matrix = Optional.of(so);
    draw();
  }

  private static Played play(List<Scenario.Doable> acts, Study on) {
    var timed = new ArrayList<Rehearsal.Act>();
    for (var i = 0; i < acts.size(); i++) timed.addAll(acts.get(i).at(new Duration(i * APART)));
    timed.sort(java.util.Comparator.comparing(Rehearsal.Act::at));
    var rehearsal = StopRehearsal.of(timed, LOOKED_AT, on);
    return new Played(on, acts, rehearsal, Courses.of(rehearsal, on), WayBack.of(rehearsal, on));
  }

  private void draw() {
    if (study.isEmpty() || session.isEmpty() || !study.get().asDesigned().settled()) return;
    var selected = session.get().selection().get();
    var width = Math.max(560, scroll.getWidth() - 46);
    river.setDisable(all.isSelected() || played.isEmpty());
    if (all.isSelected()) {
      matrix(selected, width);
      return;
    }
    if (done.isEmpty()) {
      view.setCenter(teach);
      view.setBottom(null);
      summary.setText("");
      return;
    }
    if (played.isEmpty()) return;
    view.setCenter(scroll);
    view.setBottom(card);
    var chosen = selected.filter(id -> lane(id).isPresent());
    var now = new Shown(played.get(), chosen, theme, width);
    if (shown.filter(now::equals).isPresent()) return;
    shown = Optional.of(now);
    var it = played.get();
    summary.setText(
        String.join(", then ", it.done().stream().map(Scenario.Doable::words).toList())
            + ", while everything runs");
    var mark = chosen.flatMap(this::lane).map(c -> c.devices().getFirst().id());
    picture.show(StopPicture.of(it.rehearsal(), it.courses(), it.of(), width, mark), theme);
    card.show(it.rehearsal(), it.wayBack(), chosen.flatMap(this::lane));
  }

  private Optional<Course> lane(Id id) {
    return played.stream()
        .flatMap(p -> p.courses().stream())
        .filter(c -> c.devices().stream().anyMatch(d -> d.id().equals(id)))
        .findFirst();
  }

  private void matrix(Optional<Id> selected, double width) {
    view.setCenter(scroll);
    view.setBottom(card);
    if (matrix.isEmpty()) return;
    var now = new Shown(matrix.get(), selected, theme, width);
    if (shown.filter(now::equals).isPresent()) return;
    shown = Optional.of(now);
    var whole = StopMatrix.acts(study.orElseThrow()).size();
    var ready = matrix.get().columns().size();
    summary.setText(
        ready < whole
            ? "%d of %d rehearsed".formatted(ready, whole)
            : "each pressed by itself while everything runs");
    picture.show(StopMatrixPicture.of(matrix.get(), study.get(), width, selected), theme);
    card.distance(matrix.get());
  }

  /// The first of what is done, as a trial of the river: what it takes lies dry there.
  private void showOnRiver() {
    var trial = WhatIf.AS_DESIGNED;
    for (var one : done) for (var step : one.steps()) trial = step.change().apply(trial);
    session.orElseThrow().bench().trial().set(trial);
    toRiver.run();
  }
}
