package nelvar.desktop.stage.power;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.network.Feed;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;

/// Feeds as a river: from the inlet through gates and vessels to the loads.
public final class PowerStage implements Stage {
  private final BorderPane view = new BorderPane();
  private final DrawingPane river =
      new DrawingPane(
          "The feeds from the inlet to the loads. Arrow keys walk, Enter selects.", true);
  private final Label summary = new Label();
  private final Label teach =
      new Label(
          "Here the feeds run from the inlet to the loads.\n\nSay first what the machine must do, in Parts (Ctrl+2): then it is drawn up from the work back to the inlet. What you add by hand stands here on a shelf until it is fed.");
  private final DrawingPane inlet = new DrawingPane("The inlet, on which nothing hangs yet", true);
  private final VBox beginning = new VBox(14, inlet, teach);
  private final ToggleButton amps = new ToggleButton("Amps");
  private final ToggleButton dry = new ToggleButton("Contactors open");
  private final ToggleButton curves = new ToggleButton("Curves");
  private final DrawingPane chart =
      new DrawingPane("Time against current of the devices before the selected load", true);
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Optional<PowerModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;

  public PowerStage() {
    view.getStyleClass().add("stage");
    var watts = new ToggleButton("Watts");
    var unit = new ToggleGroup();
    watts.setToggleGroup(unit);
    amps.setToggleGroup(unit);
    watts.setSelected(true);
    unit.selectedToggleProperty()
        .addListener((_, before, now) -> {
          if (now == null) before.setSelected(true);
          else draw();
        });
    dry.selectedProperty().addListener(_ -> draw());
    curves.selectedProperty().addListener(_ -> draw());
    curves.setId("power-curves");
    chart.setId("curves");
    chart.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    dry.setId("power-dry");
    amps.setId("power-amps");
    var head = new StageHead("Power", summary, curves, dry, new HBox(watts, amps));
    view.setTop(head);
    teach.getStyleClass().addAll("wrapping", "soft");
    teach.setMaxWidth(430);
    inlet.setPrefHeight(130);
    beginning.setPadding(new Insets(10, 24, 24, 24));
    inlet.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    view.setCenter(river);
    river.setId("river");
    river.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    river.onDrag(new FeedByHand());
  }

  @Override
  public String name() {
    return "Power";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    if (curves.isSelected()) return chart;
    return view.getCenter() == beginning ? inlet : river;
  }

  public DrawingPane river() {
    return river;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  private Optional<nelvar.core.network.Live> tried() {
    return session
        .map(Session::bench)
        .filter(bench -> !bench.trial().get().asDesigned())
        .map(bench -> bench.solved().get().live())
        .filter(nelvar.core.network.Live::settled);
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var selected = session.get().selection().get();
    var model =
        PowerModel.of(
            review.get(),
            new PowerModel.View(
                amps.isSelected(), dry.isSelected(), curves.isSelected(), selected, tried()));
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) take(model);
    shown = Optional.of(model);
    shownIn = theme;
    river.focusOn(selected);
  }

  private void take(PowerModel model) {
    summary.setText(model.summary());
    var picture =
        switch (model.picture()) {
          case NOTHING -> beginning;
          case RIVER -> river;
          case CURVES -> chart;
        };
    if (picture instanceof DrawingPane pane) pane.show(model.drawing(), theme);
    if (picture == beginning) inlet.show(model.drawing(), theme);
    view.setCenter(picture);
  }

  /// Shows the river, or time against current.
  public void showCurves(boolean on) {
    curves.setSelected(on);
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.POWER;
  }

  /// What is not fed is dragged onto the supply or the gate it shall hang on.
  private final class FeedByHand implements DrawingPane.Dragging {
    @Override
    public boolean takes(Drawing.Spot from) {
      return review
          .map(Review::study)
          .filter(study ->
              study.network().feeds(from.about()).stream()
                  .anyMatch(feed -> feed.state() != Feed.State.FED))
          .isPresent();
    }

    @Override
    public Drawing over(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      var line =
          Shape.line(
              from.x() + from.width() / 2,
              from.y(),
              x,
              y,
              new Shape.Pen(onto.isPresent() ? Ink.ACCENT : Ink.TEXT_FAINT, 2, 5));
      return new Drawing(
          river.drawing().width(), river.drawing().height(), List.of(line), List.of());
    }

    @Override
    public void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      session.ifPresent(s ->
          onto.filter(spot -> !spot.about().equals(from.about()))
              .ifPresent(spot -> s.composing().feedFrom(from.about(), spot.about())));
    }
  }
}
