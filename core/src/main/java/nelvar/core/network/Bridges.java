package nelvar.core.network;

import java.util.Arrays;
import java.util.BitSet;
import java.util.function.Predicate;

/// Which edges of a topology lie on no ring (Tarjan's bridges), walked without recursion so that a
/// long row of terminals is no matter.
final class Bridges {
  private final Topology topology;
  private final Predicate<Edge> passes;
  private final int[] entered;
  private final int[] lowest;
  private final int[] by;
  private final int[] next;
  private final BitSet bridges = new BitSet();
  private int clock;

  private Bridges(Topology topology, Predicate<Edge> passes) {
    this.topology = topology;
    this.passes = passes;
    this.entered = new int[topology.nodeCount()];
    this.lowest = new int[topology.nodeCount()];
    this.by = new int[topology.nodeCount()];
    this.next = new int[topology.nodeCount()];
    Arrays.fill(by, -1);
  }

  static BitSet of(Topology topology, Predicate<Edge> passes) {
    var search = new Bridges(topology, passes);
    for (var node = 0; node < topology.nodeCount(); node++)
      if (search.entered[node] == 0) search.walk(node);
    return search.bridges;
  }

  private void walk(int start) {
    var stack = new int[64];
    var depth = 0;
    stack[0] = start;
    enter(start, -1);
    while (depth >= 0) {
      var node = stack[depth];
      if (next[node] == topology.degree(node)) {
        depth--;
        if (depth >= 0) leave(node, stack[depth]);
        continue;
      }
      var edge = topology.edgeAt(node, next[node]++);
      if (edge == by[node] || !passes.test(topology.edge(edge))) continue;
      var other = topology.otherEnd(edge, node);
      if (entered[other] != 0) {
        lowest[node] = Math.min(lowest[node], entered[other]);
        continue;
      }
      enter(other, edge);
      if (++depth == stack.length) stack = Arrays.copyOf(stack, 2 * stack.length);
      stack[depth] = other;
    }
  }

  private void enter(int node, int edge) {
    entered[node] = lowest[node] = ++clock;
    by[node] = edge;
  }

  private void leave(int node, int parent) {
    lowest[parent] = Math.min(lowest[parent], lowest[node]);
    if (lowest[node] > entered[parent]) bridges.set(by[node]);
  }
}
