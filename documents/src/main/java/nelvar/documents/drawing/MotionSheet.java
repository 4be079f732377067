package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;

/// What the parts of a picture of an axis are drawn on: shapes, and words that are cut to their
/// room.
final class MotionSheet {
  static final double SMALL = 12;
  static final double EDGE = 16;

  private final List<Shape> shapes = new ArrayList<>();

  List<Shape> shapes() {
    return List.copyOf(shapes);
  }

  void add(Shape shape) {
    shapes.add(shape);
  }

  void text(double x, double y, String text, Face face, double size, Ink ink, double most) {
    shapes.add(Shape.text(x, y, Faces.fit(text, face, size, most), face, size, ink));
  }

  void middle(double x, double y, String text, Face face, double size, Ink ink, double most) {
    shapes.add(
        Shape.text(x, y, Faces.fit(text, face, size, most), face, size, ink, Shape.Anchor.MIDDLE));
  }
}
