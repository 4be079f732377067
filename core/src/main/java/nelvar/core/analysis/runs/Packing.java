package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.List;

/// Discs laid in a duct or a conduit as they would lie: the thickest first, each as low as it finds
/// place against walls and what lies already. Not the densest packing there is; none overlaps.
///
/// Millimetres; x to the right from the left wall, y upward from the floor; in a conduit both from
/// the left and lowest point of its inside.
public final class Packing {
  private static final double CLOSE = 1e-6;

  private Packing() {}

  /// @param of index of the disc as given
  public record Laid(int of, double x, double y, double radius) {
    double top() {
      return y + radius;
    }
  }

  private record Spot(double x, double y) {}

  /// In a trough of this width; it is as high as it must be.
  public static List<Laid> trough(List<Double> diameters, double width) {
    return laid(diameters, (r, on) -> troughSpots(r, on, width));
  }

  /// In a round conduit; what finds no place inside is left out.
  public static List<Laid> round(List<Double> diameters, double inner) {
    return laid(diameters, (r, on) -> roundSpots(r, on, inner / 2));
  }

  private interface Spots {
    List<Spot> of(double radius, List<Laid> on);
  }

  private static List<Laid> laid(List<Double> diameters, Spots spots) {
    var order = new ArrayList<Integer>();
    for (var i = 0; i < diameters.size(); i++) order.add(i);
    order.sort(java.util.Comparator.comparingDouble((Integer i) -> -diameters.get(i)));
    var on = new ArrayList<Laid>();
    for (var i : order) {
      var r = diameters.get(i) / 2;
      Spot best = null;
      for (var spot : spots.of(r, on)) {
        if (best != null && !lower(spot, best)) continue;
        if (free(spot, r, on)) best = spot;
      }
      if (best != null) on.add(new Laid(i, best.x(), best.y(), r));
    }
    return on;
  }

  private static boolean lower(Spot a, Spot b) {
    return a.y() < b.y() - CLOSE || (Math.abs(a.y() - b.y()) <= CLOSE && a.x() < b.x() - CLOSE);
  }

  private static boolean free(Spot spot, double r, List<Laid> on) {
    for (var other : on) {
      var apart = r + other.radius() - CLOSE;
      var dx = spot.x() - other.x();
      var dy = spot.y() - other.y();
      if (dx * dx + dy * dy < apart * apart) return false;
    }
    return true;
  }

  private static List<Spot> troughSpots(double r, List<Laid> on, double width) {
    var all = new ArrayList<Spot>();
    all.add(new Spot(Math.min(r, width / 2), r));
    for (var a : on) {
      // On the floor beside it, and on it against a wall.
      var reach = r + a.radius();
      beside(all, a, reach, r);
      against(all, a, reach, Math.min(r, width / 2));
      against(all, a, reach, width - r);
      for (var b : on) if (b.of() > a.of()) onBoth(all, a, b, r);
    }
    all.removeIf(s ->
        s.y() < r - CLOSE || (width >= 2 * r && (s.x() < r - CLOSE || s.x() > width - r + CLOSE)));
    return all;
  }

  private static void beside(List<Spot> all, Laid a, double reach, double y) {
    var dy = a.y() - y;
    if (Math.abs(dy) > reach) return;
    var dx = Math.sqrt(reach * reach - dy * dy);
    all.add(new Spot(a.x() + dx, y));
    all.add(new Spot(a.x() - dx, y));
  }

  private static void against(List<Spot> all, Laid a, double reach, double x) {
    var dx = a.x() - x;
    if (Math.abs(dx) > reach) return;
    all.add(new Spot(x, a.y() + Math.sqrt(reach * reach - dx * dx)));
  }

  /// Where a circle of this radius touches both, above and below.
  private static void onBoth(List<Spot> all, Laid a, Laid b, double r) {
    touching(all, a.x(), a.y(), a.radius() + r, b.x(), b.y(), b.radius() + r);
  }

  private static void touching(
      List<Spot> all, double x1, double y1, double r1, double x2, double y2, double r2) {
    var dx = x2 - x1;
    var dy = y2 - y1;
    var d = Math.hypot(dx, dy);
    if (d < CLOSE || d > r1 + r2 || d < Math.abs(r1 - r2)) return;
    var along = (d * d + r1 * r1 - r2 * r2) / (2 * d);
    var off = Math.sqrt(Math.max(0, r1 * r1 - along * along));
    var mx = x1 + along * dx / d;
    var my = y1 + along * dy / d;
    all.add(new Spot(mx - off * dy / d, my + off * dx / d));
    all.add(new Spot(mx + off * dy / d, my - off * dx / d));
  }

  private static List<Spot> roundSpots(double r, List<Laid> on, double inner) {
    var all = new ArrayList<Spot>();
    if (r > inner + CLOSE) return all;
    all.add(new Spot(inner, r));
    for (var a : on) {
      touching(all, inner, inner, inner - r, a.x(), a.y(), a.radius() + r);
      for (var b : on) if (b.of() > a.of()) onBoth(all, a, b, r);
    }
    all.removeIf(s -> Math.hypot(s.x() - inner, s.y() - inner) > inner - r + CLOSE);
    return all;
  }
}
