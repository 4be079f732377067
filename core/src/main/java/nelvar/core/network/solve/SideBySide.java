package nelvar.core.network.solve;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.model.Conductor;
import nelvar.core.network.Edge;
import nelvar.core.network.Topology;
import nelvar.core.standards.CopperResistance;
import nelvar.core.units.Temperature;

/// Conductors that lie side by side between the same two points, and the share of the current each
/// takes: as their conductances, equal where a length or section is not known.
final class SideBySide {
  private record Pair(int a, int b) {}

  /// All are as warm as each other: any temperature gives the same shares.
  private static final Temperature COLD = new Temperature(20);

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
    return sets.values().stream()
        .filter(set -> set.size() > 1)
        .map(set -> shares(set, topology))
        .toList();
  }

  private static Map<Integer, Double> shares(List<Integer> set, Topology topology) {
    var conductances = new LinkedHashMap<Integer, Double>();
    for (var edge : set)
      conductances.put(edge, conductance(((Edge.Wire) topology.edge(edge)).conductor(), topology));
    if (conductances.containsValue(0.0)) conductances.replaceAll((_, _) -> 1.0);
    var total = conductances.values().stream().mapToDouble(g -> g).sum();
    conductances.replaceAll((_, g) -> g / total);
    return conductances;
  }

  private static double conductance(Conductor conductor, Topology topology) {
    var length = topology.length(conductor);
    if (length.isEmpty() || conductor.section().isEmpty() || length.get().metres() == 0) return 0;
    return CopperResistance.of(conductor.section().get(), length.get(), COLD)
        .map(ohms -> 1 / ohms.ohms())
        .orElse(0.0);
  }
}
