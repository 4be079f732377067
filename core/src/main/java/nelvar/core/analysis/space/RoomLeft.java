package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.units.Percent;

/// Room that is left on a plate for what comes later: the free length of its rails, and the height
/// below the last row, together as a share of the plate without its ducts.
public final class RoomLeft {
  /// Lower than this no row can be.
  private static final double ROW = 85;

  private RoomLeft() {}

  /// `1 − what bodies take with their sides / rail length`, rows that could still be added counted
  /// with; a plate without rails by the area of bodies with what they want free.
  public static Percent of(Cabinet cabinet, List<Body> bodies) {
    var plate = Fits.surface(cabinet, Surface.PLATE);
    var on = bodies.stream().filter(b -> b.surface() == Surface.PLATE).toList();
    var rails =
        cabinet.rails().stream()
            .filter(rail -> rail.surface() == Surface.PLATE && !rail.vertical())
            .toList();
    if (rails.isEmpty()) {
      var taken = on.stream().mapToDouble(b -> b.wanted().area()).sum();
      return Percent.ofFraction(Math.clamp(1 - taken / plate.area(), 0, 1));
    }
    var length = 0.0;
    var free = 0.0;
    for (var rail : rails) {
      length += Box.mm(rail.length());
      free += free(rail, on);
    }
    var last =
        java.util.stream.Stream.concat(
                on.stream().map(b -> b.box().bottom()),
                cabinet.ducts().stream()
                    .filter(d -> d.surface() == Surface.PLATE && !d.vertical())
                    .map(d -> Fits.box(d).bottom()))
            .max(Double::compare)
            .orElse(0.0);
    var mean = length / rails.size();
    var more = Math.floor((plate.height() - last) / (ROW + 40)) * mean;
    return Percent.ofFraction(Math.clamp((free + more) / (length + more), 0, 1));
  }

  /// Of one rail, where nothing stands before it, mm.
  private static double free(Cabinet.Rail rail, List<Body> on) {
    var y = Box.mm(rail.top());
    var from = Box.mm(rail.left());
    var to = from + Box.mm(rail.length());
    var taken =
        on.stream()
            .filter(b -> b.box().top() <= y && b.box().bottom() >= y)
            .map(b -> new double[] {Math.max(from, b.box().left()), Math.min(to, b.box().right())})
            .filter(span -> span[1] > span[0])
            .sorted(java.util.Comparator.comparingDouble(span -> span[0]))
            .toList();
    var at = from;
    var free = 0.0;
    for (var span : taken) {
      free += usable(span[0] - at);
      at = Math.max(at, span[1]);
    }
    return free + usable(to - at);
  }

  /// A gap narrower than a breaker holds nothing.
  private static double usable(double gap) {
    return gap >= 17.5 ? gap : 0;
  }

  static Optional<Cabinet.Rail> railUnder(Body body, Cabinet cabinet) {
    return cabinet.rails().stream()
        .filter(rail -> rail.surface() == body.surface())
        .filter(rail ->
            rail.vertical()
                ? body.box().left() <= Box.mm(rail.left())
                    && body.box().right() >= Box.mm(rail.left())
                    && body.box().top() >= Box.mm(rail.top()) - 1
                    && body.box().bottom() <= Box.mm(rail.top()) + Box.mm(rail.length()) + 1
                : body.box().top() <= Box.mm(rail.top())
                    && body.box().bottom() >= Box.mm(rail.top())
                    && body.box().left() >= Box.mm(rail.left()) - 1
                    && body.box().right() <= Box.mm(rail.left()) + Box.mm(rail.length()) + 1)
        .findFirst();
  }
}
