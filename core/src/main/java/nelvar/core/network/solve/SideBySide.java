package nelvar.core.network.solve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.network.Edge;
import nelvar.core.network.Topology;
import nelvar.core.standards.MetricConductors;
import nelvar.core.units.Length;

/// Conductors that lie side by side between the same two points, and the share of the current each
/// takes: as their conductances, equal where a length or section is not known.
final class SideBySide {
  private record Pair(int a, int b) {}

  private SideBySide() {}

  /// For each set of two or more: the share of every edge in it.
  static List<Map<Integer, Double>> of(Topology topology) {
    var node = topology.joinedNodes();
    var sets = new LinkedHashMap<Pair, List<Integer>>();
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      if (!(topology.edge(edge) instanceof Edge.Wire(var conductor)) || !conductor.carriesWork())
        continue;
      var a = node[topology.node(conductor.from())];
      var b = node[topology.node(conductor.to())];
      if (a != b)
        sets.computeIfAbsent(new Pair(Math.min(a, b), Math.max(a, b)), _ -> new ArrayList<>())
            .add(edge);
    }
    var cables = new HashMap<Id, Length>();
    topology
        .project()
        .cables()
        .forEach(cable -> cable.length().ifPresent(length -> cables.put(cable.id(), length)));
    return sets.values().stream()
        .filter(set -> set.size() > 1)
        .map(set -> shares(set, topology, cables))
        .toList();
  }

  private static Map<Integer, Double> shares(
      List<Integer> set, Topology topology, Map<Id, Length> cables) {
    var conductances = new LinkedHashMap<Integer, Double>();
    for (var edge : set)
      conductances.put(edge, conductance(((Edge.Wire) topology.edge(edge)).conductor(), cables));
    if (conductances.containsValue(0.0)) conductances.replaceAll((_, _) -> 1.0);
    var total = conductances.values().stream().mapToDouble(g -> g).sum();
    conductances.replaceAll((_, g) -> g / total);
    return conductances;
  }

  private static double conductance(Conductor conductor, Map<Id, Length> cables) {
    var length = conductor.length().or(() -> conductor.cable().map(cables::get));
    var perMetre = conductor.section().flatMap(MetricConductors::resistance);
    if (length.isEmpty() || perMetre.isEmpty() || length.get().metres() == 0) return 0;
    return 1 / (perMetre.get().value().ohmsPerMetre() * length.get().metres());
  }
}
