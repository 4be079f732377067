package nelvar.core.network.solve;

import java.util.Arrays;

/// Which nodes current can pass between, and the node of each such island that voltages count from.
final class Islands {
  private final int[] root;
  private final boolean[] live;
  final int[] pins;

  private Islands(int[] root, boolean[] live, int[] pins) {
    this.root = root;
    this.live = live;
    this.pins = pins;
  }

  static Islands of(Grid grid, boolean[] closed, boolean[] on) {
    var root = new int[grid.nodes()];
    for (var node = 0; node < root.length; node++) root[node] = node;
    for (var i = 0; i < closed.length; i++) {
      var branch = grid.branches().get(i);
      if (closed[i]) join(root, branch.a(), branch.b());
    }
    for (var t : grid.transformers()) {
      join(root, t.a(), t.b());
      join(root, t.c(), t.d());
    }
    for (var emf : grid.emfs()) join(root, emf.minus(), emf.plus());
    for (var load : grid.loads()) join(root, load.a(), load.b());
    for (var node = 0; node < root.length; node++) root[node] = find(root, node);
    return new Islands(root, live(grid, root, on), pins(grid, root));
  }

  private static boolean[] live(Grid grid, int[] root, boolean[] on) {
    var live = new boolean[root.length];
    for (var emf : grid.emfs()) if (on[emf.group()]) live[root[emf.plus()]] = true;
    // A winding hands life on to its other side, and that may do so again.
    for (var again = true; again; ) {
      again = false;
      for (var t : grid.transformers()) {
        if (live[root[t.a()]] == live[root[t.c()]]) continue;
        live[root[t.a()]] = live[root[t.c()]] = again = true;
      }
    }
    return live;
  }

  private static int[] pins(Grid grid, int[] root) {
    var pin = new int[root.length];
    Arrays.fill(pin, -1);
    if (grid.earth() >= 0) pin[root[grid.earth()]] = grid.earth();
    for (var emf : grid.emfs())
      if (pin[root[emf.minus()]] < 0) pin[root[emf.minus()]] = emf.minus();
    for (var node = 0; node < root.length; node++) if (pin[root[node]] < 0) pin[root[node]] = node;
    return Arrays.stream(pin).filter(node -> node >= 0).toArray();
  }

  private static int find(int[] root, int node) {
    while (root[node] != node) {
      root[node] = root[root[node]];
      node = root[node];
    }
    return node;
  }

  private static void join(int[] root, int a, int b) {
    root[find(root, a)] = find(root, b);
  }

  int of(int node) {
    return root[node];
  }

  boolean live(int node) {
    return live[root[node]];
  }
}
