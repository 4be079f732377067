package nelvar.core.network.solve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/// The order in which the nodes of a network are eliminated, and what each elimination touches.
///
/// Panels are nearly trees: taking the node with the fewest neighbours first (minimum degree)
/// leaves hardly anything new to fill in, and the work grows in step with the number of conductors.
final class Elimination {
  final int nodes;

  /// The nodes in the order they are eliminated, and the place of each in it.
  final int[] order;

  final int[] place;

  /// Column `k` of the factor holds the nodes `row[start[k]] … row[start[k + 1] - 1]`, all
  /// eliminated after it, in rising order of node.
  final int[] start;

  final int[] row;

  /// By entry of `row`, when that node is eliminated.
  final int[] rowPlace;

  /// For every pair of one column's rows, in the order the factorisation meets them: where in `row`
  /// their product is subtracted.
  final int[] target;

  private Elimination(int nodes, int[] order, int[] place, int[] start, int[] row) {
    this.nodes = nodes;
    this.order = order;
    this.place = place;
    this.start = start;
    this.row = row;
    this.rowPlace = new int[row.length];
    for (var p = 0; p < row.length; p++) rowPlace[p] = place[row[p]];
    this.target = targets();
  }

  /// @param a one end of each branch; `b` the other
  static Elimination of(int nodes, int[] a, int[] b) {
    var neighbours = new int[nodes][];
    var degree = new int[nodes];
    for (var i = 0; i < a.length; i++) {
      degree[a[i]]++;
      degree[b[i]]++;
    }
    for (var node = 0; node < nodes; node++) neighbours[node] = new int[degree[node]];
    Arrays.fill(degree, 0);
    for (var i = 0; i < a.length; i++) {
      if (a[i] == b[i]) continue;
      neighbours[a[i]][degree[a[i]]++] = b[i];
      neighbours[b[i]][degree[b[i]]++] = a[i];
    }
    for (var node = 0; node < nodes; node++)
      neighbours[node] = distinct(neighbours[node], degree[node]);
    return eliminate(nodes, neighbours);
  }

  private static int[] distinct(int[] list, int length) {
    Arrays.sort(list, 0, length);
    var count = 0;
    for (var i = 0; i < length; i++)
      if (count == 0 || list[count - 1] != list[i]) list[count++] = list[i];
    return Arrays.copyOf(list, count);
  }

  private static Elimination eliminate(int nodes, int[][] neighbours) {
    var waiting = new Waiting(nodes);
    for (var node = 0; node < nodes; node++) waiting.add(neighbours[node].length, node);
    var order = new int[nodes];
    var place = new int[nodes];
    Arrays.fill(place, -1);
    var start = new int[nodes + 1];
    var row = new int[4 * nodes + 16];
    var used = 0;
    for (var k = 0; k < nodes; k++) {
      var node = waiting.take();
      order[k] = node;
      place[node] = k;
      var around = neighbours[node];
      if (used + around.length > row.length)
        row = Arrays.copyOf(row, Math.max(2 * row.length, used + around.length));
      System.arraycopy(around, 0, row, used, around.length);
      used += around.length;
      start[k + 1] = used;
      for (var other : around) {
        var before = neighbours[other].length;
        neighbours[other] = joined(neighbours[other], around, node, other);
        waiting.move(before, neighbours[other].length, other);
      }
      neighbours[node] = new int[0];
    }
    return new Elimination(nodes, order, place, start, Arrays.copyOf(row, used));
  }

  /// Nodes by how many neighbours they have; the lowest of the fewest goes first.
  private static final class Waiting {
    private final int nodes;
    private final List<BitSet> byDegree = new ArrayList<>();

    /// By degree, below which no node waits.
    private int[] from = new int[8];

    private int least;

    Waiting(int nodes) {
      this.nodes = nodes;
    }

    void add(int degree, int node) {
      while (byDegree.size() <= degree) byDegree.add(new BitSet(nodes));
      if (from.length <= degree) from = Arrays.copyOf(from, 2 * degree + 1);
      byDegree.get(degree).set(node);
      from[degree] = Math.min(from[degree], node);
      least = Math.min(least, degree);
    }

    void move(int before, int now, int node) {
      if (before == now) return;
      byDegree.get(before).clear(node);
      add(now, node);
    }

    int take() {
      for (; ; least++) {
        var node = byDegree.get(least).nextSetBit(from[least]);
        from[least] = node < 0 ? nodes : node;
        if (node < 0) continue;
        byDegree.get(least).clear(node);
        return node;
      }
    }
  }

  /// The union of two rising lists without `gone` and `self`.
  private static int[] joined(int[] mine, int[] around, int gone, int self) {
    var all = new int[mine.length + around.length];
    var count = 0;
    var i = 0;
    var j = 0;
    while (i < mine.length || j < around.length) {
      int next;
      if (j >= around.length || (i < mine.length && mine[i] < around[j])) next = mine[i++];
      else if (i >= mine.length || around[j] < mine[i]) next = around[j++];
      else {
        next = mine[i++];
        j++;
      }
      if (next != gone && next != self) all[count++] = next;
    }
    return Arrays.copyOf(all, count);
  }

  private int[] targets() {
    var pairs = 0;
    for (var k = 0; k < nodes; k++) {
      var count = start[k + 1] - start[k];
      pairs += count * (count - 1) / 2;
    }
    var all = new int[pairs];
    var next = 0;
    for (var k = 0; k < nodes; k++) {
      for (var p = start[k]; p < start[k + 1]; p++) {
        for (var q = p + 1; q < start[k + 1]; q++) all[next++] = slot(row[p], row[q]);
      }
    }
    return all;
  }

  /// Where the pair of two different nodes stands in `row`; it must be there.
  int slot(int a, int b) {
    var first = place[a] < place[b] ? a : b;
    var k = place[first];
    var found = Arrays.binarySearch(row, start[k], start[k + 1], first == a ? b : a);
    if (found < 0) throw new IllegalStateException("no branch joins nodes " + a + " and " + b);
    return found;
  }

  /// The column a column hands its work on to, or -1 at the last of an island.
  int parent(int k) {
    var first = -1;
    for (var p = start[k]; p < start[k + 1]; p++)
      if (first < 0 || place[row[p]] < first) first = place[row[p]];
    return first;
  }
}
