package nelvar.core.network.solve;

import java.util.Arrays;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/// The nodal admittance matrix of a network at one frequency: symmetric and complex, of a fixed
/// pattern, factored as L·D·Lᵀ. At direct current the imaginary parts stay zero.
final class Admittances {
  private final Elimination elimination;
  private final double[] diagonalRe;
  private final double[] diagonalIm;
  private final double[] re;
  private final double[] im;

  /// The currents, then volts, in the order of elimination.
  private final double[] inOrderRe;

  private final double[] inOrderIm;

  private static final int REFINEMENTS = 2;

  /// What stands besides the pattern; solving takes it in afterwards.
  private LowRank besides = LowRank.NOTHING;

  private @Nullable Whole whole;

  /// Whether there are no imaginary parts, at direct current.
  private final boolean real;

  Admittances(Elimination elimination, boolean real) {
    this.real = real;
    this.elimination = elimination;
    this.diagonalRe = new double[elimination.nodes];
    this.diagonalIm = new double[elimination.nodes];
    this.re = new double[elimination.row.length];
    this.im = new double[elimination.row.length];
    this.inOrderRe = new double[elimination.nodes];
    this.inOrderIm = new double[real ? 0 : elimination.nodes];
  }

  int nodes() {
    return elimination.nodes;
  }

  void clear() {
    Arrays.fill(diagonalRe, 0);
    Arrays.fill(diagonalIm, 0);
    Arrays.fill(re, 0);
    Arrays.fill(im, 0);
    besides = LowRank.NOTHING;
  }

  /// Factors together with what the pattern has no place for.
  boolean factor(LowRank more) {
    besides = LowRank.NOTHING;
    if (more.isEmpty()) return factor();
    whole = new Whole(diagonalRe.clone(), diagonalIm.clone(), re.clone(), im.clone());
    if (!factor() || !more.prepare(this)) return false;
    besides = more;
    return true;
  }

  /// Adds an admittance between two nodes.
  void branch(int a, int b, double g, double s) {
    if (a == b) return;
    ground(a, g, s);
    ground(b, g, s);
    mutual(a, b, -g, -s);
  }

  /// The same where it is known where the pair stands; -1 for two ends of one node.
  void branch(int slot, int a, int b, double g, double s) {
    if (slot < 0) return;
    ground(a, g, s);
    ground(b, g, s);
    re[slot] -= g;
    im[slot] -= s;
  }

  /// Where a pair of nodes stands; -1 for one and the same.
  int slot(int a, int b) {
    return a == b ? -1 : elimination.slot(a, b);
  }

  /// Adds an admittance from one node to the reference.
  void ground(int node, double g, double s) {
    diagonalRe[node] += g;
    diagonalIm[node] += s;
  }

  /// Adds to what couples two different nodes.
  void mutual(int a, int b, double g, double s) {
    if (a == b) {
      ground(a, 2 * g, 2 * s);
      return;
    }
    var slot = elimination.slot(a, b);
    re[slot] += g;
    im[slot] += s;
  }

  /// The matrix before it was factored, without what stands besides the pattern.
  private final class Whole {
    private final double[] ownRe;
    private final double[] ownIm;
    private final double[] mutualRe;
    private final double[] mutualIm;

    Whole(double[] ownRe, double[] ownIm, double[] mutualRe, double[] mutualIm) {
      this.ownRe = ownRe;
      this.ownIm = ownIm;
      this.mutualRe = mutualRe;
      this.mutualIm = mutualIm;
    }

    /// Takes from `outRe` and `outIm` what flows at the volts `x` and `y`.
    void subtract(double[] x, double[] y, double[] outRe, double[] outIm) {
      var e = elimination;
      for (var node = 0; node < e.nodes; node++)
        subtract(node, node, ownRe[node], ownIm[node], x, y, outRe, outIm);
      for (var k = 0; k < e.nodes; k++) {
        for (var p = e.start[k]; p < e.start[k + 1]; p++) {
          subtract(e.order[k], e.row[p], mutualRe[p], mutualIm[p], x, y, outRe, outIm);
          subtract(e.row[p], e.order[k], mutualRe[p], mutualIm[p], x, y, outRe, outIm);
        }
      }
    }

    private void subtract(
        int to,
        int from,
        double g,
        double s,
        double[] x,
        double[] y,
        double[] outRe,
        double[] outIm) {
      outRe[to] -= g * x[from] - s * y[from];
      outIm[to] -= g * y[from] + s * x[from];
    }
  }

  /// Factors in place; false where a pivot vanishes (an island without a reference). The diagonal
  /// then holds the inverse of each pivot.
  boolean factor() {
    return real ? factorReal() : factorComplex();
  }

  private boolean factorReal() {
    var e = elimination;
    var pair = 0;
    for (var k = 0; k < e.nodes; k++) {
      var node = e.order[k];
      var d = diagonalRe[node];
      if (!(d * d > 1e-300)) return false;
      var inverse = 1 / d;
      diagonalRe[node] = inverse;
      var end = e.start[k + 1];
      for (var p = e.start[k]; p < end; p++) {
        var above = re[p];
        var l = above * inverse;
        diagonalRe[e.row[p]] -= above * l;
        for (var q = p + 1; q < end; q++) re[e.target[pair++]] -= re[q] * l;
        re[p] = l;
      }
    }
    return true;
  }

  private boolean factorComplex() {
    var e = elimination;
    var pair = 0;
    for (var k = 0; k < e.nodes; k++) {
      var node = e.order[k];
      var dr = diagonalRe[node];
      var di = diagonalIm[node];
      var size = dr * dr + di * di;
      if (!(size > 1e-300)) return false;
      var inverseRe = dr / size;
      var inverseIm = -di / size;
      diagonalRe[node] = inverseRe;
      diagonalIm[node] = inverseIm;
      var end = e.start[k + 1];
      for (var p = e.start[k]; p < end; p++) {
        var lr = re[p] * inverseRe - im[p] * inverseIm;
        var li = re[p] * inverseIm + im[p] * inverseRe;
        var to = e.row[p];
        diagonalRe[to] -= re[p] * lr - im[p] * li;
        diagonalIm[to] -= re[p] * li + im[p] * lr;
        for (var q = p + 1; q < end; q++) {
          var target = e.target[pair++];
          re[target] -= re[q] * lr - im[q] * li;
          im[target] -= re[q] * li + im[q] * lr;
        }
        re[p] = lr;
        im[p] = li;
      }
    }
    return true;
  }

  /// Replaces the currents into the nodes by the voltages they cause; factor first.
  ///
  /// What stands besides the pattern can outweigh the rest so far that digits are lost: what the
  /// voltages found leave over is solved for again.
  void solve(double[] x, double[] y) {
    if (besides.isEmpty()) {
      alone(x, y);
      return;
    }
    var wantedRe = x.clone();
    var wantedIm = y.clone();
    both(x, y);
    for (var again = 0; again < REFINEMENTS; again++) {
      var overRe = wantedRe.clone();
      var overIm = wantedIm.clone();
      Objects.requireNonNull(whole).subtract(x, y, overRe, overIm);
      besides.subtract(x, y, overRe, overIm);
      both(overRe, overIm);
      for (var node = 0; node < x.length; node++) {
        x[node] += overRe[node];
        y[node] += overIm[node];
      }
    }
  }

  private void both(double[] x, double[] y) {
    alone(x, y);
    besides.correct(x, y);
  }

  /// Without what stands besides the pattern.
  void alone(double[] x, double[] y) {
    if (real) aloneReal(x);
    else aloneComplex(x, y);
  }

  private void aloneReal(double[] x) {
    var order = elimination.order;
    var start = elimination.start;
    var row = elimination.rowPlace;
    var g = re;
    var w = inOrderRe;
    for (var k = 0; k < order.length; k++) w[k] = x[order[k]];
    for (var k = 0; k < order.length; k++) {
      var at = w[k];
      if (at == 0) continue;
      for (int p = start[k], end = start[k + 1]; p < end; p++) w[row[p]] -= g[p] * at;
    }
    for (var k = order.length - 1; k >= 0; k--) {
      var node = order[k];
      var at = w[k] * diagonalRe[node];
      for (int p = start[k], end = start[k + 1]; p < end; p++) at -= g[p] * w[row[p]];
      w[k] = at;
      x[node] = at;
    }
  }

  private void aloneComplex(double[] x, double[] y) {
    var order = elimination.order;
    var start = elimination.start;
    var row = elimination.rowPlace;
    var g = re;
    var s = im;
    var u = inOrderRe;
    var v = inOrderIm;
    for (var k = 0; k < order.length; k++) {
      u[k] = x[order[k]];
      v[k] = y[order[k]];
    }
    for (var k = 0; k < order.length; k++) {
      var xr = u[k];
      var xi = v[k];
      if (xr == 0 && xi == 0) continue;
      for (int p = start[k], end = start[k + 1]; p < end; p++) {
        var to = row[p];
        u[to] -= g[p] * xr - s[p] * xi;
        v[to] -= g[p] * xi + s[p] * xr;
      }
    }
    for (var k = order.length - 1; k >= 0; k--) {
      var node = order[k];
      var dr = diagonalRe[node];
      var di = diagonalIm[node];
      var xr = u[k] * dr - v[k] * di;
      var xi = u[k] * di + v[k] * dr;
      for (int p = start[k], end = start[k + 1]; p < end; p++) {
        var to = row[p];
        xr -= g[p] * u[to] - s[p] * v[to];
        xi -= g[p] * v[to] + s[p] * u[to];
      }
      u[k] = xr;
      v[k] = xi;
      x[node] = xr;
      y[node] = xi;
    }
  }

  /// The impedance seen between two nodes, in Ω; only the columns that both hand their work to are
  /// touched, so asking for every terminal of a panel stays cheap.
  Phasor impedance(int a, int b) {
    if (a == b) return Phasor.ZERO;
    if (!besides.isEmpty()) {
      var x = new double[elimination.nodes];
      var y = new double[elimination.nodes];
      x[a] = 1;
      x[b] = -1;
      solve(x, y);
      return new Phasor(x[a] - x[b], y[a] - y[b]);
    }
    var e = elimination;
    // Both ways up the elimination tree are in order and end at its root: they are walked as one.
    var u = new double[e.nodes];
    var v = new double[e.nodes];
    u[a] = 1;
    u[b] = -1;
    var zr = 0.0;
    var zi = 0.0;
    var one = e.place[a];
    var other = e.place[b];
    while (one >= 0 || other >= 0) {
      var k = other < 0 || (one >= 0 && one <= other) ? one : other;
      if (one == k) one = e.parent(k);
      if (other == k) other = e.parent(k);
      var node = e.order[k];
      var vr = u[node];
      var vi = v[node];
      if (vr == 0 && vi == 0) continue;
      var dr = diagonalRe[node];
      var di = diagonalIm[node];
      var sr = vr * vr - vi * vi;
      var si = 2 * vr * vi;
      zr += sr * dr - si * di;
      zi += sr * di + si * dr;
      for (var p = e.start[k]; p < e.start[k + 1]; p++) {
        var to = e.row[p];
        u[to] -= re[p] * vr - im[p] * vi;
        v[to] -= re[p] * vi + im[p] * vr;
      }
    }
    return new Phasor(zr, zi);
  }
}
