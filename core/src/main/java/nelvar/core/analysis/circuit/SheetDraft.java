package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet.Bar;
import nelvar.core.analysis.circuit.CircuitSheet.Line;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.analysis.circuit.CircuitSheet.Point;
import nelvar.core.analysis.circuit.CircuitSheet.Stub;
import nelvar.core.analysis.circuit.CircuitSheet.Tap;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// Draws the wires of one sheet whose symbols have their places: first what leads to bars, then
/// wire by wire, the short ones first; what goes on elsewhere gets a reference.
final class SheetDraft {
  /// Steps left of a wire that its number takes, and right of it.
  private static final int LEFT = 2;

  private final Study study;
  private final Pieces pieces;
  private final SheetFormat format;
  private final SheetRouter router;
  private final boolean whole;
  private final List<Placed> placed;
  private final Map<Piece, Placed> where = new HashMap<>();
  private final List<Bar> bars = new ArrayList<>();
  private final List<Line> lines = new ArrayList<>();
  private final List<Stub> stubs = new ArrayList<>();
  private final Map<Id, List<Anchor>> anchors = new LinkedHashMap<>();

  /// Where a wire leaves a symbol on this sheet.
  private record Anchor(Conductor wire, TerminalRef terminal, Point at, boolean up) {
    /// Where its own zone ends.
    Point exit() {
      return new Point(at.x(), up ? at.y() - Rows.ZONE : at.y() + Rows.ZONE);
    }
  }

  private SheetDraft(
      Study study, Pieces pieces, SheetFormat format, List<Placed> placed, boolean whole) {
    this.whole = whole;
    this.study = study;
    this.pieces = pieces;
    this.format = format;
    this.placed = placed;
    this.router = new SheetRouter(format.steps(), format.stepsDown());
  }

  /// @param whole bars run through, whatever they cross
  static CircuitSheet of(
      Study study,
      Pieces pieces,
      SheetFormat format,
      int number,
      List<Id> functions,
      List<Placed> placed,
      boolean whole) {
    var draft = new SheetDraft(study, pieces, format, placed, whole);
    draft.draw();
    return new CircuitSheet(
        number, format, functions, placed, draft.bars, draft.lines, draft.stubs);
  }

  private void draw() {
    for (var one : placed) {
      where.put(one.piece(), one);
      router.block(one.x(), one.y(), one.x() + one.piece().width(), one.y() + Piece.HEIGHT);
    }
    anchors.putAll(anchors());
    for (var anchor : anchors.values())
      for (var one : anchor) {
        var exit = one.exit();
        router.block(
            exit.x() - LEFT,
            Math.min(one.at().y(), exit.y()) + (one.up() ? 1 : 0),
            exit.x() + 1,
            Math.max(one.at().y(), exit.y()) - (one.up() ? 0 : 1));
        router.take(List.of(one.at(), exit));
      }
    var wires = new ArrayList<List<Anchor>>();
    var toBars = new ArrayList<Anchor>();
    for (var entry : anchors.values()) {
      var one = entry.getFirst();
      if (entry.size() == 2) wires.add(entry);
      else if (pieces.bar(Pieces.beyond(one.wire(), one.terminal()))) toBars.add(one);
      else stub(one);
    }
    bars(toBars);
    wires.sort(Comparator.comparingInt(SheetDraft::length));
    for (var wire : wires) line(wire.getFirst(), wire.getLast());
  }

  private static int length(List<Anchor> wire) {
    var a = wire.getFirst().exit();
    var b = wire.getLast().exit();
    return Math.abs(a.x() - b.x()) + Math.abs(a.y() - b.y());
  }

  /// By wire, its ends on this sheet.
  private Map<Id, List<Anchor>> anchors() {
    var all = new LinkedHashMap<Id, List<Anchor>>();
    for (var one : placed)
      for (var pin : one.piece().pins())
        for (var n = 0; n < pin.wires().size(); n++) {
          var wire = study.conductor(pin.wires().get(n)).orElseThrow();
          all.computeIfAbsent(wire.id(), _ -> new ArrayList<>())
              .add(new Anchor(wire, pin.terminal(), one.at(pin, n), pin.top()));
        }
    return all;
  }

  private void stub(Anchor one) {
    stubs.add(
        new Stub(
            one.wire(),
            one.terminal(),
            Pieces.beyond(one.wire(), one.terminal()),
            one.at(),
            one.up()));
  }

  private void line(Anchor a, Anchor b) {
    var way = router.way(a.exit(), b.exit());
    if (way.isEmpty()) {
      stub(a);
      stub(b);
      return;
    }
    router.take(way.get());
    var points = new ArrayList<Point>();
    points.add(a.at());
    points.addAll(way.get());
    points.add(b.at());
    var named = a.up() || !b.up() ? a : b;
    lines.add(
        new Line(
            a.wire(),
            SheetRouter.corners(points),
            named.at(),
            named.terminal(),
            named.up(),
            Optional.empty()));
  }

  private record Side(Id block, int y, boolean up) {}

  /// Wires that lead to the same block from one side of a row share a bar where there is a lane.
  private void bars(List<Anchor> all) {
    var sides = new LinkedHashMap<Side, List<Anchor>>();
    for (var one : all)
      sides
          .computeIfAbsent(
              new Side(Pieces.beyond(one.wire(), one.terminal()).device(), one.at().y(), one.up()),
              _ -> new ArrayList<>())
          .add(one);
    var groups = new ArrayList<>(sides.values());
    for (var group : groups) group.sort(Comparator.comparingInt(one -> one.at().x()));
    groups.sort(Comparator.comparingInt(SheetDraft::span));
    for (var group : groups) for (var part : whole ? List.of(group) : parted(group)) bar(part);
  }

  /// A bar ends before it crosses more wires than that.
  private static final int MOST_CROSSED = 1;

  /// The terminals of a block parted where too many wires of others run between them.
  private List<List<Anchor>> parted(List<Anchor> group) {
    var all = new ArrayList<List<Anchor>>();
    var begin = 0;
    for (var i = 1; i < group.size(); i++) {
      if (between(group.get(i - 1), group.get(i)) <= MOST_CROSSED) continue;
      all.add(group.subList(begin, i));
      begin = i;
    }
    all.add(group.subList(begin, group.size()));
    return all;
  }

  private long between(Anchor a, Anchor b) {
    return anchors.values().stream()
        .flatMap(List::stream)
        .filter(one -> one.up() == a.up() && one.at().y() == a.at().y())
        .filter(one -> one.at().x() > a.at().x() && one.at().x() < b.at().x())
        .count();
  }

  private static int span(List<Anchor> group) {
    return group.getLast().at().x() - group.getFirst().at().x();
  }

  private void bar(List<Anchor> group) {
    var up = group.getFirst().up();
    var exit = group.getFirst().exit().y();
    var from = Math.max(0, group.getFirst().at().x() - 1);
    var to = Math.min(format.steps(), group.getLast().at().x() + 1);
    for (var lane = 1; lane <= Rows.LANES; lane++) {
      var y = up ? exit - lane : exit + lane;
      if (lane < Rows.LANES || y == 0 || y == format.stepsDown())
        if (fits(group, from, to, y)) {
          lay(group, from, to, y);
          return;
        }
    }
    if (group.size() == 1) {
      lay(group, from, to, exit);
      return;
    }
    var at = widestGap(group);
    bar(group.subList(0, at));
    bar(group.subList(at, group.size()));
  }

  private boolean fits(List<Anchor> group, int from, int to, int y) {
    if (!router.freeAcross(from, to, y)) return false;
    for (var one : group) {
      var exit = one.exit().y();
      if (!router.empty(one.at().x(), y)) return false;
      if (!router.freeDown(one.at().x(), exit + (one.up() ? -1 : 1), y)) return false;
    }
    return router.empty(from, y) && router.empty(to, y);
  }

  private void lay(List<Anchor> group, int from, int to, int y) {
    var taps = new ArrayList<Tap>();
    router.take(List.of(new Point(from, y), new Point(to, y)));
    for (var one : group) {
      var terminal = Pieces.beyond(one.wire(), one.terminal());
      var end = new Point(one.at().x(), y);
      taps.add(new Tap(terminal, one.wire().id(), end.x()));
      router.take(List.of(one.exit(), end));
      lines.add(
          new Line(
              one.wire(),
              List.of(one.at(), end),
              one.at(),
              one.terminal(),
              one.up(),
              Optional.of(terminal)));
    }
    var block =
        study
            .device(Pieces.beyond(group.getFirst().wire(), group.getFirst().terminal()).device())
            .orElseThrow();
    bars.add(new Bar(block, y, from, to, taps));
  }

  private static int widestGap(List<Anchor> group) {
    var at = 1;
    for (var i = 1; i < group.size(); i++)
      if (group.get(i).at().x() - group.get(i - 1).at().x()
          > group.get(at).at().x() - group.get(at - 1).at().x()) at = i;
    return at;
  }

  /// Crossings of wires with wires and bars.
  static int crossings(CircuitSheet sheet) {
    var across = new HashMap<Point, Integer>();
    var owner = 0;
    var ways = new ArrayList<List<Point>>();
    for (var bar : sheet.bars())
      ways.add(List.of(new Point(bar.from(), bar.y()), new Point(bar.to(), bar.y())));
    for (var line : sheet.lines()) ways.add(line.points());
    for (var way : ways) {
      owner++;
      for (var point : inner(way, true)) across.put(point, owner);
    }
    var count = 0;
    Set<Point> counted = new HashSet<>();
    for (var way : ways)
      for (var point : inner(way, false))
        if (across.containsKey(point) && counted.add(point)) count++;
    return count;
  }

  /// Points within the parts of a way that run across, or down: without their ends.
  private static List<Point> inner(List<Point> way, boolean across) {
    var all = new ArrayList<Point>();
    for (var i = 0; i + 1 < way.size(); i++) {
      var a = way.get(i);
      var b = way.get(i + 1);
      if (across != (a.y() == b.y())) continue;
      for (var x = Math.min(a.x(), b.x()); x <= Math.max(a.x(), b.x()); x++)
        for (var y = Math.min(a.y(), b.y()); y <= Math.max(a.y(), b.y()); y++)
          if (!(x == a.x() && y == a.y()) && !(x == b.x() && y == b.y())) all.add(new Point(x, y));
    }
    return all;
  }
}
