package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.Fits;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.units.Significant;

/// One surface of a cabinet as it is built: rails, ducts, bodies and names in thin lines, measured
/// from its left and its upper edge. In mm of paper.
public final class PlateDrawing {
  private static final double EDGE = 22;
  private static final double SMALL = 2.3;
  private static final double NAME = 2.5;

  private PlateDrawing() {}

  /// The surfaces of a cabinet with something on them.
  public static List<Surface> surfaces(Cabinet cabinet, Study study) {
    var bodies = Bodies.of(study).in(cabinet);
    return java.util.Arrays.stream(Surface.values())
        .filter(surface -> surface != Surface.OUTSIDE)
        .filter(surface -> bodies.stream().anyMatch(b -> b.surface() == surface))
        .toList();
  }

  /// @param width of the paper it may take, mm
  /// @param height that it may take
  public static Drawing of(
      Cabinet cabinet, Surface surface, Study study, double width, double height) {
    return of(cabinet, surface, false, study, width, height);
  }

  /// A door as whoever wires it sees it; measures from the edge that is left then.
  public static Drawing fromInside(Cabinet cabinet, Study study, double width, double height) {
    return of(cabinet, Surface.DOOR, true, study, width, height);
  }

  private static Drawing of(
      Cabinet cabinet, Surface surface, boolean inside, Study study, double width, double height) {
    var outer = Fits.surface(cabinet, surface);
    var scale = Math.min((width - EDGE - 4) / outer.width(), (height - EDGE - 4) / outer.height());
    var area = new PlateArea(cabinet, surface, EDGE, EDGE, scale, inside);
    var shapes = new ArrayList<Shape>();
    shapes.add(
        Shape.rectangle(
            area.x(),
            area.y(),
            area.width(),
            area.height(),
            Optional.empty(),
            Optional.of(Shape.Pen.of(Ink.TEXT, 0.4))));
    Background.draw(cabinet, area, 0.15, shapes);
    for (var rail : cabinet.rails()) if (rail.surface() == surface) rail(rail, area, shapes);
    for (var duct : cabinet.ducts())
      if (duct.surface() == surface)
        shapes.add(
            area.box(
                Fits.box(duct),
                0,
                Optional.of(Ink.PAPER),
                Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 0.25))));
    var bodies = Bodies.of(study).in(cabinet).stream().filter(b -> b.surface() == surface).toList();
    for (var body : bodies) body(body, area, shapes);
    dimensions(cabinet, bodies, area, shapes);
    return new Drawing(EDGE + area.width() + 4, EDGE + area.height() + 4, shapes, List.of());
  }

  private static void rail(Cabinet.Rail rail, PlateArea area, List<Shape> shapes) {
    var x = area.toX(Box.mm(rail.left()));
    var y = area.toY(Box.mm(rail.top()));
    var length = Box.mm(rail.length()) * area.scale();
    shapes.add(
        Shape.line(
            x,
            y,
            rail.vertical() ? x : x + (area.mirrored() ? -length : length),
            rail.vertical() ? y + length : y,
            new Shape.Pen(Ink.TEXT_SOFT, 0.2, 2)));
  }

  private static void body(Body body, PlateArea area, List<Shape> shapes) {
    shapes.add(
        area.box(
            body.box(),
            0,
            Optional.of(Ink.CARD),
            Optional.of(new Shape.Pen(Ink.TEXT, 0.3, body.later() ? 1.5 : 0))));
    var letters = body.name().startsWith("-") ? body.name().substring(1) : body.name();
    var wide = body.box().width() * area.scale();
    var x = area.toX(body.box().middleX());
    if (Faces.width(letters, Face.MONO, NAME) <= wide - 0.4) {
      shapes.add(
          Shape.text(
              x,
              area.toY(body.box().middleY()) + 0.9,
              letters,
              Face.MONO,
              NAME,
              Ink.TEXT,
              Shape.Anchor.MIDDLE));
      return;
    }
    var y = area.toY(body.box().middleY()) - letters.length() * 1.1 + 1.9;
    var size = Math.min(2, wide * 1.5);
    for (var i = 0; i < letters.length(); i++)
      shapes.add(
          Shape.text(
              x,
              y + i * 2.2,
              letters.substring(i, i + 1),
              Face.MONO,
              size,
              Ink.TEXT,
              Shape.Anchor.MIDDLE));
  }

  /// From the upper edge: rails by their middle, level ducts by their upper edge. From the left
  /// edge: upright ducts. Whole measures along both edges.
  private static void dimensions(
      Cabinet cabinet, List<Body> bodies, PlateArea area, List<Shape> shapes) {
    var outer = Fits.surface(cabinet, area.surface());
    var down = new java.util.TreeMap<Double, String>();
    var across = new java.util.TreeMap<Double, String>();
    for (var rail : cabinet.rails())
      if (rail.surface() == area.surface() && !rail.vertical())
        down.put(Box.mm(rail.top()), "rail ");
    for (var duct : cabinet.ducts()) {
      if (duct.surface() != area.surface()) continue;
      if (duct.vertical()) across.put(fromLeft(Box.mm(duct.left()), area), "");
      else down.put(Box.mm(duct.top()), "");
    }
    if (area.surface() != Surface.PLATE)
      for (var body : bodies) {
        down.put(body.box().middleY(), "");
        across.put(fromLeft(body.box().middleX(), area), "");
      }
    down.put(outer.height(), "");
    across.put(outer.width(), "");
    var last = -10.0;
    for (var entry : down.entrySet()) {
      var y = area.toY(entry.getKey());
      shapes.add(Shape.line(area.x() - 3, y, area.x(), y, Shape.Pen.of(Ink.TEXT_SOFT, 0.15)));
      if (y - last < SMALL) continue;
      last = y;
      shapes.add(
          Shape.text(
              area.x() - 3.6,
              y + 0.8,
              entry.getValue() + mm(entry.getKey()),
              Face.TEXT,
              SMALL,
              Ink.TEXT,
              Shape.Anchor.END));
    }
    last = -20;
    for (var entry : across.entrySet()) {
      var x = area.x() + entry.getKey() * area.scale();
      shapes.add(Shape.line(x, area.y() - 3, x, area.y(), Shape.Pen.of(Ink.TEXT_SOFT, 0.15)));
      if (x - last < 7) continue;
      last = x;
      shapes.add(
          Shape.text(
              x,
              area.y() - 4,
              mm(entry.getKey()),
              Face.TEXT,
              SMALL,
              Ink.TEXT,
              Shape.Anchor.MIDDLE));
    }
  }

  private static double fromLeft(double mm, PlateArea area) {
    return area.mirrored() ? area.width() / area.scale() - mm : mm;
  }

  private static String mm(double value) {
    return Significant.exact(Math.round(value * 10) / 10.0);
  }
}
