package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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
    return places(body, cabinet, fits, step).stream()
        .sorted(Comparator.comparingDouble(Point::far))
        .map(point -> body.movedTo(point.left(), point.top()))
        .filter(right)
        .findFirst();
  }

  /// @param far from where the body stands, mm
  private record Point(double left, double top, double far) {}

  /// What is free, row by row.
  private static List<Point> places(Body body, Cabinet cabinet, Fits fits, double step) {
    var box = body.box();
    var all = new ArrayList<Point>();
    var rails =
        body.onRail()
            ? cabinet.rails().stream()
                .filter(rail -> rail.surface() == body.surface() && !rail.vertical())
                .toList()
            : List.<Cabinet.Rail>of();
    for (var rail : rails) {
      var from = Box.mm(rail.left());
      var top = Box.mm(rail.top()) - box.height() / 2;
      row(body, fits, top, from, from + Box.mm(rail.length()), step, all);
    }
    if (rails.isEmpty()) {
      var surface = Fits.surface(cabinet, body.surface());
      for (var top = 0.0; top + box.height() <= surface.height(); top += step)
        row(body, fits, top, 0, surface.width(), step, all);
    }
    return all;
  }

  /// What is in the way is passed in one stride.
  private static void row(
      Body body, Fits fits, double top, double from, double to, double step, List<Point> all) {
    var box = body.box();
    for (var n = 0; from + n * step + box.width() <= to + 1e-9; ) {
      var left = from + n * step;
      var past = fits.past(body, left, top);
      if (past == left)
        all.add(new Point(left, top, Math.hypot(left - box.left(), top - box.top())));
      if (Double.isInfinite(past)) return;
      n = Math.max(n + 1, (int) Math.ceil((past - from) / step - 1e-9));
    }
  }
}
