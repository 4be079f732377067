package nelvar.core.analysis.bonding;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToIntFunction;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Phasor;

/// How far everything that bonds join is from one piece of metal: the impedance between both with
/// all of the network between them.
///
/// The network's own solver cares for loads and sources and solves for volts; here every node is
/// asked for its own impedance, which is the diagonal of an inverse.
final class ToEarth {
  private final List<Bond> bonds;
  private final ToIntFunction<TerminalRef> node;
  private final int ground;
  private final Map<Integer, Integer> index = new LinkedHashMap<>();

  /// @param node of a terminal; what is joined for good is one
  /// @param ground from where all is measured
  ToEarth(List<Bond> bonds, ToIntFunction<TerminalRef> node, int ground) {
    this.bonds = bonds;
    this.node = node;
    this.ground = ground;
    for (var at : reached()) if (at != ground) index.put(at, index.size());
  }

  private Set<Integer> reached() {
    var all = new LinkedHashSet<Integer>(List.of(ground));
    var more = true;
    while (more) {
      more = false;
      for (var bond : bonds) {
        int a = node.applyAsInt(bond.from());
        int b = node.applyAsInt(bond.to());
        if (all.contains(a) ? all.add(b) : all.contains(b) && all.add(a)) more = true;
      }
    }
    return all;
  }

  /// |Z| in Ω by node; what nothing joins is missing.
  Map<Integer, Double> at(double frequency) {
    var n = index.size();
    var a = new Phasor[n][2 * n];
    for (var row : a) Arrays.fill(row, Phasor.ZERO);
    for (var i = 0; i < n; i++) a[i][n + i] = new Phasor(1, 0);
    for (var bond : bonds) add(bond, frequency, a);
    eliminate(a, n);
    Map<Integer, Double> all = new LinkedHashMap<>();
    all.put(ground, 0.0);
    index.forEach((at, i) -> all.put(at, a[i][n + i].magnitude()));
    return all;
  }

  private void add(Bond bond, double frequency, Phasor[][] a) {
    int from = node.applyAsInt(bond.from());
    int to = node.applyAsInt(bond.to());
    int i = from == ground ? -1 : index.getOrDefault(from, -2);
    int j = to == ground ? -1 : index.getOrDefault(to, -2);
    if (i == -2 || j == -2 || i == j) return;
    var z = new Phasor(Math.max(bond.ohms(), 1e-6), 2 * Math.PI * frequency * bond.henry());
    var y = new Phasor(1, 0).over(z);
    if (i >= 0) a[i][i] = a[i][i].plus(y);
    if (j >= 0) a[j][j] = a[j][j].plus(y);
    if (i >= 0 && j >= 0) {
      a[i][j] = a[i][j].minus(y);
      a[j][i] = a[j][i].minus(y);
    }
  }

  private static void eliminate(Phasor[][] a, int n) {
    for (var k = 0; k < n; k++) {
      var pivot = a[k][k];
      for (var j = k; j < 2 * n; j++) a[k][j] = a[k][j].over(pivot);
      for (var i = 0; i < n; i++) {
        if (i == k || a[i][k].equals(Phasor.ZERO)) continue;
        var f = a[i][k];
        for (var j = k; j < 2 * n; j++) a[i][j] = a[i][j].minus(f.times(a[k][j]));
      }
    }
  }
}
