package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.catalogue.Demand;
import nelvar.core.model.TerminalRef;

/// What chopper drives that are set to a current make flow in the windings they feed: windings side
/// by side share it.
final class SetCurrents {
  private SetCurrents() {}

  /// By the first terminal of a winding: the amperes in it.
  static Map<TerminalRef, Double> of(Topology topology) {
    var all = new HashMap<TerminalRef, Double>();
    for (var device : topology.project().devices()) {
      var part = topology.part(device.id());
      var set = part.flatMap(device::setCurrent);
      if (set.isEmpty()) continue;
      for (var output : part.get().outputs()) {
        var fed = fed(topology, new TerminalRef(device.id(), output.lines().getFirst()));
        for (var winding : fed) all.put(winding, set.get().amperes() / fed.size());
      }
    }
    return all;
  }

  private static List<TerminalRef> fed(Topology topology, TerminalRef from) {
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    var windings = new ArrayList<TerminalRef>();
    for (var node :
        Walk.from(topology.node(from), topology, Network::carriesWork, scratch).reached()) {
      var terminal = topology.terminal(node);
      var device = topology.project().device(terminal.device());
      var part = topology.part(terminal.device());
      if (device.isEmpty() || part.isEmpty()) continue;
      for (var intake : device.get().intakes(part.get()))
        if (intake.demand() instanceof Demand.FixedCurrent
            && intake.lines().getFirst().equals(terminal.terminal())) windings.add(terminal);
    }
    return windings;
  }
}
