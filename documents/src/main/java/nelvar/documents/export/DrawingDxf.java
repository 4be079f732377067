package nelvar.documents.export;

import java.util.List;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;

/// A drawing as DXF, as large as on paper (96 pixels an inch): lines on one layer, texts on
/// another. Fills are left out, and curves are drawn in short lines.
public final class DrawingDxf {
  private static final double PIXEL = 25.4 / 96;
  private static final String LINES = "LINES";
  private static final String TEXTS = "TEXTS";

  /// Short lines a curve.
  private static final int CURVE = 6;

  /// Height of capitals by the size of the letters.
  private static final double CAPITALS = 0.7;

  private final DxfWriter to;
  private final double mm;

  private DrawingDxf(Drawing drawing, double mm) {
    this.mm = mm;
    to = new DxfWriter(drawing.width() * mm, drawing.height() * mm, List.of(LINES, TEXTS));
  }

  /// Of a drawing in pixels.
  public static String write(Drawing drawing) {
    return write(drawing, PIXEL);
  }

  /// Of a drawing in millimetres.
  public static String toScale(Drawing drawing) {
    return write(drawing, 1);
  }

  private static String write(Drawing drawing, double mm) {
    var dxf = new DrawingDxf(drawing, mm);
    for (var shape : drawing.shapes())
      switch (shape) {
        case Shape.Label label -> dxf.label(label);
        case Shape.Path path -> {
          if (path.pen().isPresent()) dxf.path(path);
        }
      }
    return dxf.to.end();
  }

  private void label(Shape.Label label) {
    if (label.text().isBlank()) return;
    to.text(
        TEXTS,
        label.x() * mm,
        label.y() * mm,
        label.size() * CAPITALS * mm,
        label.text(),
        switch (label.anchor()) {
          case START -> 0;
          case MIDDLE -> 1;
          case END -> 2;
        },
        label.turned());
  }

  private void path(Shape.Path path) {
    var closed = path.steps().stream().anyMatch(Shape.Step.Close.class::isInstance);
    var open = false;
    var x = 0.0;
    var y = 0.0;
    for (var step : path.steps())
      switch (step) {
        case Shape.Step.Move move -> {
          if (open) to.end(LINES);
          to.begin(LINES, closed);
          open = true;
          x = move.x();
          y = move.y();
          corner(x, y);
        }
        case Shape.Step.Line line -> {
          x = line.x();
          y = line.y();
          corner(x, y);
        }
        case Shape.Step.Curve curve -> {
          for (var i = 1; i <= CURVE; i++) {
            var t = (double) i / CURVE;
            corner(
                on(t, x, curve.x1(), curve.x2(), curve.x()),
                on(t, y, curve.y1(), curve.y2(), curve.y()));
          }
          x = curve.x();
          y = curve.y();
        }
        case Shape.Step.Close _ -> {
          // Said at its beginning.
        }
      }
    if (open) to.end(LINES);
  }

  private static double on(double t, double a, double b, double c, double d) {
    var u = 1 - t;
    return u * u * u * a + 3 * u * u * t * b + 3 * u * t * t * c + t * t * t * d;
  }

  private void corner(double x, double y) {
    to.corner(LINES, x * mm, y * mm);
  }
}
