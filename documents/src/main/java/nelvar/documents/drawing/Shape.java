package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// One thing on a drawing; y grows downwards, units are those of the drawing.
public sealed interface Shape {
  enum Anchor {
    START,
    MIDDLE,
    END
  }

  /// @param dash lengths of dash and gap; 0 for a full line
  record Pen(Ink ink, double width, double dash) {
    public static Pen of(Ink ink, double width) {
      return new Pen(ink, width, 0);
    }
  }

  sealed interface Step {
    record Move(double x, double y) implements Step {}

    record Line(double x, double y) implements Step {}

    record Curve(double x1, double y1, double x2, double y2, double x, double y) implements Step {}

    record Close() implements Step {}
  }

  record Path(List<Step> steps, Optional<Ink> fill, Optional<Pen> pen) implements Shape {
    public Path {
      steps = List.copyOf(steps);
    }
  }

  /// @param x left end, middle or right end by `anchor`; of one that is turned, its base line
  /// @param y the base line; of one that is turned, its lower end, middle or upper end
  /// @param turned read from the right side of the sheet, from below upwards (ISO 128)
  record Label(
      double x,
      double y,
      String text,
      Face face,
      double size,
      Ink ink,
      Anchor anchor,
      boolean turned)
      implements Shape {
    /// How far it reaches: left, top, right, bottom.
    public double[] bounds() {
      var width = Faces.width(text, face, size);
      var before =
          switch (anchor) {
            case START -> 0.0;
            case MIDDLE -> width / 2;
            case END -> width;
          };
      return turned
          ? new double[] {x - ABOVE * size, y + before - width, x + BELOW * size, y + before}
          : new double[] {x - before, y - ABOVE * size, x - before + width, y + BELOW * size};
    }

    /// Of capitals, and of what hangs below the line, as shares of the size.
    private static final double ABOVE = 0.75;

    private static final double BELOW = 0.22;
  }

  static Shape line(double x1, double y1, double x2, double y2, Pen pen) {
    return new Path(
        List.of(new Step.Move(x1, y1), new Step.Line(x2, y2)), Optional.empty(), Optional.of(pen));
  }

  static Shape rectangle(
      double x, double y, double width, double height, Optional<Ink> fill, Optional<Pen> pen) {
    return new Path(
        List.of(
            new Step.Move(x, y),
            new Step.Line(x + width, y),
            new Step.Line(x + width, y + height),
            new Step.Line(x, y + height),
            new Step.Close()),
        fill,
        pen);
  }

  /// Corners cut by quarter circles of radius `r`.
  static Shape rounded(
      double x,
      double y,
      double width,
      double height,
      double r,
      Optional<Ink> fill,
      Optional<Pen> pen) {
    var k = r * 0.4477;
    var steps = new ArrayList<Step>();
    steps.add(new Step.Move(x + r, y));
    steps.add(new Step.Line(x + width - r, y));
    steps.add(new Step.Curve(x + width - k, y, x + width, y + k, x + width, y + r));
    steps.add(new Step.Line(x + width, y + height - r));
    steps.add(
        new Step.Curve(
            x + width, y + height - k, x + width - k, y + height, x + width - r, y + height));
    steps.add(new Step.Line(x + r, y + height));
    steps.add(new Step.Curve(x + k, y + height, x, y + height - k, x, y + height - r));
    steps.add(new Step.Line(x, y + r));
    steps.add(new Step.Curve(x, y + k, x + k, y, x + r, y));
    steps.add(new Step.Close());
    return new Path(steps, fill, pen);
  }

  static Shape circle(double x, double y, double r, Optional<Ink> fill, Optional<Pen> pen) {
    return rounded(x - r, y - r, 2 * r, 2 * r, r, fill, pen);
  }

  /// A band of changing height between two upright edges: a river's arm.
  static Shape band(
      double x1, double top1, double bottom1, double x2, double top2, double bottom2, Ink fill) {
    var half = (x2 - x1) / 2;
    return new Path(
        List.of(
            new Step.Move(x1, top1),
            new Step.Curve(x1 + half, top1, x2 - half, top2, x2, top2),
            new Step.Line(x2, bottom2),
            new Step.Curve(x2 - half, bottom2, x1 + half, bottom1, x1, bottom1),
            new Step.Close()),
        Optional.of(fill),
        Optional.empty());
  }

  static Shape polygon(Optional<Ink> fill, Optional<Pen> pen, double... xy) {
    var steps = new ArrayList<Step>();
    for (var i = 0; i < xy.length; i += 2)
      steps.add(i == 0 ? new Step.Move(xy[0], xy[1]) : new Step.Line(xy[i], xy[i + 1]));
    steps.add(new Step.Close());
    return new Path(steps, fill, pen);
  }

  static Shape text(double x, double y, String text, Face face, double size, Ink ink) {
    return new Label(x, y, text, face, size, ink, Anchor.START, false);
  }

  static Shape text(
      double x, double y, String text, Face face, double size, Ink ink, Anchor anchor) {
    return new Label(x, y, text, face, size, ink, anchor, false);
  }

  /// Read from the right side of the sheet, beginning at `y` and going up.
  static Shape turned(double x, double y, String text, Face face, double size, Ink ink) {
    return new Label(x, y, text, face, size, ink, Anchor.START, true);
  }
}
