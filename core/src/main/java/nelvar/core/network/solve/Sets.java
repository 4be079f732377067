package nelvar.core.network.solve;

/// Nodes that belong together, joined two at a time.
public final class Sets {
  private final int[] root;

  public Sets(int count) {
    root = new int[count];
    for (var i = 0; i < count; i++) root[i] = i;
  }

  public int find(int one) {
    var at = one;
    while (root[at] != at) {
      root[at] = root[root[at]];
      at = root[at];
    }
    return at;
  }

  public void join(int a, int b) {
    root[find(a)] = find(b);
  }

  /// By element, what names the set it is in.
  public int[] roots() {
    var all = new int[root.length];
    for (var i = 0; i < all.length; i++) all[i] = find(i);
    return all;
  }
}
