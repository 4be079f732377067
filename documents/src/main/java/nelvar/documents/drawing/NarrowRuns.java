package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import nelvar.core.analysis.space.Body;

/// Bodies too narrow for letters are named in runs: `K10…K15` below the row.
final class NarrowRuns {
  /// Narrower bodies hold no letter, px.
  static final double LEAST = 6.4;

  private static final double NEIGHBOURS = 4;

  private final List<Body> bodies;
  private final PlateArea area;

  NarrowRuns(List<Body> bodies, PlateArea area) {
    this.bodies =
        bodies.stream()
            .filter(b -> b.box().width() * area.scale() < LEAST)
            .sorted(
                Comparator.comparingDouble((Body b) -> Math.round(b.box().middleY()))
                    .thenComparingDouble(b -> b.box().left()))
            .toList();
    this.area = area;
  }

  void write(List<Shape> shapes) {
    var run = new ArrayList<Body>();
    for (var body : bodies) {
      if (!run.isEmpty() && !beside(run.getLast(), body)) {
        name(run, shapes);
        run.clear();
      }
      run.add(body);
    }
    if (!run.isEmpty()) name(run, shapes);
  }

  private static boolean beside(Body a, Body b) {
    return Math.abs(a.box().middleY() - b.box().middleY()) < 1
        && b.box().left() - a.box().right() < NEIGHBOURS;
  }

  private void name(List<Body> run, List<Shape> shapes) {
    var first = run.getFirst();
    var last = run.getLast();
    var text =
        run.size() == 1
            ? first.name()
            : "%s…%s".formatted(first.name(), last.name().replaceFirst("^-", ""));
    shapes.add(
        Shape.text(
            area.toX((first.box().left() + last.box().right()) / 2),
            area.toY(first.box().bottom()) + 11,
            text,
            Face.MONO_BOLD,
            10,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
  }
}
