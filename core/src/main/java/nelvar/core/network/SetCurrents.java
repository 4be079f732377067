package nelvar.core.network;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Intake;
import nelvar.core.model.TerminalRef;

/// What chopper drives make flow in the windings they feed: what they are set to, windings side by
/// side sharing it; where that is not known what the windings are rated for, as far as they can.
final class SetCurrents {
  private SetCurrents() {}

  /// By the first terminal of a winding: the amperes in it.
  static Map<TerminalRef, Double> of(Topology topology) {
    var all = new HashMap<TerminalRef, Double>();
    for (var device : topology.project().devices()) {
      var part = topology.part(device.id());
      if (part.isEmpty() || !part.get().chops()) continue;
      var set = device.setCurrent(part.get());
      for (var output : part.get().outputs()) {
        var fed = fed(topology, new TerminalRef(device.id(), output.lines().getFirst()));
        fed.forEach((winding, rated) -> {
          var amperes =
              set.map(current -> current.amperes() / fed.size())
                  .orElse(Math.min(rated, output.rating().amperes() / fed.size()));
          all.put(winding, amperes);
          // What hangs behind it carries the same.
          back(topology, winding)
              .ifPresent(end ->
                  fed(topology, end).keySet().stream()
                      .filter(next -> !next.device().equals(winding.device()))
                      .forEach(next -> all.put(next, amperes)));
        });
      }
    }
    return all;
  }

  private static Optional<TerminalRef> back(Topology topology, TerminalRef winding) {
    return topology
        .project()
        .device(winding.device())
        .flatMap(device ->
            topology
                .part(device.id())
                .flatMap(part ->
                    device.intakes(part).stream()
                        .filter(i -> i.lines().getFirst().equals(winding.terminal()))
                        .findFirst()
                        .flatMap(Intake::back)
                        .map(end -> new TerminalRef(device.id(), end))));
  }

  /// The windings an output feeds, with the amperes they are rated for.
  private static Map<TerminalRef, Double> fed(Topology topology, TerminalRef from) {
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    var windings = new LinkedHashMap<TerminalRef, Double>();
    for (var node :
        Walk.from(topology.node(from), topology, Network::carriesWork, scratch).reached()) {
      var terminal = topology.terminal(node);
      var device = topology.project().device(terminal.device());
      var part = topology.part(terminal.device());
      if (device.isEmpty() || part.isEmpty()) continue;
      for (var intake : device.get().intakes(part.get()))
        if (intake.demand() instanceof Demand.FixedCurrent(var rated)
            && intake.lines().getFirst().equals(terminal.terminal()))
          windings.put(terminal, rated.amperes());
    }
    return windings;
  }
}
