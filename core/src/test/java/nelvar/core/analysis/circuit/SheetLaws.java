package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.analysis.circuit.CircuitSheet.Point;
import nelvar.core.analysis.circuit.CircuitSheet.Stub;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// What holds on the circuit sheets of any machine, found out from the finished sheets alone.
final class SheetLaws {
  private final Study study;
  private final CircuitSheets sheets;
  private final List<String> broken = new ArrayList<>();

  private SheetLaws(Study study, CircuitSheets sheets) {
    this.study = study;
    this.sheets = sheets;
  }

  static List<String> broken(Study study, CircuitSheets sheets) {
    var laws = new SheetLaws(study, sheets);
    laws.everyWireOnce();
    laws.everyTerminalOnce();
    for (var sheet : sheets.sheets()) {
      laws.symbolsApart(sheet);
      laws.wiresApart(sheet);
      laws.landWhereTheModelSays(sheet);
    }
    return laws.broken;
  }

  private void wrong(String text, Object... of) {
    broken.add(text.formatted(of));
  }

  /// As one line on one sheet, or as two ends that say where the other is.
  private void everyWireOnce() {
    Map<Id, Integer> lines = new HashMap<>();
    Map<Id, List<Stub>> stubs = new HashMap<>();
    for (var sheet : sheets.sheets()) {
      for (var line : sheet.lines()) lines.merge(line.wire().id(), 1, Integer::sum);
      for (var stub : sheet.stubs())
        stubs.computeIfAbsent(stub.wire().id(), _ -> new ArrayList<>()).add(stub);
    }
    for (var wire : study.project().conductors()) {
      var drawn = lines.getOrDefault(wire.id(), 0);
      var ends = stubs.getOrDefault(wire.id(), List.of());
      if (drawn + ends.size() / 2 != 1 || ends.size() % 2 != 0)
        wrong("%s is drawn %d times, with %d ends", wire.label(), drawn, ends.size());
      for (var end : ends) {
        if (sheets.at(end.there()).isEmpty())
          wrong("%s: nothing stands at %s", wire.label(), end.there());
        if (ends.stream().noneMatch(back -> back.here().equals(end.there())))
          wrong("%s: %s does not lead back", wire.label(), end.there());
      }
    }
  }

  /// On one symbol, as one point of a bar, or in the list of what is free.
  private void everyTerminalOnce() {
    Map<TerminalRef, Integer> count = new HashMap<>();
    for (var sheet : sheets.sheets()) {
      for (var placed : sheet.pieces()) {
        var own = new HashSet<TerminalRef>();
        placed.piece().pins().forEach(pin -> own.add(pin.terminal()));
        own.forEach(terminal -> count.merge(terminal, 1, Integer::sum));
      }
      for (var bar : sheet.bars())
        for (var tap : bar.taps()) count.merge(tap.terminal(), 1, Integer::sum);
    }
    sheets.free().forEach(terminal -> count.merge(terminal, 1, Integer::sum));
    for (var device : study.project().devices())
      for (var terminal : study.part(device).orElseThrow().terminals()) {
        var ref = new TerminalRef(device.id(), terminal.name());
        if (count.getOrDefault(ref, 0) != 1)
          wrong("%s stands %d times", ref, count.getOrDefault(ref, 0));
      }
  }

  private void symbolsApart(CircuitSheet sheet) {
    var all = sheet.pieces();
    for (var i = 0; i < all.size(); i++) {
      var one = all.get(i);
      if (one.x() < 0
          || one.x() + one.piece().width() > sheet.format().steps()
          || one.row() >= sheet.format().rows())
        wrong("%s leaves sheet %d", one.piece().key(), sheet.number());
      for (var j = i + 1; j < all.size(); j++)
        if (one.row() == all.get(j).row()
            && one.x() <= all.get(j).x() + all.get(j).piece().width()
            && all.get(j).x() <= one.x() + one.piece().width())
          wrong("%s stands on %s", one.piece().key(), all.get(j).piece().key());
    }
  }

  /// No two wires lie on one line, none runs through a symbol, and where one turns no other passes.
  private void wiresApart(CircuitSheet sheet) {
    Map<List<Point>, String> taken = new HashMap<>();
    Map<Point, Set<String>> through = new HashMap<>();
    Map<Point, Set<String>> turns = new HashMap<>();
    for (var line : sheet.lines())
      way(line.points(), line.wire().label().text(), taken, through, turns, sheet);
    var number = 0;
    for (var bar : sheet.bars())
      way(
          List.of(new Point(bar.from(), bar.y()), new Point(bar.to(), bar.y())),
          "bar " + bar.block().designation() + " " + number++,
          taken,
          through,
          Map.of(),
          sheet);
    for (var stub : sheet.stubs())
      way(
          List.of(
              stub.at(),
              new Point(stub.at().x(), stub.at().y() + (stub.upwards() ? -Rows.ZONE : Rows.ZONE))),
          "end of " + stub.wire().label(),
          taken,
          through,
          turns,
          sheet);
    turns.forEach((point, who) -> {
      var all = new HashSet<>(through.getOrDefault(point, Set.of()));
      all.addAll(who);
      if (all.size() > 1) wrong("%s meet at %s on sheet %d", all, point, sheet.number());
    });
  }

  private void way(
      List<Point> points,
      String name,
      Map<List<Point>, String> taken,
      Map<Point, Set<String>> through,
      Map<Point, Set<String>> turns,
      CircuitSheet sheet) {
    for (var i = 1; i + 1 < points.size(); i++)
      turns.computeIfAbsent(points.get(i), _ -> new HashSet<>()).add(name);
    for (var i = 0; i + 1 < points.size(); i++) {
      var a = points.get(i);
      var b = points.get(i + 1);
      if (a.x() != b.x() && a.y() != b.y()) wrong("%s runs aslant", name);
      var dx = Integer.signum(b.x() - a.x());
      var dy = Integer.signum(b.y() - a.y());
      for (var at = a; !at.equals(b); at = new Point(at.x() + dx, at.y() + dy)) {
        var next = new Point(at.x() + dx, at.y() + dy);
        var edge = dx + dy > 0 ? List.of(at, next) : List.of(next, at);
        var other = taken.putIfAbsent(edge, name);
        if (other != null && !other.equals(name))
          wrong("%s lies on %s at %s, sheet %d", name, other, at, sheet.number());
        if (!next.equals(b)) through.computeIfAbsent(next, _ -> new HashSet<>()).add(name);
        for (var placed : sheet.pieces())
          if (within(next, placed)
              && !next.equals(points.getFirst())
              && !next.equals(points.getLast()))
            wrong("%s runs through %s", name, placed.piece().key());
      }
    }
  }

  private static boolean within(Point point, Placed placed) {
    return point.x() >= placed.x()
        && point.x() <= placed.x() + placed.piece().width()
        && point.y() >= placed.y()
        && point.y() <= placed.y() + Piece.HEIGHT;
  }

  /// Both ends of each line lie where the terminals of its wire stand.
  private void landWhereTheModelSays(CircuitSheet sheet) {
    Map<Point, Set<TerminalRef>> at = new HashMap<>();
    for (var placed : sheet.pieces())
      for (var pin : placed.piece().pins())
        for (var n = 0; n < Math.max(1, pin.wires().size()); n++)
          at.computeIfAbsent(placed.at(pin, n), _ -> new HashSet<>()).add(pin.terminal());
    for (var bar : sheet.bars())
      for (var tap : bar.taps())
        at.computeIfAbsent(new Point(tap.x(), bar.y()), _ -> new HashSet<>()).add(tap.terminal());
    at.forEach((point, who) -> {
      if (who.size() > 1) wrong("%s stand at one point", who);
    });
    for (var line : sheet.lines()) {
      var ends = new HashSet<TerminalRef>();
      ends.addAll(at.getOrDefault(line.points().getFirst(), Set.of()));
      ends.addAll(at.getOrDefault(line.points().getLast(), Set.of()));
      if (!ends.equals(Set.of(line.wire().from(), line.wire().to())))
        wrong("%s is drawn between %s", line.wire().label(), ends);
    }
    for (var stub : sheet.stubs())
      if (!at.getOrDefault(stub.at(), Set.of()).contains(stub.here()))
        wrong("the end of %s does not stand at %s", stub.wire().label(), stub.here());
  }
}
