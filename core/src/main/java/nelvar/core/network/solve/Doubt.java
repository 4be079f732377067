package nelvar.core.network.solve;

import java.util.Set;
import java.util.function.IntPredicate;

/// Where no state was found: nothing is read out there.
final class Doubt {
  private static final Doubt NONE = new Doubt(_ -> true, _ -> true, _ -> true, _ -> true, null);

  private final IntPredicate branch;
  private final IntPredicate bridge;
  private final IntPredicate load;
  private final IntPredicate emf;

  /// By node, what a way of settled parts joins; null without doubt.
  private final int @org.jspecify.annotations.Nullable [] root;

  private Doubt(
      IntPredicate branch,
      IntPredicate bridge,
      IntPredicate load,
      IntPredicate emf,
      int @org.jspecify.annotations.Nullable [] root) {
    this.branch = branch;
    this.bridge = bridge;
    this.load = load;
    this.emf = emf;
    this.root = root;
  }

  static Doubt none() {
    return NONE;
  }

  static Doubt everywhere(Grid grid, Present now) {
    return of(grid, now, _ -> false, _ -> false, _ -> false, _ -> false, _ -> false);
  }

  /// @param doubtful those of the parts that did not settle
  static Doubt in(Grid grid, Present now, Parts parts, Set<Integer> doubtful) {
    return of(
        grid,
        now,
        i -> !doubtful.contains(parts.ofBranch(i)),
        i -> !doubtful.contains(parts.ofBridge(i)),
        i -> !doubtful.contains(parts.ofLoad(i)),
        i -> !doubtful.contains(parts.ofEmf(i)),
        i -> !doubtful.contains(parts.ofTransformer(i)));
  }

  private static Doubt of(
      Grid grid,
      Present now,
      IntPredicate branch,
      IntPredicate bridge,
      IntPredicate load,
      IntPredicate emf,
      IntPredicate transformer) {
    var sets = new Sets(grid.nodes());
    for (var i = 0; i < grid.branches().size(); i++)
      if (now.closed[i] && branch.test(i))
        sets.join(grid.branches().get(i).a(), grid.branches().get(i).b());
    for (var i = 0; i < now.bridges.size(); i++)
      if (bridge.test(i)) sets.join(now.bridges.get(i).a(), now.bridges.get(i).b());
    for (var i = 0; i < grid.loads().size(); i++)
      if (load.test(i)) sets.join(grid.loads().get(i).a(), grid.loads().get(i).b());
    for (var i = 0; i < grid.emfs().size(); i++)
      if (emf.test(i)) sets.join(grid.emfs().get(i).minus(), grid.emfs().get(i).plus());
    for (var i = 0; i < grid.transformers().size(); i++) {
      if (!transformer.test(i)) continue;
      var t = grid.transformers().get(i);
      sets.join(t.a(), t.b());
      sets.join(t.c(), t.d());
    }
    return new Doubt(branch, bridge, load, emf, sets.roots());
  }

  boolean any() {
    return root != null;
  }

  boolean branch(int index) {
    return branch.test(index);
  }

  boolean bridge(int index) {
    return bridge.test(index);
  }

  boolean load(int index) {
    return load.test(index);
  }

  boolean emf(int index) {
    return emf.test(index);
  }

  boolean between(int a, int b) {
    return root == null || root[a] == root[b];
  }
}
