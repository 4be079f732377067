package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import nelvar.core.model.Cabinet;

/// Where something comes to rest that is let go near a rail, a neighbour or an edge, and what rows
/// are spread and closed up by.
public final class Snap {
  /// A rail draws from so far, mm.
  private static final double RAIL = 45;

  /// A neighbour or an edge draws from so far, mm.
  private static final double EDGE = 7;

  private Snap() {}

  /// @param body where the hand is
  /// @param others what stands on the same surface
  public static Body rest(Body body, Cabinet cabinet, List<Body> others) {
    var top = body.box().top();
    var left = body.box().left();
    if (body.onRail()) {
      var best = RAIL;
      for (var rail : cabinet.rails()) {
        if (rail.surface() != body.surface() || rail.vertical()) continue;
        var there = Box.mm(rail.top()) - body.box().height() / 2;
        var far = Math.abs(there - body.box().top());
        if (far < best) {
          best = far;
          top = there;
        }
      }
    } else {
      var tops = new ArrayList<Double>();
      for (var other : others)
        if (other.surface() == body.surface() && !other.id().equals(body.id()))
          tops.add(other.box().middleY() - body.box().height() / 2);
      top = drawn(top, tops);
    }
    var lefts = new ArrayList<Double>();
    for (var other : others) {
      if (other.surface() != body.surface() || other.id().equals(body.id())) continue;
      if (other.box().movedTo(0, other.box().top()).along(body.box().movedTo(0, top)) <= 0)
        continue;
      lefts.add(other.box().right() + Math.max(other.room().right(), body.room().left()));
      lefts.add(
          other.box().left()
              - body.box().width()
              - Math.max(other.room().left(), body.room().right()));
    }
    for (var duct : cabinet.ducts())
      if (duct.surface() == body.surface() && duct.vertical()) {
        lefts.add(Fits.box(duct).right() + body.room().left());
        lefts.add(Fits.box(duct).left() - body.box().width() - body.room().right());
      }
    return body.movedTo(
        Math.max(0, Math.round(drawn(left, lefts) * 2) / 2.0),
        Math.max(0, Math.round(top * 2) / 2.0));
  }

  private static double drawn(double from, List<Double> to) {
    return to.stream()
        .filter(there -> Math.abs(there - from) < EDGE)
        .min(Comparator.comparingDouble(there -> Math.abs(there - from)))
        .orElse(from);
  }

  /// What stands in one row with it, from left to right, itself among them: their heights overlap
  /// by more than half of the lower.
  public static List<Body> row(Body body, List<Body> others) {
    return others.stream()
        .filter(other -> other.surface() == body.surface() && !other.later())
        .filter(other ->
            other.box().along(body.box()) > Math.min(other.box().height(), body.box().height()) / 2)
        .sorted(Comparator.comparingDouble(other -> other.box().left()))
        .toList();
  }

  /// The same row with as much room between each two as they want, from where its first stands.
  public static List<Body> closedUp(List<Body> row) {
    var next = new ArrayList<Body>();
    for (var body : row) {
      if (next.isEmpty()) {
        next.add(body);
        continue;
      }
      var before = next.getLast();
      next.add(
          body.movedTo(
              before.box().right() + Math.max(before.room().right(), body.room().left()),
              body.box().top()));
    }
    return next;
  }

  /// The same row with equal gaps between its first and its last, never less than they want.
  public static List<Body> spread(List<Body> row) {
    if (row.size() < 3) return row;
    var closed = closedUp(row);
    var slack = (row.getLast().box().right() - closed.getLast().box().right()) / (row.size() - 1);
    if (slack <= 0) return row;
    var next = new ArrayList<Body>();
    for (var i = 0; i < closed.size(); i++)
      next.add(
          closed
              .get(i)
              .movedTo(
                  Math.round((closed.get(i).box().left() + i * slack) * 2) / 2.0,
                  closed.get(i).box().top()));
    return next;
  }
}
