package nelvar.core.analysis.space;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;

/// Which devices and which conductors have more than extra-low volts on them when everything that
/// can be on is on: by the ways from the sources, not by names.
///
/// @param devices with at least one terminal on such a way
/// @param conductors on such a way
public record OnMains(Set<Id> devices, Set<Id> conductors) {
  /// More is dangerous to touch: 50 V alternating, 120 V direct (IEC 60364-4-41, from memory,
  /// unchecked); direct current from 60 V counts too, as most panels keep it apart.
  private static final double ALTERNATING = 50;

  private static final double DIRECT = 60;

  public static OnMains of(Study study) {
    return study.once(OnMains.class, () -> find(study));
  }

  /// The devices that have them with the main switch off: what is reached from the mains without
  /// going through a disconnector, every other contact taken for closed. All of them where there is
  /// none.
  public static Set<Id> aheadOfTheSwitch(Study study) {
    return study.once(List.of(OnMains.class, "ahead"), () -> ahead(study));
  }

  /// Neutral and protective conductors, which no switch need open, make nothing live.
  private static boolean line(TerminalRef terminal, Study study) {
    return study
        .device(terminal.device())
        .flatMap(study::part)
        .filter(part ->
            part.terminals().stream()
                .anyMatch(
                    t -> t.name().equals(terminal.terminal()) && t.role() == Terminal.Role.LINE))
        .isPresent();
  }

  private static Set<Id> ahead(Study study) {
    var topology = study.network().topology();
    var next = new HashMap<Integer, List<Integer>>();
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      if (topology.edge(edge) instanceof Edge.Through(var device, var _)
          && study.part(device).filter(Disconnector.class::isInstance).isPresent()) continue;
      var from = topology.from(edge);
      var to = topology.otherEnd(edge, from);
      next.computeIfAbsent(from, _ -> new ArrayList<>()).add(to);
      next.computeIfAbsent(to, _ -> new ArrayList<>()).add(from);
    }
    var reached = new BitSet();
    var open = new ArrayDeque<Integer>();
    for (var source : study.network().sources())
      if (study.part(source.device()).filter(Part::mainsInlet).isPresent())
        for (var terminal : source.terminals())
          if (line(terminal, study)) open.add(topology.node(terminal));
    while (!open.isEmpty()) {
      var node = open.remove();
      if (reached.get(node)) continue;
      reached.set(node);
      open.addAll(next.getOrDefault(node, List.of()));
    }
    var devices = new HashSet<Id>();
    reached.stream().forEach(node -> devices.add(topology.terminal(node).device()));
    devices.retainAll(of(study).devices());
    return devices;
  }

  private static OnMains find(Study study) {
    var topology = study.network().topology();
    var reached = new BitSet();
    for (var source : study.network().sources()) {
      var output = source.output();
      if (output.voltage().volts() <= (output.alternating() ? ALTERNATING : DIRECT)) continue;
      for (var walk : study.network().walks(source))
        for (var node : walk.reached()) reached.set(node);
    }
    var devices = new HashSet<Id>();
    reached.stream().forEach(node -> devices.add(topology.terminal(node).device()));
    var conductors = new HashSet<Id>();
    for (var wire : study.project().conductors())
      if (reached.get(topology.node(wire.from())) && reached.get(topology.node(wire.to())))
        conductors.add(wire.id());
    return new OnMains(devices, conductors);
  }
}
