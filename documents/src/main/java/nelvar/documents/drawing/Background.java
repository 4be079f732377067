package nelvar.documents.drawing;

import java.util.List;
import nelvar.core.analysis.space.Box;
import nelvar.core.model.Cabinet;

/// Outlines that were read from a drawing, behind everything else.
final class Background {
  private Background() {}

  static void draw(Cabinet cabinet, PlateArea area, double width, List<Shape> shapes) {
    for (var stroke : cabinet.background()) {
      if (stroke.surface() != area.surface()) continue;
      for (var i = 1; i < stroke.points().size(); i++) {
        var from = stroke.points().get(i - 1);
        var to = stroke.points().get(i);
        shapes.add(
            Shape.line(
                area.toX(Box.mm(from.left())),
                area.toY(Box.mm(from.top())),
                area.toX(Box.mm(to.left())),
                area.toY(Box.mm(to.top())),
                Shape.Pen.of(Ink.TEXT_FAINT, width)));
      }
    }
  }
}
