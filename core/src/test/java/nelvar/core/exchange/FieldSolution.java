package nelvar.core.exchange;

/// Capacitance and inductance of two round wires over a plate, from their surface charges: each
/// wire is cut into strips of even charge whose potential is sought, with their mirror images below
/// the plate. No closed formula of the product is used: the charge spreads as it wants, also where
/// wires come close.
final class FieldSolution {
  private static final int STRIPS = 48;
  private static final double EPSILON = 8.8541878128e-12;
  private static final double LIGHT = 299_792_458.0;

  /// F/m, as in a network: between both, and of each to the plate.
  final double between;

  final double firstToPlate;
  final double secondToPlate;

  /// H/m, the plate being the way back of both.
  final double mutual;

  final double ownFirst;

  private FieldSolution(double[][] c) {
    between = -c[0][1];
    firstToPlate = c[0][0] + c[0][1];
    secondToPlate = c[1][1] + c[0][1];
    var det = c[0][0] * c[1][1] - c[0][1] * c[1][0];
    // In air L is µε times the inverse of C.
    var factor = 1 / (LIGHT * LIGHT);
    mutual = -c[0][1] / det * factor;
    ownFirst = c[1][1] / det * factor;
  }

  /// Heights of the middles over the plate, and between the middles, m.
  static FieldSolution of(double h1, double r1, double h2, double r2, double apart) {
    var n = 2 * STRIPS;
    var x = new double[n];
    var y = new double[n];
    var w = new double[n];
    for (var i = 0; i < n; i++) {
      var first = i < STRIPS;
      var angle = 2 * Math.PI * (i % STRIPS + 0.5) / STRIPS;
      var r = first ? r1 : r2;
      x[i] = (first ? 0 : apart) + r * Math.cos(angle);
      y[i] = (first ? h1 : h2) + r * Math.sin(angle);
      w[i] = 2 * Math.PI * r / STRIPS;
    }
    var a = new double[n][n + 2];
    for (var i = 0; i < n; i++) {
      for (var j = 0; j < n; j++) {
        var image = Math.hypot(x[i] - x[j], y[i] + y[j]);
        // Of a straight strip on itself: the mean of the logarithm along it.
        var near = i == j ? Math.exp(Math.log(w[i] / 2) - 1) : Math.hypot(x[i] - x[j], y[i] - y[j]);
        a[i][j] = Math.log(image / near) / (2 * Math.PI * EPSILON);
      }
      a[i][n] = i < STRIPS ? 1 : 0;
      a[i][n + 1] = i < STRIPS ? 0 : 1;
    }
    solve(a, n);
    var c = new double[2][2];
    for (var k = 0; k < 2; k++) for (var i = 0; i < n; i++) c[i < STRIPS ? 0 : 1][k] += a[i][n + k];
    return new FieldSolution(c);
  }

  private static void solve(double[][] a, int n) {
    for (var k = 0; k < n; k++) {
      var best = k;
      for (var i = k + 1; i < n; i++) if (Math.abs(a[i][k]) > Math.abs(a[best][k])) best = i;
      var row = a[k];
      a[k] = a[best];
      a[best] = row;
      for (var i = 0; i < n; i++) {
        if (i == k) continue;
        var f = a[i][k] / a[k][k];
        for (var j = k; j < n + 2; j++) a[i][j] -= f * a[k][j];
      }
    }
    for (var k = 0; k < n; k++) for (var j = n; j < n + 2; j++) a[k][j] /= a[k][k];
  }
}
