package nelvar.core.compose.place;

import java.util.List;
import nelvar.core.analysis.space.FieldTerminals;
import nelvar.core.analysis.space.FilterNear;
import nelvar.core.analysis.space.PowerIn;
import nelvar.core.analysis.space.QuietApart;
import nelvar.core.analysis.space.RoomKept;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.analysis.thermal.PartAir;

/// Rows of items as they come to stand in a frame, and what that costs.
final class Decoded {
  /// Of a rule that is broken, whatever it is: dearer than any wire it might save.
  private static final double BROKEN = 15;

  /// Of two neighbours that are not of a kind, and of a kind that stands in one row more.
  private static final double MIXED = 0.25;

  private static final double SPREAD = 1.2;

  /// Of room, as the rule on it asks, a little more.
  private static final double WANTED_FREE = RoomKept.KEPT.fraction() + 0.01;

  private static final double LEAST_ROW = 125;

  private final List<Item> items;
  private final Links links;
  private final Frame frame;
  private final Wanted wanted;
  private final Groups groups;

  final double[] left;
  final double[] middle;
  final int[] row;
  final double[] ducts;
  double overflow;
  double copper;
  double cost;
  int broken;

  enum Exit {
    TOP,
    BOTTOM,
    LEFT,
    RIGHT
  }

  Decoded(List<Item> items, Links links, Frame frame, Wanted wanted, Groups groups) {
    this.items = items;
    this.links = links;
    this.frame = frame;
    this.wanted = wanted;
    this.groups = groups;
    left = new double[items.size()];
    middle = new double[items.size()];
    row = new int[items.size()];
    ducts = new double[items.size() + 2];
  }

  /// Lays the rows out; the first duct of `ducts` lies above the first row, used or not.
  void lay(int[][] rows) {
    overflow = 0;
    broken = 0;
    mixed = 0;
    free = 0;
    var y = 0.0;
    if (frame.topDuct()) {
      ducts[0] = y + frame.duct() / 2;
      y += frame.duct();
    } else ducts[0] = Double.NaN;
    var count = 0;
    for (var r = 0; r < rows.length; r++) {
      if (rows[r].length == 0) continue;
      var up = 0.0;
      var down = 0.0;
      for (var i : rows[r]) {
        var item = items.get(i);
        var half = item.height() / 2;
        var above = item.above();
        if (count == 0 && !frame.topDuct()) above = Math.max(0, above - frame.over());
        up = Math.max(up, half + above);
        down = Math.max(down, half + item.below());
      }
      pack(rows[r], y + up, count);
      y += up + down;
      ducts[count + 1] = y + frame.duct() / 2;
      y += frame.duct();
      count++;
    }
    overflow += Math.max(0, y - frame.height());
    bottom = y;
    this.rows = count;
  }

  int rows;
  private int mixed;
  private double free;
  private double bottom;

  private void pack(int[] members, double middleLine, int r) {
    var x = frame.from();
    var free = 0.0;
    var before = -1;
    for (var i : members) {
      var item = items.get(i);
      if (before >= 0 && before != item.rank()) mixed++;
      before = item.rank();
      x += Math.max(free, item.left());
      left[i] = x;
      middle[i] = middleLine;
      row[i] = r;
      x += item.width();
      free = item.right();
    }
    var end = frame.rightDuct() ? free : Math.max(0, free - frame.over());
    overflow += Math.max(0, x + end - frame.to());
    this.free += Math.max(0, frame.to() - x);
  }

  void rate() {
    copper = 0;
    for (var pair : links.pairs()) copper += pair[2] * between(pair[0], pair[1]);
    for (var i = 0; i < items.size(); i++) {
      if (links.toMachine(i) > 0) copper += links.toMachine(i) * toExit(i);
      if (links.toDoor(i) > 0)
        copper += links.toDoor(i) * toEdge(i, groups.hingeLeft(), frame.height() / 2);
    }
    cost =
        wanted.copper() * copper / 1000
            + 40 * overflow
            + (overflow > 0 ? 60 : 0)
            + noise()
            + heat()
            + near()
            + order()
            + kinds()
            + full();
  }

  private double noise() {
    var sum = 0.0;
    for (var q : groups.quiet())
      for (var d : groups.dirty()) {
        var gap = gap(q, d);
        if (gap >= QuietApart.APART) continue;
        broken++;
        sum += BROKEN + wanted.noise() * (1 - gap / QuietApart.APART);
      }
    return sum;
  }

  private double gap(int a, int b) {
    var across = Math.max(left[a], left[b]) - Math.min(right(a), right(b));
    var along = Math.max(top(a), top(b)) - Math.min(bottom(a), bottom(b));
    return Math.hypot(Math.max(0, across), Math.max(0, along));
  }

  private double heat() {
    var sum = 0.0;
    for (var h : groups.hot()) {
      var hot = items.get(h);
      sum += wanted.high() * hot.watts() / 10 * middle[h] / frame.height();
      for (var d : groups.delicate()) {
        if (d == h) continue;
        var above = top(h) - bottom(d);
        if (above < 0 || Math.min(right(h), right(d)) <= Math.max(left[h], left[d])) continue;
        var kelvin = PartAir.plume(hot.watts(), hot.width(), hot.depth(), above);
        if (kelvin <= HeatBelow.LET_BE) continue;
        broken++;
        sum += BROKEN + wanted.heat() * (kelvin - HeatBelow.LET_BE);
      }
    }
    return sum;
  }

  private double near() {
    var sum = 0.0;
    for (var pair : links.filtered()) {
      var gap = gap(pair[0], pair[1]);
      if (gap <= FilterNear.NEAR) continue;
      broken++;
      sum += BROKEN + 3 * (gap - FilterNear.NEAR) / 100;
    }
    return sum;
  }

  /// Power in at one end, field terminals at the side cables leave, the order of a builder's hand.
  private double order() {
    var sum = 0.0;
    for (var i = 0; i < items.size(); i++) {
      var item = items.get(i);
      if (item.inlet()) {
        var edge =
            Math.min(
                Math.min(left[i], frame.width() - right(i)),
                Math.min(top(i), frame.height() - bottom(i)));
        sum += 6 * Math.max(0, edge - 2 * frame.duct()) / 100;
        for (var j = 0; j < items.size(); j++)
          if (items.get(j).field() && gap(i, j) < PowerIn.APART) sum += BROKEN;
      }
      if (item.field()) {
        var away = away(i);
        if (away > FieldTerminals.HALF) sum += BROKEN * (FieldTerminals.HALF + away);
      }
    }
    return sum;
  }

  /// How far of the plate it stands from where cables leave.
  private double away(int i) {
    return switch (groups.exit()) {
      case BOTTOM -> 1 - middle[i] / frame.height();
      case TOP -> middle[i] / frame.height();
      case LEFT -> centre(i) / frame.width();
      case RIGHT -> 1 - centre(i) / frame.width();
    };
  }

  /// Room that is to be left, and is not.
  private double full() {
    var row = frame.to() - frame.from();
    var more = Math.floor(Math.max(0, frame.height() - bottom) / LEAST_ROW);
    var share = (free + more * row) / ((rows + more) * row);
    return wanted.room() * Math.max(0, WANTED_FREE - share);
  }

  /// Like stands beside like.
  private double kinds() {
    var sum = 0.0;
    var seen = new int[Item.FIELD + 1];
    for (var i = 0; i < items.size(); i++) seen[items.get(i).rank()] |= 1 << Math.min(30, row[i]);
    for (var bits : seen) sum += SPREAD * Math.max(0, Integer.bitCount(bits) - 1);
    return sum + MIXED * mixed;
  }

  private double right(int i) {
    return left[i] + items.get(i).width();
  }

  private double top(int i) {
    return middle[i] - items.get(i).height() / 2;
  }

  private double bottom(int i) {
    return middle[i] + items.get(i).height() / 2;
  }

  private double centre(int i) {
    return left[i] + items.get(i).width() / 2;
  }

  private boolean above(int i) {
    var item = items.get(i);
    return !Double.isNaN(ducts[row[i]]) && (item.top() || !item.bottom());
  }

  private boolean below(int i) {
    return items.get(i).bottom() || Double.isNaN(ducts[row[i]]);
  }

  private double lead(int i, int duct) {
    return Math.abs(ducts[duct] - middle[i]) - items.get(i).height() / 2;
  }

  private double between(int a, int b) {
    var best = Double.POSITIVE_INFINITY;
    for (var p = 0; p < 2; p++) {
      if (p == 0 ? !above(a) : !below(a)) continue;
      var da = row[a] + p;
      for (var q = 0; q < 2; q++) {
        if (q == 0 ? !above(b) : !below(b)) continue;
        var db = row[b] + q;
        best = Math.min(best, lead(a, da) + lead(b, db) + along(da, centre(a), db, centre(b)));
      }
    }
    return best;
  }

  private double along(int da, double xa, int db, double xb) {
    if (da == db) return Math.abs(xa - xb);
    var height = Math.abs(ducts[da] - ducts[db]);
    var best = Double.POSITIVE_INFINITY;
    if (frame.leftDuct())
      best = Math.abs(xa - frame.leftLine()) + Math.abs(xb - frame.leftLine()) + height;
    if (frame.rightDuct())
      best =
          Math.min(
              best, Math.abs(xa - frame.rightLine()) + Math.abs(xb - frame.rightLine()) + height);
    return best;
  }

  private double toExit(int i) {
    return switch (groups.exit()) {
      case BOTTOM -> toDuct(i, rows, frame.width() / 2);
      case TOP ->
          frame.topDuct() ? toDuct(i, 0, frame.width() / 2) : toDuct(i, 1, frame.width() / 2);
      case LEFT -> toEdge(i, true, frame.height() / 2);
      case RIGHT -> toEdge(i, false, frame.height() / 2);
    };
  }

  private double toDuct(int i, int duct, double x) {
    var best = Double.POSITIVE_INFINITY;
    for (var p = 0; p < 2; p++) {
      if (p == 0 ? !above(i) : !below(i)) continue;
      var own = row[i] + p;
      best = Math.min(best, lead(i, own) + along(own, centre(i), duct, x));
    }
    return best;
  }

  /// To the upright duct at an edge, at a height.
  private double toEdge(int i, boolean leftEdge, double y) {
    var line = leftEdge ? frame.leftLine() : frame.rightLine();
    var best = Double.POSITIVE_INFINITY;
    for (var p = 0; p < 2; p++) {
      if (p == 0 ? !above(i) : !below(i)) continue;
      var own = row[i] + p;
      best = Math.min(best, lead(i, own) + Math.abs(centre(i) - line) + Math.abs(ducts[own] - y));
    }
    return best;
  }
}
