package nelvar.desktop.app;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.PathTo;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.MeterBar;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PathStrip;

/// The meter and the path strip below the stage. It folds to one line, and stays so; by itself it
/// is open while anything is tried, and while a way is shown.
final class Foot extends VBox {
  private final DrawingPane strip =
      new DrawingPane("The way of the current to the selection and back", false);
  private final ScrollPane stripScroll = new ScrollPane(strip);
  private final Label hint = new Label();
  private final MeterBar meter = new MeterBar();
  private final Button fold = new Button();
  private final Places places;
  private Optional<Drawn> drawn = Optional.empty();
  private String stage = "";
  private boolean wayShown;

  private record Drawn(Session session, Review review, Theme theme) {}

  /// @param select what pressing on the strip does
  Foot(Places places, Consumer<Id> select) {
    this.places = places;
    getStyleClass().add("path-strip");
    hint.getStyleClass().add("soft");
    hint.setMinWidth(0);
    HBox.setHgrow(hint, Priority.ALWAYS);
    hint.setMaxWidth(Double.MAX_VALUE);
    fold.setId("fold");
    fold.getStyleClass().add("link");
    fold.setMinWidth(Region.USE_PREF_SIZE);
    fold.setOnAction(_ -> toggle());
    var line = new HBox(10, hint, fold);
    line.getStyleClass().add("foot-line");
    stripScroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    stripScroll.setFocusTraversable(false);
    stripScroll.setPrefHeight(PathStrip.HEIGHT + 12);
    stripScroll.setMinHeight(PathStrip.HEIGHT + 12);
    strip.setId("path-strip");
    strip.onSelect(select);
    getChildren().addAll(meter, line, stripScroll);
  }

  void show(String name, Session session, Review review, Theme theme) {
    stage = name;
    drawn = Optional.of(new Drawn(session, review, theme));
    path(session, review, theme);
    meter.show(session);
    folded();
  }

  void focusMeter() {
    open();
    meter.first().requestFocus();
    meter.first().selectAll();
  }

  void focusPath() {
    open();
    strip.requestFocus();
  }

  private void open() {
    if (isFolded()) toggle();
  }

  /// Folds or opens it in stages of this kind, from now on.
  private void toggle() {
    places.folded(kind(), !isFolded());
    folded();
  }

  /// Papers and pins want the room for themselves, and so do functions until a way is shown.
  private String kind() {
    return switch (stage) {
      case "Brief", "Pack" -> "papers";
      case "Parts" -> "functions";
      case "Signals", "Motion", "Panel", "Runs", "Quiet", "Stop", "Circuits" -> "signals";
      default -> "pictures";
    };
  }

  private boolean isFolded() {
    var tried = drawn.map(d -> !d.session().bench().trial().get().asDesigned()).orElse(false);
    return !tried && !wayShown && places.folded(kind());
  }

  private void folded() {
    var closed = isFolded();
    meter.setVisible(!closed);
    meter.setManaged(!closed);
    var something = !closed && !strip.drawing().spots().isEmpty();
    stripScroll.setVisible(something);
    stripScroll.setManaged(something);
    fold.setText(closed ? "Meter and path ▴" : "Fold ▾");
    fold.setAccessibleText(closed ? "Show meter and path" : "Fold meter and path to one line");
  }

  private void path(Session session, Review review, Theme theme) {
    var selected = session.selection().get();
    var function = selected.flatMap(id -> session.project().plan().function(id));
    var subject =
        function.isPresent()
            ? fullestOf(function.get().id(), review.study())
            : selected.or(() -> fullestLoad(review));
    var standing = session.project().plan();
    if (function.flatMap(f -> standing.mark(f.id())).isPresent()
        && review.project().plan().function(function.get().id()).isEmpty()) {
      hint.setText(
          "%s is %s: it is not in %s."
              .formatted(
                  function.get().designation(),
                  standing.mark(function.get().id()).orElseThrow().words(),
                  session.horizon().get().sentence()));
      wayShown = false;
      strip.show(new Drawing(10, PathStrip.HEIGHT, List.of(), List.of()), theme);
      return;
    }
    var tried = session.bench().solved().get().live();
    var settled = tried.settled();
    var live = settled ? tried : review.study().asDesigned();
    wayShown = function.isPresent() && proposed(session, function.get(), theme);
    if (wayShown) return;
    var path = subject.flatMap(id -> PathTo.of(id, review.study(), live));
    if (path.isEmpty()) {
      hint.setText(
          function.isPresent()
              ? "Nothing feeds %s yet: the ways to make it work stand on the right."
                  .formatted(function.get().designation())
              : selected.isPresent()
                  ? "No source reaches "
                      + review.study().label(selected.get())
                      + ", or it carries no load."
                  : "Select a device or wire to see the way of the current to it and back.");
      strip.show(new Drawing(10, PathStrip.HEIGHT, List.of(), List.of()), theme);
      return;
    }
    hint.setText(
        path.get().title()
            + (session.bench().trial().get().asDesigned()
                ? ""
                : settled
                    ? ", as tried; dashed: no volts"
                    : ", as designed: what is tried has no steady state"));
    strip.show(PathStrip.of(path.get(), live, selected), theme);
    strip.focusOn(selected);
    Platform.runLater(() -> reveal(selected));
  }

  /// Scrolls the path strip so that the selection is in view.
  private void reveal(Optional<Id> selected) {
    var spot = selected.flatMap(strip.drawing()::spot);
    var free = strip.drawing().width() - stripScroll.getViewportBounds().getWidth();
    if (spot.isEmpty() || free <= 0) {
      stripScroll.setHvalue(0);
      return;
    }
    var middle = spot.get().x() + spot.get().width() / 2;
    stripScroll.setHvalue(
        Math.clamp((middle - stripScroll.getViewportBounds().getWidth() / 2) / free, 0, 1));
  }

  /// The way of the current as the best way for a function would make it; what is new is dashed.
  private boolean proposed(Session session, MachineFunction function, Theme theme) {
    var first =
        session
            .composing()
            .known(function.id())
            .flatMap(found -> found.ways().stream().findFirst());
    if (first.isEmpty()) return false;
    var after = first.get().after();
    var path =
        fullestOf(function.id(), after).flatMap(id -> PathTo.of(id, after, after.asDesigned()));
    if (path.isEmpty()) return false;
    var before = session.project();
    hint.setText(
        "As it would be by the first way: %s (dashed: new)".formatted(lower(path.get().title())));
    strip.show(
        PathStrip.of(
            path.get(), after.asDesigned(), Optional.empty(), id -> first.get().adds(id, before)),
        theme);
    return true;
  }

  private static String lower(String text) {
    return text.isEmpty() ? text : Character.toLowerCase(text.charAt(0)) + text.substring(1);
  }

  /// The device of a function that takes most.
  private static Optional<Id> fullestOf(Id function, Study study) {
    return FunctionEdits.served(study.project(), function).stream()
        .flatMap(device -> study.network().feeds(device.id()).stream())
        .filter(feed -> feed.source().isPresent())
        .max(Comparator.comparingDouble(feed -> study.designPower(feed).watts()))
        .map(feed -> feed.device().id());
  }

  private static Optional<Id> fullestLoad(Review review) {
    return review.study().network().feeds().stream()
        .filter(feed -> feed.source().isPresent())
        .max(Comparator.comparingDouble(feed -> review.study().designPower(feed).watts()))
        .map(feed -> feed.device().id());
  }
}
