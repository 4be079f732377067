package nelvar.core.analysis;

import java.util.function.Predicate;
import nelvar.core.model.Conductor;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;

/// What wires and parts join for good: one potential each, contacts and loads left out.
public final class Potentials {
  private final Study study;
  private final int[] nets;

  private Potentials(Study study, Predicate<Conductor> through) {
    this.study = study;
    var topology = study.network().topology();
    var joined = topology.joinedNodes();
    var root = new int[joined.length];
    for (var i = 0; i < root.length; i++) root[i] = i;
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      if (!(topology.edge(edge) instanceof Edge.Wire(var wire)) || !through.test(wire)) continue;
      var a = root(joined[topology.from(edge)], root);
      var b = root(joined[topology.otherEnd(edge, topology.from(edge))], root);
      root[Math.max(a, b)] = Math.min(a, b);
    }
    nets = java.util.Arrays.stream(joined).map(node -> root(node, root)).toArray();
  }

  public static Potentials of(Study study) {
    return study.once(Potentials.class, () -> new Potentials(study, _ -> true));
  }

  /// Without what protective conductors and shields join.
  public static Potentials working(Study study) {
    return study.once("working potentials", () -> new Potentials(study, Conductor::carriesWork));
  }

  private static int root(int of, int[] root) {
    var at = of;
    while (root[at] != at) {
      root[at] = root[root[at]];
      at = root[at];
    }
    return at;
  }

  /// Its number; below zero where the terminal does not exist.
  public int at(TerminalRef end) {
    var node = study.network().topology().node(end);
    return node < 0 ? -1 : nets[node];
  }
}
