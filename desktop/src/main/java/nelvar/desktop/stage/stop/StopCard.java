package nelvar.desktop.stage.stop;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.formula.Stopping;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.desktop.control.TrailView;

/// Below the lanes: what happens moment by moment, the lane that is looked at with its working, and
/// the way back.
final class StopCard extends VBox {
  private static final String CAUTION =
      "Nelvar certifies nothing: somebody qualified designs, validates and signs a stop, to local law. Lock off, wait, prove dead.";

  private final VBox moments = new VBox(2);
  private final VBox middle = new VBox(4);
  private final VBox back = new VBox(4);

  StopCard() {
    getStyleClass().add("pin-card");
    setId("stop-card");
    setPadding(new Insets(10, 18, 10, 18));
    setSpacing(8);
    setPrefHeight(206);
    setMinHeight(150);
    var columns = new HBox(18);
    VBox.setVgrow(columns, Priority.ALWAYS);
    var caution = words(CAUTION);
    caution.getStyleClass().add("caution");
    caution.setMaxWidth(Double.MAX_VALUE);
    getChildren().addAll(columns, caution);
    for (var column : List.of(moments, middle, back)) {
      var scroll = new ScrollPane(column);
      scroll.setFitToWidth(true);
      scroll.getStyleClass().add("plain");
      scroll.setPrefWidth(240);
      HBox.setHgrow(scroll, Priority.ALWAYS);
      columns.getChildren().add(scroll);
    }
  }

  void show(StopRehearsal rehearsal, List<String> wayBack, Optional<Course> lane) {
    moments.getChildren().setAll(title("What happens"));
    for (var moment : rehearsal.slow().moments())
      moments.getChildren().add(row(new Duration(moment.at().seconds()).toString(), moment.what()));
    if (rehearsal.slow().endless())
      moments.getChildren().add(words("and so on: things go on happening"));
    middle
        .getChildren()
        .setAll(
            title(lane.map(l -> l.names() + " " + l.what()).orElse("A lane, with its working")));
    if (lane.isEmpty())
      middle.getChildren().add(words("Select a lane: click it, or walk with the arrow keys."));
    lane.ifPresent(it -> {
      middle.getChildren().add(words(it.ends()));
      for (var assumed : it.assumed()) middle.getChildren().add(words("Assumed: " + assumed + "."));
      it.trail()
          .filter(trail -> !trail.lines().isEmpty())
          .ifPresent(trail -> middle.getChildren().add(new TrailView(trail)));
    });
    back.getChildren().setAll(title("And back"));
    for (var i = 0; i < wayBack.size(); i++)
      back.getChildren().add(row((i + 1) + ".", wayBack.get(i)));
    if (wayBack.isEmpty()) back.getChildren().add(words("Nothing has to be reset or homed."));
  }

  /// How far away a hand has to be, where every stop is known to end.
  void distance(StopMatrix matrix) {
    moments.getChildren().setAll(title("How to read it"));
    moments
        .getChildren()
        .add(
            words(
                "Seconds until it stands, is held or has no power, at the slowest; millimetres it sinks until its brake holds; filled: it keeps its volts."));
    middle.getChildren().setAll(title("How far away a hand has to be"));
    var slowest = matrix.slowest();
    middle
        .getChildren()
        .add(
            words(
                slowest
                    .map(t ->
                        "All that a stop takes stands after %s. A light curtain of 14 mm then needs %s, one of 40 mm %s, a field coarser than 40 mm %s (ISO 13855, from memory; with the time of the curtain itself added)."
                            .formatted(
                                t,
                                Stopping.distance(t, Length.ofMillimetres(14)),
                                Stopping.distance(t, Length.ofMillimetres(40)),
                                Stopping.distance(t, Length.ofMillimetres(50))))
                    .orElse(
                        "Not known: for something that a stop takes nobody said how long it runs on. A stop-watch says it: 'coasts 4 s' with its function.")));
    back.getChildren()
        .setAll(
            title("Before you believe it"),
            words(
                "Programs go on as before in all of this: what a controller does besides counts for nothing. Times of coils, brakes and capacitors that no part states are those of their kind, from memory."));
  }

  private static Node row(String left, String right) {
    var at = new Label(left);
    at.getStyleClass().add("soft");
    at.setMinWidth(left.endsWith(".") ? 16 : 52);
    var what = words(right);
    HBox.setHgrow(what, Priority.ALWAYS);
    return new HBox(6, at, what);
  }

  private static Label title(String text) {
    var label = new Label(text);
    label.getStyleClass().addAll("strong", "wrapping");
    return label;
  }

  private static Label words(String text) {
    var label = new Label(text);
    label.getStyleClass().add("wrapping");
    return label;
  }
}
