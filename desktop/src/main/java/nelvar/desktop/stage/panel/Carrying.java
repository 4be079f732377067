package nelvar.desktop.stage.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Carried;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.Fixture;
import nelvar.core.analysis.space.Snap;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.DeviceHeat;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.session.Session;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.PlateArea;
import nelvar.documents.drawing.PlatePicture;
import nelvar.documents.drawing.Shape;

/// Dragging a part over the plate, the door or a wall: it snaps, shows what is in its way, how far
/// it is from its neighbours and how warm it would stand; let go, it is placed, as one step.
final class Carrying implements DrawingPane.Dragging {
  private final Supplier<Optional<PlatePicture.Shown>> shown;
  private final Supplier<Optional<Study>> study;
  private final Supplier<Optional<Session>> session;

  Carrying(
      Supplier<Optional<PlatePicture.Shown>> shown,
      Supplier<Optional<Study>> study,
      Supplier<Optional<Session>> session) {
    this.shown = shown;
    this.study = study;
    this.session = session;
  }

  @Override
  public boolean takes(Drawing.Spot from) {
    return study.get().flatMap(s -> s.device(from.about())).isPresent()
        || shown.get().flatMap(p -> fixture(from, p)).isPresent();
  }

  /// The rail or the duct there.
  private static Optional<Fixture> fixture(Drawing.Spot from, PlatePicture.Shown picture) {
    return picture.areas().stream()
        .findFirst()
        .flatMap(area -> Fixture.of(area.cabinet(), from.about()));
  }

  /// It, as it would come to rest with its middle there; along its own length it goes with the hand
  /// from where that took it.
  private Optional<Fixture> resting(Drawing.Spot from, double x, double y) {
    var picture = shown.get();
    if (picture.isEmpty()) return Optional.empty();
    return fixture(from, picture.get())
        .flatMap(fixture ->
            picture
                .get()
                .of(fixture.surface())
                .map(area -> {
                  var box = fixture.box();
                  return fixture.rest(
                      fixture.upright() || box.width() < 200
                          ? area.leftOf(x) - box.width() / 2
                          : box.left(),
                      fixture.upright() && box.height() >= 200
                          ? box.top()
                          : area.topOf(y) - box.height() / 2);
                }));
  }

  /// It, as it would come to rest with its middle there.
  Optional<Body> resting(Id device, double x, double y) {
    if (shown.get().isEmpty() || study.get().isEmpty()) return Optional.empty();
    var snapshot = study.get().get();
    return shown
        .get()
        .get()
        .at(x, y)
        .flatMap(area ->
            body(device, area, snapshot)
                .map(body -> {
                  var moved =
                      body.movedTo(
                          area.leftOf(x) - body.box().width() / 2,
                          area.topOf(y) - body.box().height() / 2);
                  return Snap.rest(moved, area.cabinet(), Bodies.of(snapshot).in(area.cabinet()));
                }));
  }

  private static Optional<Body> body(Id id, PlateArea area, Study study) {
    var zero = new nelvar.core.units.Length(0);
    var at =
        study
            .project()
            .layout()
            .placement(id)
            .filter(p -> p.cabinet().equals(area.cabinet().id()))
            .map(p -> p.movedTo(area.surface(), zero, zero))
            .orElseGet(() -> Placement.at(id, area.cabinet().id(), area.surface(), zero, zero));
    return Bodies.body(at, study);
  }

  @Override
  public Drawing over(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
    var shapes = new ArrayList<Shape>();
    var body = resting(from.about(), x, y);
    var fixture = resting(from, x, y);
    if (fixture.isPresent()) ghost(fixture.get(), shapes);
    else if (body.isPresent()) {
      var picture = shown.get().orElseThrow();
      var area =
          picture.areas().stream()
              .filter(a -> a.surface() == body.get().surface())
              .findFirst()
              .orElseThrow();
      ghost(body.get(), area, shapes);
    } else
      shapes.add(
          Shape.circle(
              x, y, 6, Optional.of(Ink.ACCENT_SOFT), Optional.of(Shape.Pen.of(Ink.ACCENT, 1.4))));
    var size = shown.get().map(PlatePicture.Shown::drawing);
    return new Drawing(
        size.map(Drawing::width).orElse(1.0),
        size.map(Drawing::height).orElse(1.0),
        shapes,
        List.of());
  }

  private void ghost(Fixture fixture, List<Shape> shapes) {
    var area = shown.get().orElseThrow().of(fixture.surface()).orElseThrow();
    var box = fixture.box();
    shapes.add(
        area.box(box, 2, Optional.of(Ink.ACCENT_SOFT), Optional.of(Shape.Pen.of(Ink.ACCENT, 2))));
    var along = fixture.carries(study.get().orElseThrow()).size();
    label(
        "%s: %.0f, %.0f mm%s"
            .formatted(
                fixture.name(),
                box.left(),
                box.top(),
                along == 0 ? "" : ", with " + along + (along == 1 ? " part" : " parts")),
        area,
        area.leftEdge(box),
        box.top(),
        box.bottom(),
        Ink.ACCENT,
        shapes);
  }

  /// Above it, or below where there is no room.
  private static void label(
      String words,
      PlateArea area,
      double left,
      double top,
      double bottom,
      Ink ink,
      List<Shape> shapes) {
    var y = area.toY(top) - 8;
    if (y < area.y() + 12) y = area.toY(bottom) + 16;
    var width = nelvar.documents.drawing.Faces.width(words, Face.SEMIBOLD, 12) + 10;
    var x = Math.max(4, left - 4);
    shapes.add(
        Shape.rounded(
            x, y - 13, width, 18, 3, Optional.of(Ink.CARD), Optional.of(Shape.Pen.of(ink, 0.8))));
    shapes.add(Shape.text(x + 5, y, words, Face.SEMIBOLD, 12, Ink.TEXT));
  }

  private void ghost(Body body, PlateArea area, List<Shape> shapes) {
    var snapshot = study.get().orElseThrow();
    var fits = Fits.in(area.cabinet(), snapshot);
    var over = fits.over(body);
    var crowds = fits.crowds(body);
    var ink = !over.isEmpty() ? Ink.ERROR : !crowds.isEmpty() ? Ink.WARNING : Ink.ACCENT;
    var wanted = body.wanted();
    shapes.add(area.box(wanted, 3, Optional.empty(), Optional.of(new Shape.Pen(ink, 1, 3))));
    var box = body.box();
    shapes.add(
        area.box(
            box,
            2,
            Optional.of(over.isEmpty() ? Ink.ACCENT_SOFT : Ink.ERROR_SOFT),
            Optional.of(Shape.Pen.of(ink, 2))));
    shapes.add(
        Shape.line(
            area.x(),
            area.toY(box.middleY()),
            area.x() + area.width(),
            area.toY(box.middleY()),
            new Shape.Pen(ink, 0.7, 4)));
    var wires = body.surface() == Surface.PLATE ? Carried.of(body, snapshot) : List.<Carried>of();
    follow(wires, area, shapes);
    var words =
        words(body, over, crowds, area, snapshot)
            + Carried.words(wires).map(text -> "; " + text).orElse("");
    label(words, area, area.leftEdge(box), box.top(), box.bottom(), ink, shapes);
    warmed(body, area, shapes);
  }

  /// Its wires, each the way it would run from there.
  private static void follow(List<Carried> wires, PlateArea area, List<Shape> shapes) {
    var pen = Shape.Pen.of(Ink.ACCENT, wires.size() > 8 ? 0.8 : 1.4);
    for (var wire : wires)
      for (var i = 0; i + 1 < wire.corners().size(); i++) {
        var a = wire.corners().get(i);
        var b = wire.corners().get(i + 1);
        shapes.add(
            Shape.line(area.toX(a.x()), area.toY(a.y()), area.toX(b.x()), area.toY(b.y()), pen));
      }
  }

  /// How much warmer what stands above a hot part gets.
  private void warmed(Body body, PlateArea area, List<Shape> shapes) {
    var snapshot = study.get().orElseThrow();
    var watts =
        body.device().map(device -> DeviceHeat.of(device, snapshot).value().watts()).orElse(0.0);
    if (!body.surface().inside() || CabinetAir.of(area.cabinet(), snapshot).stirred()) return;
    for (var other : Bodies.of(snapshot).in(area.cabinet())) {
      if (other.id().equals(body.id()) || other.surface() != body.surface()) continue;
      PartAir.plume(body, watts, other)
          .filter(kelvin -> kelvin >= 1)
          .ifPresent(kelvin -> {
            var box = other.box();
            shapes.add(
                area.box(box, 2, Optional.empty(), Optional.of(Shape.Pen.of(Ink.HEAT_HIGH, 2))));
            shapes.add(
                Shape.text(
                    area.toX(box.middleX()),
                    area.toY(box.top()) - 3,
                    "+%.0f K".formatted(kelvin),
                    Face.SEMIBOLD,
                    11,
                    Ink.TEXT,
                    Shape.Anchor.MIDDLE));
          });
    }
  }

  private static String words(
      Body body,
      List<Fits.InTheWay> over,
      List<Fits.InTheWay> crowds,
      PlateArea area,
      Study study) {
    var where = "%.0f, %.0f mm".formatted(body.box().left(), body.box().top());
    if (!over.isEmpty()) return where + ": over " + over.getFirst().name();
    if (!crowds.isEmpty())
      return "%s: %.0f mm short to %s"
          .formatted(where, crowds.getFirst().missing(), crowds.getFirst().name());
    if (!body.surface().inside()) return where;
    var air = PartAir.of(body, CabinetAir.of(area.cabinet(), study), study);
    return "%s, air %s".formatted(where, air.expected());
  }

  @Override
  public void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
    session
        .get()
        .ifPresent(to -> {
          to.selection().set(Optional.of(from.about()));
          resting(from, x, y).ifPresent(f -> to.edit(f.moved(study.get().orElseThrow())));
          resting(from.about(), x, y)
              .ifPresent(body ->
                  body.device().ifPresent(device -> to.edit(LayoutEdits.place(device, body.at()))));
        });
  }
}
