package nelvar.core.network.solve;

/// The slow, obviously right twin of the solver: a full matrix, Gaussian elimination with pivoting,
/// and loads corrected in small steps. No islands, no limits: for networks in which all hangs
/// together.
final class DenseTwin {
  private final Grid grid;
  private final boolean alternating;
  private final int nodes;

  DenseTwin(Grid grid, boolean alternating) {
    this.grid = grid;
    this.alternating = alternating;
    this.nodes = grid.nodes();
  }

  /// Voltages against node 0, which is held at zero.
  Phasor[] solve() {
    var volts = new Phasor[nodes];
    java.util.Arrays.fill(volts, Phasor.ZERO);
    for (var round = 0; round < 4000; round++) {
      var next = linear(volts);
      var change = 0.0;
      for (var i = 0; i < nodes; i++) {
        change = Math.max(change, next[i].minus(volts[i]).magnitude());
        volts[i] = round == 0 ? next[i] : volts[i].plus(next[i].minus(volts[i]).times(0.5));
      }
      if (change < 1e-11) return volts;
    }
    throw new AssertionError("the twin did not settle");
  }

  private Phasor[] linear(Phasor[] before) {
    var a = new Phasor[nodes][nodes + 1];
    for (var row : a) java.util.Arrays.fill(row, Phasor.ZERO);
    for (var branch : grid.branches())
      admit(a, branch.a(), branch.b(), one(branch.ohms(), branch.reactance()));
    for (var emf : grid.emfs()) {
      var y = one(emf.ohms(), emf.reactance());
      admit(a, emf.minus(), emf.plus(), y);
      if (grid.groups().get(emf.group()).alternating() != alternating) continue;
      var pushed = times(y, new Phasor(emf.re(), emf.im()));
      a[emf.plus()][nodes] = a[emf.plus()][nodes].plus(pushed);
      a[emf.minus()][nodes] = a[emf.minus()][nodes].minus(pushed);
    }
    for (var load : grid.loads()) {
      var v = before[load.a()].minus(before[load.b()]);
      var size = v.magnitude() == 0 ? load.nominal() : v.magnitude();
      admit(a, load.a(), load.b(), new Phasor(Frequency.LEAK, 0));
      if (load.law() == Grid.Law.OHMIC) {
        admit(a, load.a(), load.b(), new Phasor(load.amount(), 0));
      } else if (load.alternating() == alternating) {
        var m = Math.max(size, load.least());
        var tan = Math.sqrt(1 - load.powerFactor() * load.powerFactor()) / load.powerFactor();
        admit(
            a,
            load.a(),
            load.b(),
            load.law() == Grid.Law.CURRENT
                ? new Phasor(load.amount() / m, 0)
                : new Phasor(
                    load.amount() / m / m, alternating ? -load.amount() / m / m * tan : 0));
      }
    }
    for (var t : grid.transformers()) transformer(a, t);
    java.util.Arrays.fill(a[0], Phasor.ZERO);
    a[0][0] = new Phasor(1, 0);
    return eliminate(a);
  }

  private void transformer(Phasor[][] a, Grid.Transformer t) {
    if (!alternating) {
      admit(a, t.c(), t.d(), one(t.ohms(), 0));
      admit(a, t.a(), t.b(), one(t.ohms() / t.ratio() / t.ratio(), 0));
      return;
    }
    var y = one(t.ohms(), t.reactance());
    // I = y·(n·Uab − Ucd) leaves c and comes back at d; n·I enters a and leaves at b.
    int[] node = {t.a(), t.b(), t.c(), t.d()};
    double[] part = {t.ratio(), -t.ratio(), -1, 1};
    for (var row = 0; row < 4; row++)
      for (var column = 0; column < 4; column++)
        a[node[row]][node[column]] =
            a[node[row]][node[column]].plus(y.times(part[row] * part[column]));
    admit(a, t.a(), t.b(), new Phasor(Frequency.LEAK, 0));
    admit(a, t.c(), t.d(), new Phasor(Frequency.LEAK, 0));
  }

  private static void admit(Phasor[][] a, int i, int j, Phasor y) {
    a[i][i] = a[i][i].plus(y);
    a[j][j] = a[j][j].plus(y);
    a[i][j] = a[i][j].minus(y);
    a[j][i] = a[j][i].minus(y);
  }

  private Phasor one(double ohms, double reactance) {
    return over(new Phasor(1, 0), new Phasor(ohms, alternating ? reactance : 0));
  }

  static Phasor times(Phasor a, Phasor b) {
    return new Phasor(a.re() * b.re() - a.im() * b.im(), a.re() * b.im() + a.im() * b.re());
  }

  static Phasor over(Phasor a, Phasor b) {
    return times(a, new Phasor(b.re(), -b.im())).times(1 / (b.re() * b.re() + b.im() * b.im()));
  }

  private Phasor[] eliminate(Phasor[][] a) {
    for (var column = 0; column < nodes; column++) {
      var best = column;
      for (var row = column; row < nodes; row++)
        if (a[row][column].magnitude() > a[best][column].magnitude()) best = row;
      var swap = a[best];
      a[best] = a[column];
      a[column] = swap;
      for (var row = 0; row < nodes; row++) {
        if (row == column || a[row][column].magnitude() == 0) continue;
        var factor = over(a[row][column], a[column][column]);
        for (var j = column; j <= nodes; j++)
          a[row][j] = a[row][j].minus(times(factor, a[column][j]));
      }
    }
    var x = new Phasor[nodes];
    for (var i = 0; i < nodes; i++) x[i] = over(a[i][nodes], a[i][i]);
    return x;
  }
}
