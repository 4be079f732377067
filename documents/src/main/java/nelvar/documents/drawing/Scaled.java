package nelvar.documents.drawing;

import java.util.ArrayList;

/// A shape moved and scaled.
public final class Scaled {
  private Scaled() {}

  public static Shape at(Shape shape, double x, double y, double scale) {
    return switch (shape) {
      case Shape.Label(
              var lx,
              var ly,
              var text,
              var face,
              var size,
              var ink,
              var anchor,
              var turned) ->
          new Shape.Label(
              x + lx * scale, y + ly * scale, text, face, size * scale, ink, anchor, turned);
      case Shape.Path(var steps, var fill, var pen) -> {
        var moved = new ArrayList<Shape.Step>();
        for (var step : steps) {
          moved.add(
              switch (step) {
                case Shape.Step.Move(var px, var py) ->
                    new Shape.Step.Move(x + px * scale, y + py * scale);
                case Shape.Step.Line(var px, var py) ->
                    new Shape.Step.Line(x + px * scale, y + py * scale);
                case Shape.Step.Curve(var x1, var y1, var x2, var y2, var px, var py) ->
                    new Shape.Step.Curve(
                        x + x1 * scale,
                        y + y1 * scale,
                        x + x2 * scale,
                        y + y2 * scale,
                        x + px * scale,
                        y + py * scale);
                case Shape.Step.Close close -> close;
              });
        }
        yield new Shape.Path(
            moved, fill, pen.map(p -> new Shape.Pen(p.ink(), p.width() * scale, p.dash() * scale)));
      }
    };
  }
}
