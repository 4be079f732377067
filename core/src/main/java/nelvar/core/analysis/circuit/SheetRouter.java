package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import nelvar.core.analysis.circuit.CircuitSheet.Point;

/// Leads wires over the grid of one sheet: along lines that no other wire lies on, around symbols,
/// with few crossings and corners. What finds no short way is left to a reference.
final class SheetRouter {
  private static final int STEP = 2;
  private static final int CORNER = 3;
  private static final int CROSSING = 10;

  /// How far beside both ends a wire may go.
  private static final int AROUND = 14;

  /// A wire longer than this, or crossing more, is easier to follow by a reference.
  private static final int LONGEST = 150;

  private static final int MOST_CROSSINGS = 6;

  private static final int ACROSS = 0;
  private static final int DOWN = 1;

  private final int width;
  private final int height;
  private final boolean[] solid;
  private final boolean[] across;
  private final boolean[] down;
  private final int[] cost;
  private final int[] cameFrom;

  SheetRouter(int width, int height) {
    this.width = width + 1;
    this.height = height + 1;
    var nodes = this.width * this.height;
    solid = new boolean[nodes];
    across = new boolean[nodes];
    down = new boolean[nodes];
    cost = new int[2 * nodes];
    cameFrom = new int[2 * nodes];
  }

  private int node(int x, int y) {
    return y * width + x;
  }

  private boolean on(int x, int y) {
    return x >= 0 && x < width && y >= 0 && y < height;
  }

  /// Keeps wires out of an area, its edges included.
  void block(int left, int top, int right, int bottom) {
    for (var y = Math.max(0, top); y <= Math.min(height - 1, bottom); y++)
      for (var x = Math.max(0, left); x <= Math.min(width - 1, right); x++)
        solid[node(x, y)] = true;
  }

  /// Whether a wire can run straight down or up through all of these.
  boolean freeDown(int x, int y1, int y2) {
    for (var y = Math.min(y1, y2); y <= Math.max(y1, y2); y++)
      if (!on(x, y) || solid[node(x, y)] || down[node(x, y)]) return false;
    return true;
  }

  boolean freeAcross(int x1, int x2, int y) {
    for (var x = x1; x <= x2; x++)
      if (!on(x, y) || solid[node(x, y)] || across[node(x, y)]) return false;
    return true;
  }

  /// Whether nothing at all is there.
  boolean empty(int x, int y) {
    return on(x, y) && !solid[node(x, y)] && !across[node(x, y)] && !down[node(x, y)];
  }

  /// Takes the lines between these corners; at corners and ends nothing else may pass.
  void take(List<Point> points) {
    for (var i = 0; i + 1 < points.size(); i++) {
      var a = points.get(i);
      var b = points.get(i + 1);
      for (var x = Math.min(a.x(), b.x()); x <= Math.max(a.x(), b.x()); x++)
        for (var y = Math.min(a.y(), b.y()); y <= Math.max(a.y(), b.y()); y++)
          if (on(x, y)) (a.y() == b.y() ? across : down)[node(x, y)] = true;
    }
    for (var point : points)
      if (on(point.x(), point.y())) {
        across[node(point.x(), point.y())] = true;
        down[node(point.x(), point.y())] = true;
      }
  }

  /// A way between two nodes that both belong to the wire; empty where none is short enough.
  Optional<List<Point>> way(Point from, Point to) {
    var low = new Point(Math.min(from.x(), to.x()) - AROUND, Math.min(from.y(), to.y()) - AROUND);
    var high = new Point(Math.max(from.x(), to.x()) + AROUND, Math.max(from.y(), to.y()) + AROUND);
    Arrays.fill(cost, Integer.MAX_VALUE);
    var goal = node(to.x(), to.y());
    var start = 2 * node(from.x(), from.y()) + DOWN;
    var queue =
        new PriorityQueue<long[]>(
            java.util.Comparator.<long[]>comparingLong(e -> e[0]).thenComparingLong(e -> e[1]));
    cost[start] = 0;
    cameFrom[start] = -1;
    queue.add(new long[] {0, start});
    while (!queue.isEmpty()) {
      var state = (int) queue.remove()[1];
      var at = state / 2;
      if (at == goal) return ifShort(trace(state));
      var x = at % width;
      var y = at / width;
      var before = cost[state];
      for (var side = 0; side < 4; side++) {
        var nx = x + (side == 0 ? 1 : side == 1 ? -1 : 0);
        var ny = y + (side == 2 ? 1 : side == 3 ? -1 : 0);
        if (!on(nx, ny) || nx < low.x() || nx > high.x() || ny < low.y() || ny > high.y()) continue;
        var way = side < 2 ? ACROSS : DOWN;
        var turns = way != state % 2;
        if (turns && at != node(from.x(), from.y()) && (across[at] || down[at])) continue;
        var next = node(nx, ny);
        var ends = next == goal;
        if (!ends && (solid[next] || (way == ACROSS ? across : down)[next])) continue;
        var crosses = !ends && (way == ACROSS ? down : across)[next];
        var sum = before + STEP + (turns ? CORNER : 0) + (crosses ? CROSSING : 0);
        if (sum >= cost[2 * next + way]) continue;
        cost[2 * next + way] = sum;
        cameFrom[2 * next + way] = state;
        var rest = STEP * (Math.abs(nx - to.x()) + Math.abs(ny - to.y()));
        queue.add(new long[] {sum + rest, 2 * next + way});
      }
    }
    return Optional.empty();
  }

  private Optional<List<Point>> ifShort(List<Point> all) {
    var crossings = 0;
    for (var i = 1; i + 1 < all.size(); i++) {
      var at = node(all.get(i).x(), all.get(i).y());
      if (across[at] || down[at]) crossings++;
    }
    return all.size() > LONGEST || crossings > MOST_CROSSINGS
        ? Optional.empty()
        : Optional.of(corners(all));
  }

  private List<Point> trace(int end) {
    var all = new ArrayList<Point>();
    for (var state = end; state >= 0; state = cameFrom[state])
      all.add(new Point(state / 2 % width, state / 2 / width));
    return all.reversed();
  }

  /// Without what lies on a straight line between its neighbours.
  static List<Point> corners(List<Point> all) {
    var kept = new ArrayList<Point>();
    for (var point : all) {
      while (kept.size() > 1 && straight(kept.get(kept.size() - 2), kept.getLast(), point))
        kept.removeLast();
      if (kept.isEmpty() || !kept.getLast().equals(point)) kept.add(point);
    }
    return kept;
  }

  private static boolean straight(Point a, Point b, Point c) {
    return (a.x() == b.x() && b.x() == c.x()) || (a.y() == b.y() && b.y() == c.y());
  }
}
