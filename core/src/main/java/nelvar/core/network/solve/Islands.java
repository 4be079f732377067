package nelvar.core.network.solve;

import java.util.Arrays;

/// Which nodes current can pass between, and the node of each such island that voltages count from.
final class Islands {
  private final int[] root;
  private final boolean[] live;
  final int[] pins;

  /// The pins that would be there without bridges; those of the islands among them.
  final int[] pinsWithoutBridges;

  private Islands(int[] root, boolean[] live, int[] pins, int[] pinsWithoutBridges) {
    this.root = root;
    this.live = live;
    this.pins = pins;
    this.pinsWithoutBridges = pinsWithoutBridges;
  }

  static Islands of(Present now) {
    return of(now.grid, now.closed, now.on, now.bridges);
  }

  private static Islands of(
      Grid grid, boolean[] closed, boolean[] on, java.util.List<Inputs.Bridged> bridges) {
    var sets = new Sets(grid.nodes());
    for (var i = 0; i < closed.length; i++) {
      var branch = grid.branches().get(i);
      if (closed[i]) sets.join(branch.a(), branch.b());
    }
    for (var t : grid.transformers()) {
      sets.join(t.a(), t.b());
      sets.join(t.c(), t.d());
    }
    for (var emf : grid.emfs()) sets.join(emf.minus(), emf.plus());
    for (var load : grid.loads()) sets.join(load.a(), load.b());
    var root = sets.roots();
    if (bridges.isEmpty()) {
      var pins = pins(grid, root);
      return new Islands(root, live(grid, root, on), pins, pins);
    }
    var without = pins(grid, root);
    for (var bridge : bridges) sets.join(bridge.a(), bridge.b());
    root = sets.roots();
    // Of the pins of islands that bridges make one, the first of them in the usual order stays.
    var kept = new java.util.HashSet<Integer>();
    var pins = new java.util.ArrayList<Integer>();
    var ordered = new java.util.ArrayList<Integer>();
    for (var pin : without)
      if (pin == grid.earth()) ordered.addFirst(pin);
      else ordered.add(pin);
    for (var pin : ordered) if (kept.add(root[pin])) pins.add(pin);
    return new Islands(
        root, live(grid, root, on), pins.stream().mapToInt(Integer::intValue).toArray(), without);
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

  /// The same nodes joined, with other sources on.
  Islands with(Grid grid, boolean[] on) {
    return new Islands(root, live(grid, root, on), pins, pinsWithoutBridges);
  }

  int of(int node) {
    return root[node];
  }

  boolean live(int node) {
    return live[root[node]];
  }
}
