package nelvar.documents.export;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.Fixture;
import nelvar.core.analysis.space.Holes;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;

/// One surface of a cabinet as DXF with text, release 12, in millimetres from its lower left
/// corner: outline, rails, ducts, parts with their names, holes and cut-outs, each on a layer of
/// its own name.
public final class DxfExport {
  private static final List<String> LAYERS =
      List.of("EDGE", "RAILS", "DUCTS", "PARTS", "NAMES", "HOLES", "FRONTS", "LATER", "BACKGROUND");
  private static final double LETTERS = 6;

  private final DxfWriter to;

  private DxfExport(Box room) {
    to = new DxfWriter(room.width(), room.height(), LAYERS);
  }

  public static String write(Cabinet cabinet, Surface surface, Study study) {
    var room = Fits.surface(cabinet, surface);
    var dxf = new DxfExport(room);
    dxf.box("EDGE", room);
    for (var stroke : cabinet.background()) if (stroke.surface() == surface) dxf.stroke(stroke);
    for (var rail : cabinet.rails())
      if (rail.surface() == surface)
        Fixture.of(cabinet, rail.id()).ifPresent(fixture -> dxf.box("RAILS", fixture.box()));
    for (var duct : cabinet.ducts())
      if (duct.surface() == surface) dxf.box("DUCTS", Fits.box(duct));
    for (var body : Bodies.of(study).in(cabinet)) if (body.surface() == surface) dxf.body(body);
    for (var hole : Holes.of(cabinet, surface, study)) dxf.hole(hole);
    return dxf.to.end();
  }

  private void body(Body body) {
    box(body.later() ? "LATER" : "PARTS", body.box());
    to.pair(0, "TEXT");
    to.pair(8, "NAMES");
    to.point(10, body.box().middleX(), body.box().middleY());
    to.pair(
        40,
        DxfWriter.n(
            Math.min(LETTERS, body.box().width() * 1.2 / Math.max(1, body.name().length()))));
    to.pair(1, DxfWriter.plain(body.name()));
    to.pair(72, "1");
    to.pair(73, "2");
    to.point(11, body.box().middleX(), body.box().middleY());
  }

  private void hole(Holes.Hole hole) {
    switch (hole.kind()) {
      case RAIL, ROUND -> {
        to.pair(0, "CIRCLE");
        to.pair(8, "HOLES");
        to.point(10, hole.x(), hole.y());
        to.pair(40, DxfWriter.n(hole.width() / 2));
      }
      case FRONT, BODY ->
          box(
              "FRONTS",
              new Box(
                  hole.x() - hole.width() / 2,
                  hole.y() - hole.height() / 2,
                  hole.width(),
                  hole.height()));
      case MARKED -> {
        // From the part itself: nobody knows its holes.
      }
    }
  }

  private void box(String layer, Box box) {
    to.begin(layer, true);
    to.corner(layer, box.left(), box.top());
    to.corner(layer, box.right(), box.top());
    to.corner(layer, box.right(), box.bottom());
    to.corner(layer, box.left(), box.bottom());
    to.end(layer);
  }

  private void stroke(Cabinet.Stroke stroke) {
    to.begin("BACKGROUND", false);
    for (var point : stroke.points())
      to.corner("BACKGROUND", Box.mm(point.left()), Box.mm(point.top()));
    to.end("BACKGROUND");
  }
}
