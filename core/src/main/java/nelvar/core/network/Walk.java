package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.Predicate;

/// Everything that can be reached from one terminal, each node with the edge it was first reached
/// by.
public final class Walk {
  private final Topology topology;
  private final int start;
  private final int[] nodes;
  private final int[] by;

  private Walk(Topology topology, int start, int[] nodes, int[] by) {
    this.topology = topology;
    this.start = start;
    this.nodes = nodes;
    this.by = by;
  }

  /// Breadth first, so that each way found has the fewest hops. `seen` is scratch space of node
  /// count, all -1, left so.
  static Walk from(int start, Topology topology, Predicate<Edge> passes, int[] seen) {
    var queue = new int[64];
    var count = 0;
    queue[count++] = start;
    seen[start] = Integer.MAX_VALUE;
    for (var next = 0; next < count; next++) {
      var node = queue[next];
      for (var i = 0; i < topology.degree(node); i++) {
        var edge = topology.edgeAt(node, i);
        var other = topology.otherEnd(edge, node);
        if (seen[other] != -1 || !passes.test(topology.edge(edge))) continue;
        seen[other] = edge;
        if (count == queue.length) queue = Arrays.copyOf(queue, 2 * count);
        queue[count++] = other;
      }
    }
    var sorted = Arrays.copyOf(queue, count);
    Arrays.sort(sorted);
    var by = new int[count];
    for (var i = 0; i < count; i++) by[i] = seen[sorted[i]];
    for (var node : sorted) seen[node] = -1;
    return new Walk(topology, start, sorted, by);
  }

  public int start() {
    return start;
  }

  public boolean reaches(int node) {
    return Arrays.binarySearch(nodes, node) >= 0;
  }

  /// All nodes reached, rising.
  public int[] reached() {
    return nodes.clone();
  }

  /// The edge by which `node` was first reached; -1 at the start.
  int lastEdgeOrStart(int node) {
    return node == start ? -1 : by[Arrays.binarySearch(nodes, node)];
  }

  /// The edge by which `node` was first reached; -1 at the start and where it was not.
  public int lastEdge(int node) {
    return reaches(node) ? lastEdgeOrStart(node) : -1;
  }

  /// The edges from the start to `node`, in that order; empty at the start.
  public List<Integer> way(int node) {
    var edges = new ArrayList<Integer>();
    for (var at = node; at != start; ) {
      var edge = by[Arrays.binarySearch(nodes, at)];
      edges.add(edge);
      at = topology.otherEnd(edge, at);
    }
    Collections.reverse(edges);
    return edges;
  }
}
