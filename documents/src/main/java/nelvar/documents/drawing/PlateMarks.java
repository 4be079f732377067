package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.space.Body;

/// What is marked on a plate, and of two the gap between them, as a layer over the picture.
public final class PlateMarks {
  private PlateMarks() {}

  /// @param bodies on one surface; the first is what the others are brought into line with
  public static Drawing of(List<Body> bodies, PlatePicture.Shown picture) {
    var shapes = new ArrayList<Shape>();
    picture
        .of(bodies.getFirst().surface())
        .ifPresent(area -> {
          for (var body : bodies) {
            var first = body.id().equals(bodies.getFirst().id());
            shapes.add(
                area.box(
                    body.box(),
                    2.5,
                    Optional.empty(),
                    Optional.of(Shape.Pen.of(Ink.ACCENT, first ? 3 : 1.8))));
          }
          if (bodies.size() == 2) tape(bodies.getFirst(), bodies.getLast(), area, shapes);
        });
    return new Drawing(picture.drawing().width(), picture.drawing().height(), shapes, List.of());
  }

  /// The gap, with its millimetres on it.
  private static void tape(Body a, Body b, PlateArea area, List<Shape> shapes) {
    var across = -a.box().across(b.box());
    var down = -a.box().along(b.box());
    if (across <= 0 && down <= 0) return;
    var sideways = across >= down;
    var left = Math.min(a.box().right(), b.box().right());
    var top = Math.min(a.box().bottom(), b.box().bottom());
    var x1 = sideways ? left : (a.box().middleX() + b.box().middleX()) / 2;
    var y1 = sideways ? (a.box().middleY() + b.box().middleY()) / 2 : top;
    var x2 = sideways ? left + across : x1;
    var y2 = sideways ? y1 : top + down;
    shapes.add(
        Shape.line(
            area.toX(x1), area.toY(y1), area.toX(x2), area.toY(y2), Shape.Pen.of(Ink.ACCENT, 1.6)));
    var words = "%.1f mm".formatted(sideways ? across : down);
    var width = Faces.width(words, Face.SEMIBOLD, 12) + 8;
    var x = area.toX((x1 + x2) / 2);
    var y = area.toY((y1 + y2) / 2);
    shapes.add(
        Shape.rounded(
            x - width / 2,
            y - 9,
            width,
            18,
            3,
            Optional.of(Ink.CARD),
            Optional.of(Shape.Pen.of(Ink.ACCENT, 0.8))));
    shapes.add(Shape.text(x, y + 4, words, Face.SEMIBOLD, 12, Ink.TEXT, Shape.Anchor.MIDDLE));
  }
}
