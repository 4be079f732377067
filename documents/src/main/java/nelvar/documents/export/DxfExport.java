package nelvar.documents.export;

import java.util.List;
import java.util.Locale;
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

  private final StringBuilder text = new StringBuilder();
  private final double height;

  private DxfExport(double height) {
    this.height = height;
  }

  public static String write(Cabinet cabinet, Surface surface, Study study) {
    var room = Fits.surface(cabinet, surface);
    var dxf = new DxfExport(room.height());
    dxf.begin(room);
    dxf.box("EDGE", room);
    for (var stroke : cabinet.background()) if (stroke.surface() == surface) dxf.stroke(stroke);
    for (var rail : cabinet.rails())
      if (rail.surface() == surface)
        Fixture.of(cabinet, rail.id()).ifPresent(fixture -> dxf.box("RAILS", fixture.box()));
    for (var duct : cabinet.ducts())
      if (duct.surface() == surface) dxf.box("DUCTS", Fits.box(duct));
    for (var body : Bodies.of(study).in(cabinet)) if (body.surface() == surface) dxf.body(body);
    for (var hole : Holes.of(cabinet, surface, study)) dxf.hole(hole);
    dxf.pair(0, "ENDSEC");
    dxf.pair(0, "EOF");
    return dxf.text.toString();
  }

  private void begin(Box room) {
    pair(0, "SECTION");
    pair(2, "HEADER");
    pair(9, "$INSUNITS");
    pair(70, "4");
    pair(9, "$EXTMIN");
    pair(10, "0");
    pair(20, "0");
    pair(9, "$EXTMAX");
    pair(10, n(room.width()));
    pair(20, n(room.height()));
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "TABLES");
    pair(0, "TABLE");
    pair(2, "LTYPE");
    pair(70, "1");
    pair(0, "LTYPE");
    pair(2, "CONTINUOUS");
    pair(70, "0");
    pair(3, "Solid line");
    pair(72, "65");
    pair(73, "0");
    pair(40, "0");
    pair(0, "ENDTAB");
    pair(0, "TABLE");
    pair(2, "LAYER");
    pair(70, String.valueOf(LAYERS.size()));
    for (var i = 0; i < LAYERS.size(); i++) {
      pair(0, "LAYER");
      pair(2, LAYERS.get(i));
      pair(70, "0");
      pair(62, String.valueOf(1 + i % 7));
      pair(6, "CONTINUOUS");
    }
    pair(0, "ENDTAB");
    pair(0, "ENDSEC");
    pair(0, "SECTION");
    pair(2, "ENTITIES");
  }

  private void body(Body body) {
    box(body.later() ? "LATER" : "PARTS", body.box());
    pair(0, "TEXT");
    pair(8, "NAMES");
    point(10, body.box().middleX(), body.box().middleY());
    pair(40, n(Math.min(LETTERS, body.box().width() * 1.2 / Math.max(1, body.name().length()))));
    pair(1, plain(body.name()));
    pair(72, "1");
    pair(73, "2");
    point(11, body.box().middleX(), body.box().middleY());
  }

  private void hole(Holes.Hole hole) {
    switch (hole.kind()) {
      case RAIL, ROUND -> {
        pair(0, "CIRCLE");
        pair(8, "HOLES");
        point(10, hole.x(), hole.y());
        pair(40, n(hole.width() / 2));
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
    begin(layer, true);
    corner(layer, box.left(), box.top());
    corner(layer, box.right(), box.top());
    corner(layer, box.right(), box.bottom());
    corner(layer, box.left(), box.bottom());
    end(layer);
  }

  private void stroke(Cabinet.Stroke stroke) {
    begin("BACKGROUND", false);
    for (var point : stroke.points())
      corner("BACKGROUND", Box.mm(point.left()), Box.mm(point.top()));
    end("BACKGROUND");
  }

  private void begin(String layer, boolean closed) {
    pair(0, "POLYLINE");
    pair(8, layer);
    pair(66, "1");
    pair(10, "0");
    pair(20, "0");
    pair(30, "0");
    pair(70, closed ? "1" : "0");
  }

  private void corner(String layer, double x, double y) {
    pair(0, "VERTEX");
    pair(8, layer);
    point(10, x, y);
  }

  private void end(String layer) {
    pair(0, "SEQEND");
    pair(8, layer);
  }

  /// Drawings count upwards.
  private void point(int code, double x, double y) {
    pair(code, n(x));
    pair(code + 10, n(height - y));
    pair(code + 20, "0");
  }

  private void pair(int code, String value) {
    text.append(String.format(Locale.ROOT, "%3d", code))
        .append("\r\n")
        .append(value)
        .append("\r\n");
  }

  /// Release 12 knows no letters beyond ASCII.
  private static String plain(String name) {
    var plain = new StringBuilder();
    name.codePoints()
        .forEach(c ->
            plain.append(c >= 32 && c < 127 ? Character.toString(c) : "\\U+%04X".formatted(c)));
    return plain.toString();
  }

  private static String n(double value) {
    var text = String.format(Locale.ROOT, "%.3f", value).replaceFirst("\\.?0+$", "");
    return text.isEmpty() || text.equals("-0") ? "0" : text;
  }
}
