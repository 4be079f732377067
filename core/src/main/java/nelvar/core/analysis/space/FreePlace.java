package nelvar.core.analysis.space;

import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cabinet;

/// The nearest free place for something that cannot stay where it is: on a rail where it wants one,
/// in steps of 10 mm, else of 5 mm, so that it has its room and takes nobody else's.
public final class FreePlace {
  private static final double STEP = 10;

  private FreePlace() {}

  /// @param right what else has to hold there
  public static Optional<Body> near(
      Body body, Cabinet cabinet, Study study, Predicate<Body> right) {
    return near(body, cabinet, Fits.in(cabinet, study), right);
  }

  /// Finer where the first look finds none: a gap may be just as wide as it must.
  public static Optional<Body> near(Body body, Cabinet cabinet, Fits fits, Predicate<Body> right) {
    return near(body, cabinet, fits, right, STEP)
        .or(() -> near(body, cabinet, fits, right, STEP / 2));
  }

  private static Optional<Body> near(
      Body body, Cabinet cabinet, Fits fits, Predicate<Body> right, double step) {
    var surface = Fits.surface(cabinet, body.surface());
    var best = Optional.<Body>empty();
    var least = Double.POSITIVE_INFINITY;
    var rails =
        body.onRail()
            ? cabinet.rails().stream()
                .filter(rail -> rail.surface() == body.surface() && !rail.vertical())
                .toList()
            : java.util.List.<Cabinet.Rail>of();
    var tops = new java.util.ArrayList<double[]>();
    for (var rail : rails)
      tops.add(
          new double[] {
            Box.mm(rail.top()) - body.box().height() / 2,
            Box.mm(rail.left()),
            Box.mm(rail.left()) + Box.mm(rail.length())
          });
    if (rails.isEmpty())
      for (var top = 0.0; top + body.box().height() <= surface.height(); top += step)
        tops.add(new double[] {top, 0, surface.width()});
    for (var row : tops)
      for (var left = row[1]; left + body.box().width() <= row[2] + 1e-9; left += step) {
        var far = Math.hypot(left - body.box().left(), row[0] - body.box().top());
        if (far >= least) continue;
        var there = body.movedTo(left, row[0]);
        if (!fits.free(there) || !right.test(there)) continue;
        least = far;
        best = Optional.of(there);
      }
    return best;
  }
}
