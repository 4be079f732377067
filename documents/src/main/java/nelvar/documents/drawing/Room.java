package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;

/// What of a drawing is taken by lines and texts: so that what is written last stands on nothing.
final class Room {
  private final List<double[]> taken = new ArrayList<>();

  Room(List<Shape> shapes) {
    for (var shape : shapes)
      switch (shape) {
        case Shape.Label label -> taken.add(label.bounds());
        case Shape.Path path -> path(path);
      }
  }

  /// Lines, not what they enclose: a frame takes nothing within.
  private void path(Shape.Path path) {
    var x = 0.0;
    var y = 0.0;
    var firstX = 0.0;
    var firstY = 0.0;
    for (var step : path.steps())
      switch (step) {
        case Shape.Step.Move(var nx, var ny) -> {
          x = firstX = nx;
          y = firstY = ny;
        }
        case Shape.Step.Line(var nx, var ny) -> {
          line(x, y, nx, ny);
          x = nx;
          y = ny;
        }
        case Shape.Step.Curve(var _, var _, var _, var _, var nx, var ny) -> {
          line(x, y, nx, ny);
          x = nx;
          y = ny;
        }
        case Shape.Step.Close() -> line(x, y, firstX, firstY);
      }
  }

  private void line(double x1, double y1, double x2, double y2) {
    take(
        new double[] {
          Math.min(x1, x2) - 0.2,
          Math.min(y1, y2) - 0.2,
          Math.max(x1, x2) + 0.2,
          Math.max(y1, y2) + 0.2
        });
  }

  void take(double[] box) {
    taken.add(box);
  }

  boolean free(double[] box) {
    return taken.stream()
        .noneMatch(t -> t[0] < box[2] && box[0] < t[2] && t[1] < box[3] && box[1] < t[3]);
  }
}
