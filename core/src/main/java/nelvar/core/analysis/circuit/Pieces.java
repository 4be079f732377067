package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Glyph;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// All symbols of a machine, and which of its terminals are points of a bar instead: those of
/// distribution blocks that one wire lands on.
final class Pieces {
  /// Where one end of a wire lands.
  ///
  /// @param x from the left edge of the symbol
  record Landing(Piece piece, boolean top, int x) {}

  private record End(TerminalRef terminal, Id wire) {}

  private final Study study;
  private final Map<Id, TerminalRef> flow;
  private final Map<TerminalRef, List<Conductor>> at = new HashMap<>();
  private final Set<TerminalRef> bars = new HashSet<>();
  private final List<Piece> all = new ArrayList<>();
  private final Map<End, Landing> landings = new HashMap<>();
  private final List<TerminalRef> free = new ArrayList<>();

  private Pieces(Study study) {
    this.study = study;
    this.flow = Flow.of(study);
    for (var wire : study.project().conductors()) {
      at.computeIfAbsent(wire.from(), _ -> new ArrayList<>()).add(wire);
      if (!wire.to().equals(wire.from()))
        at.computeIfAbsent(wire.to(), _ -> new ArrayList<>()).add(wire);
    }
  }

  static Pieces of(Study study) {
    var pieces = new Pieces(study);
    pieces.bars();
    for (var device : study.project().devices()) pieces.add(device);
    return pieces;
  }

  List<Piece> all() {
    return all;
  }

  boolean bar(TerminalRef terminal) {
    return bars.contains(terminal);
  }

  /// Empty at a bar.
  Optional<Landing> landing(TerminalRef terminal, Id wire) {
    return Optional.ofNullable(landings.get(new End(terminal, wire)));
  }

  /// The end the current comes to first.
  TerminalRef first(Conductor wire) {
    return flow.getOrDefault(wire.id(), wire.from());
  }

  /// Terminals that stand on no sheet: nothing lands on them.
  List<TerminalRef> free() {
    return free;
  }

  private void bars() {
    for (var entry : at.entrySet())
      if (entry.getValue().size() == 1 && block(entry.getKey())) bars.add(entry.getKey());
    for (var wire : study.project().conductors())
      if (bars.contains(wire.from()) && bars.contains(wire.to())) bars.remove(first(wire));
  }

  private boolean block(TerminalRef terminal) {
    return study
        .device(terminal.device())
        .flatMap(study::part)
        .flatMap(part -> part.row())
        .filter(row -> row.role().isPresent())
        .isPresent();
  }

  private void add(Device device) {
    var drawn = new HashSet<String>();
    var main = true;
    for (var group :
        Split.of(study, device, this).stream().flatMap(g -> fitting(device, g)).toList()) {
      var refs = group.marks().stream().map(m -> new TerminalRef(device.id(), m)).toList();
      if (refs.stream().allMatch(bars::contains)) {
        drawn.addAll(group.marks());
        continue;
      }
      var glyph = study.part(device).map(p -> p.glyph()).orElse(Glyph.BOX);
      var piece = new Piece(device, group.form(), glyph, main, group.marks(), pins(device, group));
      main = false;
      all.add(piece);
      drawn.addAll(group.marks());
      for (var pin : piece.pins())
        for (var n = 0; n < pin.wires().size(); n++)
          landings.putIfAbsent(
              new End(pin.terminal(), pin.wires().get(n)),
              new Landing(piece, pin.top(), pin.x() + n * Piece.PITCH));
    }
    study
        .part(device)
        .ifPresent(part ->
            part.terminals().stream()
                .filter(terminal -> !drawn.contains(terminal.name()))
                .forEach(terminal -> free.add(new TerminalRef(device.id(), terminal.name()))));
  }

  /// A box wider than a sheet stands in two, and so on.
  private Stream<Split.Group> fitting(Device device, Split.Group group) {
    var marks = group.marks();
    var last = pins(device, group).stream().mapToInt(Piece.Pin::last).max().orElse(0);
    if (group.form() != Form.BOX || marks.size() < 2 || last < SheetFormat.A4.steps() - 2)
      return Stream.of(group);
    var middle = marks.size() / 2;
    return Stream.of(marks.subList(0, middle), marks.subList(middle, marks.size()))
        .flatMap(half -> fitting(device, new Split.Group(Form.BOX, half)));
  }

  private List<Piece.Pin> pins(Device device, Split.Group group) {
    var sides = new Sides(study, device, group, this);
    return switch (group.form()) {
      case POLES -> columns(poles(device, group.marks(), sides.firstAbove()));
      case WAY ->
          group.marks().size() == 2
              ? columns(poles(device, group.marks(), sides.firstAbove()))
              : way(new TerminalRef(device.id(), group.marks().getFirst()));
      case CHANGEOVER, SLIM, RING -> spread(device, group, sides, Piece.LEAD);
      case BOX -> spread(device, group, sides, 2);
    };
  }

  /// One above, one below.
  private record Pole(TerminalRef above, TerminalRef below) {}

  private static List<Pole> poles(Device device, List<String> marks, boolean firstAbove) {
    var all = new ArrayList<Pole>();
    for (var i = 0; i + 1 < marks.size(); i += 2) {
      var one = new TerminalRef(device.id(), marks.get(i));
      var two = new TerminalRef(device.id(), marks.get(i + 1));
      all.add(firstAbove ? new Pole(one, two) : new Pole(two, one));
    }
    return all;
  }

  private List<Piece.Pin> columns(List<Pole> poles) {
    var above = new ArrayList<Piece.Pin>();
    var below = new ArrayList<Piece.Pin>();
    var x = Piece.LEAD;
    for (var pole : poles) {
      var up = pin(pole.above(), true, x, wires(pole.above()));
      var down = pin(pole.below(), false, x, wires(pole.below()));
      above.add(up);
      below.add(down);
      x = Math.max(up.last(), down.last()) + Piece.PITCH;
    }
    above.addAll(below);
    return above;
  }

  /// A way through: what comes in lands above, what leads on below.
  private List<Piece.Pin> way(TerminalRef terminal) {
    var in = new ArrayList<Id>();
    var out = new ArrayList<Id>();
    for (var wire : wires(terminal))
      (flow.getOrDefault(wire, terminal).equals(terminal) ? out : in).add(wire);
    var pins = new ArrayList<Piece.Pin>();
    pins.add(pin(terminal, true, Piece.LEAD, in));
    pins.add(pin(terminal, false, Piece.LEAD, out));
    return pins;
  }

  private List<Piece.Pin> spread(Device device, Split.Group group, Sides sides, int lead) {
    var above = new ArrayList<Piece.Pin>();
    var below = new ArrayList<Piece.Pin>();
    for (var mark : group.marks()) {
      var terminal = new TerminalRef(device.id(), mark);
      var top = sides.above(mark);
      var side = top ? above : below;
      var x = side.isEmpty() ? lead : side.getLast().last() + Piece.PITCH;
      side.add(pin(terminal, top, x, wires(terminal)));
    }
    above.addAll(below);
    return above;
  }

  private static Piece.Pin pin(TerminalRef terminal, boolean top, int x, List<Id> wires) {
    return new Piece.Pin(terminal, top, x, wires);
  }

  /// The wires on a terminal; one with both ends on it lands once.
  List<Id> wires(TerminalRef terminal) {
    var ids = new LinkedHashMap<Id, Boolean>();
    for (var wire : at.getOrDefault(terminal, List.of())) ids.put(wire.id(), true);
    return List.copyOf(ids.keySet());
  }

  Optional<Conductor> only(TerminalRef terminal) {
    var wires = at.getOrDefault(terminal, List.of());
    return wires.isEmpty() ? Optional.empty() : Optional.of(wires.getFirst());
  }

  /// The other end of a wire.
  static TerminalRef beyond(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) ? wire.to() : wire.from();
  }

  /// How much more comes to a terminal than leaves it, in wires.
  int enters(TerminalRef terminal) {
    var sum = 0;
    for (var wire : at.getOrDefault(terminal, List.of()))
      sum += first(wire).equals(terminal) ? -1 : 1;
    return sum;
  }
}
