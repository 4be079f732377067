package nelvar.core.network;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import nelvar.core.catalogue.Demand;
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
        fed.forEach((winding, rated) ->
            all.put(
                winding,
                set.map(current -> current.amperes() / fed.size())
                    .orElse(Math.min(rated, output.rating().amperes() / fed.size()))));
      }
    }
    return all;
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
