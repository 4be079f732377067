package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.Predicate;
import nelvar.core.catalogue.Fitting;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// The ways wires take in one cabinet: along its ducts, round corners where two meet, from the edge
/// of one body to that of another. The shortest one, and how long it is, in mm along the plate.
///
/// Without ducts a wire goes level and upright from edge to edge. What is on the door goes to the
/// hinge and over it with a loop; what is on a wall, round the edge of the plate.
public final class DuctWays {
  /// Ducts this near each other meet, mm.
  private static final double MEET = 30;

  /// A bunch of wires to a door hangs this much longer, so that it opens (common practice).
  public static final double DOOR_LOOP = 250;

  private final Shell shell;
  private final List<Id> ducts = new ArrayList<>();
  private final List<Line> lines = new ArrayList<>();
  private final List<Boolean> shut = new ArrayList<>();
  private final List<Node> nodes = new ArrayList<>();
  private final List<List<Integer>> onLine = new ArrayList<>();
  private final double[][] far;
  private final int[][] before;

  /// The middle line of a duct.
  record Line(boolean upright, double across, double from, double to, double half) {
    static Line of(Cabinet.Duct duct) {
      var half = Box.mm(duct.width()) / 2;
      var along = Box.mm(duct.vertical() ? duct.top() : duct.left());
      var across = Box.mm(duct.vertical() ? duct.left() : duct.top()) + half;
      return new Line(duct.vertical(), across, along, along + Box.mm(duct.length()), half);
    }

    double clamp(double position) {
      return Math.clamp(position, from, to);
    }

    double x(double position) {
      return upright ? across : position;
    }

    double y(double position) {
      return upright ? position : across;
    }
  }

  /// Where two ducts meet.
  private record Node(int line, double position, double x, double y) {}

  /// Where a body's wires enter a duct, and how long they are until there.
  ///
  /// @param line -1 where there is no duct: then `x` and `y` are the edge of the body
  public record Access(int line, double position, double lead, double x, double y) {}

  /// One way, corner by corner.
  ///
  /// @param length mm; infinite where no ducts join the two
  /// @param corners x and y on the plate
  /// @param passes along one duct after another
  public record Way(double length, List<Corner> corners, List<Pass> passes) {
    static final Way NONE = new Way(Double.POSITIVE_INFINITY, List.of(), List.of());

    public Way {
      corners = List.copyOf(corners);
      passes = List.copyOf(passes);
    }

    public boolean found() {
      return Double.isFinite(length);
    }
  }

  /// Along one duct.
  ///
  /// @param from where it begins, mm along the plate in the direction of the duct; not above `to`
  public record Pass(Id duct, double from, double to) {}

  public record Corner(double x, double y) {}

  private DuctWays(Cabinet cabinet, Predicate<Cabinet.Duct> open) {
    shell = cabinet.shell();
    for (var duct : cabinet.ducts())
      if (duct.surface() == Surface.PLATE) {
        ducts.add(duct.id());
        shut.add(!open.test(duct));
        lines.add(Line.of(duct));
        onLine.add(new ArrayList<>());
      }
    meet();
    far = new double[nodes.size()][];
    before = new int[nodes.size()][];
    var next = neighbours();
    for (var i = 0; i < nodes.size(); i++) shortest(i, next);
  }

  public static DuctWays of(Cabinet cabinet) {
    return new DuctWays(cabinet, _ -> true);
  }

  /// Only by the ducts that are open to what is laid; over one that is not, nothing goes either:
  /// what stands before it finds no way there.
  public static DuctWays of(Cabinet cabinet, Predicate<Cabinet.Duct> open) {
    return new DuctWays(cabinet, open);
  }

  private void meet() {
    for (var i = 0; i < lines.size(); i++)
      for (var j = i + 1; j < lines.size(); j++) {
        if (shut.get(i) || shut.get(j)) continue;
        var a = lines.get(i);
        var b = lines.get(j);
        if (a.upright() == b.upright()) {
          inLine(i, j);
          continue;
        }
        var reach = MEET + a.half() + b.half();
        if (b.across() < a.from() - reach
            || b.across() > a.to() + reach
            || a.across() < b.from() - reach
            || a.across() > b.to() + reach) continue;
        add(i, b.across(), j, a.across());
      }
  }

  /// One goes on where the other ends.
  private void inLine(int i, int j) {
    var a = lines.get(i);
    var b = lines.get(j);
    if (Math.abs(a.across() - b.across()) > a.half() + b.half()) return;
    if (Math.abs(a.to() - b.from()) <= MEET) add(i, a.to(), j, b.from());
    else if (Math.abs(b.to() - a.from()) <= MEET) add(i, a.from(), j, b.to());
  }

  private void add(int i, double onI, int j, double onJ) {
    for (var end : new int[][] {{i}, {j}}) {
      var line = lines.get(end[0]);
      var position = end[0] == i ? onI : onJ;
      onLine.get(end[0]).add(nodes.size());
      nodes.add(new Node(end[0], position, line.x(position), line.y(position)));
    }
  }

  /// Nodes come in pairs, one on each duct: those are joined by a corner.
  private List<List<Integer>> neighbours() {
    var next = new ArrayList<List<Integer>>();
    for (var i = 0; i < nodes.size(); i++) next.add(new ArrayList<>(List.of(i ^ 1)));
    for (var here : onLine) for (int a : here) for (int b : here) if (a != b) next.get(a).add(b);
    return next;
  }

  private double apart(int a, int b) {
    var p = nodes.get(a);
    var q = nodes.get(b);
    return Math.abs(p.x() - q.x()) + Math.abs(p.y() - q.y());
  }

  private void shortest(int from, List<List<Integer>> next) {
    var distance = new double[nodes.size()];
    var last = new int[nodes.size()];
    Arrays.fill(distance, Double.POSITIVE_INFINITY);
    Arrays.fill(last, -1);
    distance[from] = 0;
    record Reached(int node, double far) {}
    var open =
        new PriorityQueue<Reached>(
            java.util.Comparator.comparingDouble(Reached::far).thenComparingInt(Reached::node));
    open.add(new Reached(from, 0));
    while (!open.isEmpty()) {
      var here = open.poll();
      if (here.far() > distance[here.node()]) continue;
      for (int to : next.get(here.node())) {
        var way = here.far() + apart(here.node(), to);
        if (way < distance[to] - 1e-9) {
          distance[to] = way;
          last[to] = here.node();
          open.add(new Reached(to, way));
        }
      }
    }
    far[from] = distance;
    before[from] = last;
  }

  /// Where the wires of a body enter: a duct for each of its sides that has one before it, else the
  /// nearest.
  public List<Access> access(Body body) {
    return access(body.surface(), body.box(), body.wires());
  }

  /// Where the wire of one terminal of a body enters: at the side it leaves at, where it stands.
  public List<Access> access(Body body, String terminal) {
    if (body.surface() != Surface.PLATE) return access(body);
    var place = TerminalPlace.of(body, terminal);
    return onPlate(body.box(), place.x(), place.sides());
  }

  public List<Access> access(Surface surface, Box box, List<Fitting.Side> sides) {
    var plate = shell.size(Surface.PLATE);
    var width = Box.mm(plate.width());
    var height = Box.mm(plate.height());
    var aside = Box.mm(Shell.AROUND_PLATE) / 2;
    return switch (surface) {
      case PLATE -> onPlate(box, box.middleX(), sides);
      case DOOR -> {
        var left = shell.hinge().filter(h -> h == Shell.Side.LEFT).isPresent();
        // A door on its left hinge, seen from outside, begins where the plate begins.
        var over = left ? box.middleX() : Box.mm(shell.width()) - box.middleX();
        yield from(left ? 0 : width, box.middleY() - aside, over + DOOR_LOOP);
      }
      case LEFT -> from(0, box.middleY() - aside, box.middleX());
      case RIGHT -> from(width, box.middleY() - aside, box.middleX());
      case TOP -> from(box.middleX() - aside, 0, box.middleY());
      case BOTTOM -> from(box.middleX() - aside, height, box.middleY());
      case OUTSIDE -> exit(DOOR_LOOP);
    };
  }

  /// Where cables leave: the middle of the side they leave at, nearest to where a way comes from.
  ///
  /// @param more beyond the edge of the plate
  public List<Access> exit(double more) {
    return exit(0, more);
  }

  /// @param aside of the middle of that side, to the right or downward, mm
  public List<Access> exit(double aside, double more) {
    var plate = shell.size(Surface.PLATE);
    var width = Box.mm(plate.width());
    var height = Box.mm(plate.height());
    return switch (shell.cables()) {
      case TOP -> from(width / 2 + aside, 0, more);
      case BOTTOM -> from(width / 2 + aside, height, more);
      case LEFT -> from(0, height / 2 + aside, more);
      case RIGHT -> from(width, height / 2 + aside, more);
    };
  }

  private List<Access> onPlate(Box box, double x, List<Fitting.Side> sides) {
    if (lines.isEmpty()) return List.of(new Access(-1, 0, 0, x, box.middleY()));
    var all = new ArrayList<Access>();
    for (var side : sides) {
      switch (side) {
        case TOP -> level(box, x, true, all);
        case BOTTOM -> level(box, x, false, all);
        case LEFT, RIGHT, FRONT -> {
          level(box, x, true, all);
          level(box, x, false, all);
        }
      }
    }
    if (all.isEmpty()) all.addAll(around(box, x, sides));
    return all.stream().filter(a -> a.line() < 0 || !shut.get(a.line())).toList();
  }

  /// No duct stands before the sides it leaves at: round the body to the nearest there is.
  private List<Access> around(Box box, double x, List<Fitting.Side> sides) {
    var best = nearest(box);
    var lead = Double.POSITIVE_INFINITY;
    for (var side : sides) {
      if (side != Fitting.Side.TOP && side != Fitting.Side.BOTTOM) continue;
      for (var out : new double[] {box.left(), box.right()}) {
        var y = side == Fitting.Side.TOP ? box.top() : box.bottom();
        var there = from(out, y, Math.abs(out - x), true).getFirst();
        if (there.lead() >= lead) continue;
        lead = there.lead();
        best = List.of(there);
      }
    }
    return best;
  }

  /// The next level duct above or below.
  private void level(Box box, double x, boolean above, List<Access> all) {
    var best = -1;
    var lead = Double.POSITIVE_INFINITY;
    for (var i = 0; i < lines.size(); i++) {
      var line = lines.get(i);
      if (line.upright() || x < line.from() || x > line.to()) continue;
      var here = above ? box.top() - line.across() : line.across() - box.bottom();
      if (here >= 0 && here < lead) {
        lead = here;
        best = i;
      }
    }
    if (best < 0) return;
    var line = lines.get(best);
    all.add(new Access(best, x, lead, x, line.across()));
  }

  private List<Access> nearest(Box box) {
    return from(box.middleX(), box.middleY(), 0, true);
  }

  /// From a point to the nearest duct that is open.
  private List<Access> from(double x, double y, double more) {
    return from(x, y, more, false);
  }

  private List<Access> from(double x, double y, double more, boolean any) {
    if (lines.isEmpty()) return List.of(new Access(-1, 0, more, x, y));
    var best = -1;
    var lead = Double.POSITIVE_INFINITY;
    var at = 0.0;
    for (var i = 0; i < lines.size(); i++) {
      if (shut.get(i) && !any) continue;
      var line = lines.get(i);
      var position = line.clamp(line.upright() ? y : x);
      var here = Math.abs(line.x(position) - x) + Math.abs(line.y(position) - y);
      if (here < lead - 1e-9) {
        lead = here;
        best = i;
        at = position;
      }
    }
    if (best < 0) return List.of();
    var line = lines.get(best);
    return List.of(new Access(best, at, lead + more, line.x(at), line.y(at)));
  }

  /// How long the shortest way is, mm; infinite where no ducts join the two.
  public double length(List<Access> from, List<Access> to) {
    var best = Double.POSITIVE_INFINITY;
    for (var a : from) for (var b : to) best = Math.min(best, length(a, b));
    return best;
  }

  private double length(Access a, Access b) {
    return a.lead() + b.lead() + between(a, b).length();
  }

  /// The first and the last corner node, -1 where none is passed.
  private record Between(double length, int first, int last) {}

  private Between between(Access a, Access b) {
    if (a.line() < 0 || b.line() < 0 || a.line() == b.line())
      return new Between(Math.abs(a.x() - b.x()) + Math.abs(a.y() - b.y()), -1, -1);
    var best = new Between(Double.POSITIVE_INFINITY, -1, -1);
    for (int p : onLine.get(a.line()))
      for (int q : onLine.get(b.line())) {
        var way =
            Math.abs(nodes.get(p).position() - a.position())
                + far[p][q]
                + Math.abs(nodes.get(q).position() - b.position());
        if (way < best.length() - 1e-9) best = new Between(way, p, q);
      }
    return best;
  }

  /// The shortest way; [Way#NONE] where no ducts join the two.
  public Way way(List<Access> from, List<Access> to) {
    var length = Double.POSITIVE_INFINITY;
    Access first = null;
    Access last = null;
    Between taken = null;
    for (var a : from)
      for (var b : to) {
        var between = between(a, b);
        var whole = a.lead() + b.lead() + between.length();
        if (whole >= length - 1e-9) continue;
        length = whole;
        first = a;
        last = b;
        taken = between;
      }
    return first == null || last == null || taken == null
        ? Way.NONE
        : traced(length, first, last, taken);
  }

  private Way traced(double length, Access a, Access b, Between between) {
    var corners = new ArrayList<Corner>();
    var passes = new ArrayList<Pass>();
    corners.add(new Corner(a.x(), a.y()));
    var line = a.line();
    var position = a.position();
    if (between.first() >= 0) {
      var back = new ArrayList<Integer>();
      for (var node = between.last(); node >= 0; node = before[between.first()][node])
        back.add(node);
      for (int at : back.reversed()) {
        var node = nodes.get(at);
        if (node.line() == line) pass(line, position, node.position(), passes);
        line = node.line();
        position = node.position();
        corners.add(new Corner(node.x(), node.y()));
      }
    }
    if (b.line() >= 0 && b.line() == line) pass(line, position, b.position(), passes);
    corners.add(new Corner(b.x(), b.y()));
    // Straight across: it lies in the duct all the same.
    if (passes.isEmpty() && a.line() >= 0)
      passes.add(new Pass(ducts.get(a.line()), a.position(), a.position()));
    return new Way(length, corners, passes);
  }

  private void pass(int line, double from, double to, List<Pass> passes) {
    if (Math.abs(from - to) >= 1)
      passes.add(new Pass(ducts.get(line), Math.min(from, to), Math.max(from, to)));
  }
}
