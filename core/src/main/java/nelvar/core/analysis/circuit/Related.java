package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Element;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// Pins of a board that stand together: what one input is read between, and what leads to the same
/// device.
final class Related {
  /// A terminal that more relations share is a common, and joins nothing.
  private static final int COMMON = 3;

  private static final int MOST = 12;

  private final Map<String, String> leader = new HashMap<>();

  private Related() {}

  static List<Split.Group> of(
      Study study, Device device, Part part, Collection<String> marks, Pieces pieces) {
    var related = new Related();
    var pairs = pairs(part);
    var count = new HashMap<String, Integer>();
    for (var pair : pairs) for (var mark : pair) count.merge(mark, 1, Integer::sum);
    for (var pair : pairs)
      if (pair.stream().allMatch(m -> marks.contains(m) && count.getOrDefault(m, 0) < COMMON))
        related.join(pair.getFirst(), pair.getLast());
    related.byPeer(study, device, marks, pieces);
    var groups = new LinkedHashMap<String, List<String>>();
    for (var mark : marks)
      if (!pieces.wires(new TerminalRef(device.id(), mark)).isEmpty())
        groups.computeIfAbsent(related.find(mark), _ -> new ArrayList<>()).add(mark);
    for (var group : groups.values())
      group.sort(Comparator.comparingInt(mark -> partner(study, device, mark, pieces)));
    var all = new ArrayList<Split.Group>();
    for (var group : groups.values())
      for (var at = 0; at < group.size(); at += MOST)
        all.add(
            new Split.Group(
                Form.BOX, List.copyOf(group.subList(at, Math.min(at + MOST, group.size())))));
    return all;
  }

  /// Two terminals each that something is measured or stands between.
  private static List<List<String>> pairs(Part part) {
    var all = new ArrayList<List<String>>();
    for (var actuator : part.actuators())
      switch (actuator) {
        case Actuator.Watch watch -> {
          for (var reading : watch.needed())
            all.add(List.of(reading.terminal(), reading.against()));
          watch.reset().ifPresent(r -> all.add(List.of(r.terminal(), r.against())));
        }
        case Actuator.Magnet magnet -> all.add(List.of(magnet.a(), magnet.b()));
        case Actuator.Hand _, Actuator.Program _ -> {
          // Moved by nothing electrical.
        }
      }
    for (var element : part.elements())
      if (element instanceof Element.Resistor(var a, var b, var _)) all.add(List.of(a, b));
    return all.stream().distinct().toList();
  }

  /// Which terminal of the other device it leads to: pins stand in the order of that device.
  private static int partner(Study study, Device device, String mark, Pieces pieces) {
    var here = new TerminalRef(device.id(), mark);
    var wire = pieces.only(here);
    if (wire.isEmpty()) return 0;
    var there = Pieces.beyond(wire.get(), here);
    var names =
        study.device(there.device()).flatMap(study::part).stream()
            .flatMap(part -> part.terminals().stream())
            .map(Terminal::name)
            .toList();
    return names.indexOf(there.terminal());
  }

  private record Towards(Id device, boolean leaves) {}

  private void byPeer(Study study, Device device, Collection<String> marks, Pieces pieces) {
    var first = new HashMap<Towards, String>();
    for (var wire : study.at(device.id())) {
      var here = wire.from().device().equals(device.id()) ? wire.from() : wire.to();
      var there = here == wire.from() ? wire.to() : wire.from();
      if (!marks.contains(here.terminal())) continue;
      if (there.device().equals(device.id())) {
        if (marks.contains(there.terminal())) join(here.terminal(), there.terminal());
        continue;
      }
      var other = study.device(there.device());
      if (other.flatMap(study::part).filter(p -> p.row().isEmpty()).isEmpty()) continue;
      var known =
          first.putIfAbsent(
              new Towards(there.device(), pieces.first(wire).equals(here)), here.terminal());
      if (known != null) join(known, here.terminal());
    }
  }

  private String find(String mark) {
    var at = mark;
    while (!leader.getOrDefault(at, at).equals(at)) at = leader.getOrDefault(at, at);
    return at;
  }

  private void join(String a, String b) {
    var one = find(a);
    var two = find(b);
    if (!one.equals(two)) leader.put(two, one);
  }
}
