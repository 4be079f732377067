package nelvar.core.network.solve;

import org.jspecify.annotations.Nullable;

/// One frequency of a grid: assembles its matrix for the present switching, and finds the voltages
/// at which loads take what they ask for.
///
/// A load stands in the matrix as the admittance it had when the matrix was last factored; what it
/// takes beyond that is fed in as a current and corrected until it settles. A healthy panel settles
/// in a few corrections; where it does not, the matrix is factored anew around the latest voltages.
final class Frequency {
  /// Ties together what only an idle source or an empty load joins: 1 GΩ.
  static final double LEAK = 1e-9;

  private static final double SETTLED = 1e-12;

  /// Good enough where rounding forbids better.
  private static final double CLOSE = 1e-9;

  /// Good enough on the way.
  private static final double ROUGHLY = 1e-6;

  private static final int CORRECTIONS = 12;
  private static final int FACTORINGS = 10;

  /// Where loads pull against each other (an open neutral), admittances move only part of the way.
  private static final int DAMPED = 300;

  private static final double PART = 0.3;
  private static final double SMALL_PART = 0.04;

  /// Followed all of the way, admittances settle in a few steps where they settle so at all.
  private static final int QUICKLY = 30;

  private final Grid grid;
  private final boolean alternating;
  private final Admittances matrix;
  final double[] re;
  final double[] im;

  /// The admittance of each load in the matrix as factored last.
  private final double[] stampRe;

  private final double[] stampIm;

  /// Where each branch, source and load stands in the matrix.
  private final int[] ofBranch;

  private final int[] ofEmf;
  private final int[] ofLoad;
  private final double[] xRe;
  private final double[] xIm;
  int solves;

  /// Whether what was settled last is settled to the last digit, though asked for roughly.
  boolean exact;

  /// What the matrix was factored for last.
  private @Nullable Present factored;

  private int version;

  Frequency(Grid grid, Elimination elimination, boolean alternating) {
    this.grid = grid;
    this.alternating = alternating;
    this.matrix = new Admittances(elimination, !alternating);
    this.re = new double[grid.nodes()];
    this.im = new double[grid.nodes()];
    this.xRe = new double[grid.nodes()];
    this.xIm = new double[grid.nodes()];
    this.stampRe = new double[grid.loads().size()];
    this.stampIm = new double[grid.loads().size()];
    this.ofBranch = grid.branches().stream().mapToInt(b -> matrix.slot(b.a(), b.b())).toArray();
    this.ofEmf = grid.emfs().stream().mapToInt(e -> matrix.slot(e.minus(), e.plus())).toArray();
    this.ofLoad = grid.loads().stream().mapToInt(l -> matrix.slot(l.a(), l.b())).toArray();
  }

  void forget() {
    java.util.Arrays.fill(re, 0);
    java.util.Arrays.fill(im, 0);
  }

  /// Begins at other voltages.
  void begin(double[] volts, double[] imaginary) {
    System.arraycopy(volts, 0, re, 0, re.length);
    System.arraycopy(imaginary, 0, im, 0, im.length);
  }

  /// Whether the loads settled.
  ///
  /// @param roughly while other things still move, so that the last digits would be found in vain
  boolean settle(Present now, boolean roughly) {
    var settled = roughly ? ROUGHLY : SETTLED;
    exact = false;

    // A source at its limit before loads of constant power has two states in which currents agree;
    // only the lower one is stable. Admittances followed step by step fall into it.
    if (!alternating && now.limited()) {
      factored = null;
      assemble(now, false);
      return damped(now, 1, QUICKLY) || damped(now);
    }
    for (var factoring = 0; factoring < FACTORINGS; factoring++) {
      if (factoring > 0 || !fresh(now)) {
        assemble(now, factoring == 0);
        if (!factor(now)) return false;
        factored = now;
        version = now.version;
      }
      var before = Double.MAX_VALUE;
      for (var correction = 0; correction < CORRECTIONS; correction++) {
        var change = step(now);
        exact = change < SETTLED || (change < CLOSE && change >= before);
        if (change < settled || exact) return true;
        before = change;
      }
    }
    return damped(now);
  }

  /// Whether the matrix still holds but for what loads of constant power and current ask for, which
  /// is corrected anyway.
  private boolean fresh(Present now) {
    return factored == now && version == now.version;
  }

  private boolean damped(Present now) {
    return damped(now, PART, DAMPED) || damped(now, SMALL_PART, 5 * DAMPED);
  }

  private boolean damped(Present now, double part, int rounds) {
    for (var round = 0; round < rounds; round++) {
      matrix.clear();
      passive(now);
      for (var i = 0; i < grid.loads().size(); i++) load(i, stampRe[i], stampIm[i]);
      factored = null;
      if (!factor(now)) return false;
      step(now, false);
      if (approach(now, part) < CLOSE) return true;
    }
    return false;
  }

  /// Moves each stamp part of the way to what its load is at the voltages found; how far the
  /// farthest had to go.
  private double approach(Present now, double part) {
    var most = 0.0;
    for (var i = 0; i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      admittance(load, i, now, size(load));
      var scale = Phasor.size(yRe, yIm) + LEAK;
      most = Math.max(most, Phasor.size(yRe - stampRe[i], yIm - stampIm[i]) / scale);
      stampRe[i] += part * (yRe - stampRe[i]);
      stampIm[i] += part * (yIm - stampIm[i]);
    }
    return most;
  }

  /// The matrix of sources and branches alone, for impedances seen from terminals.
  Admittances withoutLoads(Present now, boolean butResistances) {
    matrix.clear();
    passive(now);
    for (var i = 0; butResistances && i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      if (load.law() == Grid.Law.OHMIC) load(i, load.amount(), 0);
    }
    if (!factor(now)) throw new IllegalStateException("an island has no reference");
    return matrix;
  }

  private void passive(Present now) {
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (now.conducts(i))
        stamp(ofBranch[i], branch.a(), branch.b(), now.ohms(i), branch.reactance());
      else if (now.closed[i]) matrix.branch(ofBranch[i], branch.a(), branch.b(), LEAK, 0);
    }
    for (var t : grid.transformers()) stamp(t);
    for (var i = 0; i < grid.emfs().size(); i++) stamp(grid.emfs().get(i), i, now);
    for (var i = 0; i < ofLoad.length; i++) load(i, LEAK, 0);
    for (var pin : now.islands.pinsWithoutBridges) matrix.ground(pin, 1, 0);
  }

  private boolean factor(Present now) {
    return matrix.factor(now.bridges.isEmpty() ? LowRank.NOTHING : besides(now));
  }

  /// Bridges, and the pins that islands joined by them have no use for.
  private static LowRank besides(Present now) {
    var terms = new java.util.ArrayList<LowRank.Term>();
    for (var bridge : now.bridges)
      terms.add(new LowRank.Term(bridge.a(), bridge.b(), 1 / bridge.ohms()));
    var kept =
        java.util.Arrays.stream(now.islands.pins)
            .boxed()
            .collect(java.util.stream.Collectors.toSet());
    for (var pin : now.islands.pinsWithoutBridges)
      if (!kept.contains(pin)) terms.add(new LowRank.Term(pin, -1, -1));
    return new LowRank(terms);
  }

  private void assemble(Present now, boolean first) {
    matrix.clear();
    passive(now);
    for (var i = 0; i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      var volts = size(load);
      admittance(load, i, now, first && volts == 0 ? load.nominal() : volts);
      stampRe[i] = yRe;
      stampIm[i] = yIm;
      load(i, yRe, yIm);
    }
  }

  private void load(int index, double g, double s) {
    var load = grid.loads().get(index);
    matrix.branch(ofLoad[index], load.a(), load.b(), g, s);
  }

  private void stamp(int slot, int a, int b, double ohms, double reactance) {
    var x = alternating ? reactance : 0;
    var size = ohms * ohms + x * x;
    matrix.branch(slot, a, b, ohms / size, -x / size);
  }

  private void stamp(Grid.Transformer t) {
    if (!alternating) {
      matrix.branch(t.c(), t.d(), 1 / t.ohms(), 0);
      matrix.branch(t.a(), t.b(), t.ratio() * t.ratio() / t.ohms(), 0);
      return;
    }
    var size = t.ohms() * t.ohms() + t.reactance() * t.reactance();
    var g = t.ohms() / size;
    var s = -t.reactance() / size;
    int[] node = {t.c(), t.d(), t.a(), t.b()};
    double[] u = {1, -1, -t.ratio(), t.ratio()};
    for (var i = 0; i < 4; i++) {
      matrix.ground(node[i], u[i] * u[i] * g, u[i] * u[i] * s);
      for (var j = i + 1; j < 4; j++)
        matrix.mutual(node[i], node[j], u[i] * u[j] * g, u[i] * u[j] * s);
    }
    matrix.branch(t.a(), t.b(), LEAK, 0);
    matrix.branch(t.c(), t.d(), LEAK, 0);
  }

  private void stamp(Grid.Emf emf, int index, Present now) {
    var group = grid.groups().get(emf.group());
    switch (group.alternating() == alternating ? now.mode[emf.group()] : Present.Mode.GIVING) {
      case GIVING -> {
        if (now.on[emf.group()])
          stamp(ofEmf[index], emf.minus(), emf.plus(), now.emfOhms(index), emf.reactance());
        else matrix.branch(ofEmf[index], emf.minus(), emf.plus(), LEAK, 0);
      }
      case LIMITED ->
          matrix.branch(ofEmf[index], emf.minus(), emf.plus(), LEAK - foldBack(group, emf), 0);
      case IDLE, TRIPPED -> matrix.branch(ofEmf[index], emf.minus(), emf.plus(), LEAK, 0);
    }
  }

  /// How much more a source with fold-back gives for each volt, S.
  private static double foldBack(Grid.Group group, Grid.Emf emf) {
    return group.limit() == Grid.Limit.FOLD_BACK ? 0.75 * group.greatest() / emf.re() : 0;
  }

  private double step(Present now) {
    return step(now, true);
  }

  private double step(Present now, boolean corrected) {
    java.util.Arrays.fill(xRe, 0);
    java.util.Arrays.fill(xIm, 0);
    for (var i = 0; i < grid.emfs().size(); i++) inject(grid.emfs().get(i), i, now);
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (!alternating && branch.diode() && now.conducts(i))
        inject(branch.a(), branch.b(), -branch.forward() / now.ohms(i), 0);
    }
    for (var i = 0; corrected && i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      if (load.law() == Grid.Law.OHMIC
          || load.law() == Grid.Law.ADMITTANCE
          || load.alternating() != alternating) continue;
      var vr = re[load.a()] - re[load.b()];
      var vi = im[load.a()] - im[load.b()];
      admittance(load, i, now, Phasor.size(vr, vi));
      var gr = stampRe[i] - yRe;
      var gi = stampIm[i] - yIm;
      inject(load.b(), load.a(), gr * vr - gi * vi, gr * vi + gi * vr);
    }
    matrix.solve(xRe, xIm);
    solves++;
    var change = 0.0;
    var greatest = 1e-3;
    for (var node = 0; node < xRe.length; node++) {
      change = Math.max(change, Math.abs(xRe[node] - re[node]) + Math.abs(xIm[node] - im[node]));
      greatest = Math.max(greatest, Math.abs(xRe[node]) + Math.abs(xIm[node]));
    }
    System.arraycopy(xRe, 0, re, 0, re.length);
    System.arraycopy(xIm, 0, im, 0, im.length);
    return change / greatest;
  }

  private void inject(Grid.Emf emf, int index, Present now) {
    var group = grid.groups().get(emf.group());
    if (group.alternating() != alternating || !now.on[emf.group()]) return;
    switch (now.mode[emf.group()]) {
      case GIVING -> {
        var x = alternating ? emf.reactance() : 0;
        var ohms = now.emfOhms(index);
        var size = ohms * ohms + x * x;
        var vr = emf.re() * now.emf(index);
        var vi = emf.im() * now.emf(index);
        inject(emf.minus(), emf.plus(), (vr * ohms + vi * x) / size, (vi * ohms - vr * x) / size);
      }
      case LIMITED ->
          inject(
              emf.minus(),
              emf.plus(),
              group.limit() == Grid.Limit.FOLD_BACK ? 0.25 * group.greatest() : group.greatest(),
              0);
      case IDLE, TRIPPED -> {}
    }
  }

  private void inject(int from, int to, double amperesRe, double amperesIm) {
    xRe[to] += amperesRe;
    xIm[to] += amperesIm;
    xRe[from] -= amperesRe;
    xIm[from] -= amperesIm;
  }

  private double size(Grid.Load load) {
    return Phasor.size(re[load.a()] - re[load.b()], im[load.a()] - im[load.b()]);
  }

  /// Volts that count as the wrong way round.
  private static final double TURNED = -1e-6;

  private boolean reversed(Grid.Load load) {
    return load.polar() && !alternating && re[load.a()] - re[load.b()] < TURNED;
  }

  private double yRe;
  private double yIm;

  /// The admittance a load is at `volts`, left in `yRe` and `yIm`.
  private void admittance(Grid.Load load, int index, Present now, double volts) {
    var amount = now.amount[index];
    yRe = 0;
    yIm = 0;
    if (amount == 0 || reversed(load)) return;
    switch (load.law()) {
      case OHMIC -> yRe = amount;
      case ADMITTANCE -> {
        if (load.alternating() != alternating) return;
        yRe = amount;
        yIm = now.susceptance[index];
      }
      case CURRENT ->
          yRe = load.alternating() == alternating ? amount / Math.max(volts, load.least()) : 0;
      case POWER -> {
        if (load.alternating() != alternating) {
          yRe = 0;
          return;
        }
        var squared = Math.pow(Math.max(volts, load.least()), 2);
        yRe = amount / squared;
        var cos = load.powerFactor();
        yIm = alternating ? -yRe * Math.sqrt(Math.max(0, 1 - cos * cos)) / cos : 0;
      }
    }
  }

  /// The source that a load sees: its volts without the load and its ohms, real and imaginary, with
  /// all else as it is.
  ///
  /// The matrix as factored holds the load itself; it is taken out again.
  double[] seenBy(Grid.Load load, int index, Present now) {
    var seen = matrix.impedance(load.a(), load.b());
    var size = seen.re() * seen.re() + seen.im() * seen.im();
    if (!(size > 1e-18)) return new double[] {size(load), 0, 0};
    var open = new Phasor(seen.re() / size - stampRe[index], -seen.im() / size - stampIm[index]);
    var openSize = open.re() * open.re() + open.im() * open.im();
    if (!(openSize > 1e-18)) return new double[] {size(load), 0, 0};
    var ohms = new Phasor(open.re() / openSize, -open.im() / openSize);
    var current = current(load, index, now);
    var vr = re[load.a()] - re[load.b()];
    var vi = im[load.a()] - im[load.b()];
    return new double[] {
      Phasor.size(
          vr + ohms.re() * current.re() - ohms.im() * current.im(),
          vi + ohms.re() * current.im() + ohms.im() * current.re()),
      ohms.re(),
      ohms.im()
    };
  }

  /// The current a load takes from `a` to `b`.
  Phasor current(Grid.Load load, int index, Present now) {
    var vr = re[load.a()] - re[load.b()];
    var vi = im[load.a()] - im[load.b()];
    admittance(load, index, now, Phasor.size(vr, vi));
    yRe += LEAK;
    return new Phasor(yRe * vr - yIm * vi, yRe * vi + yIm * vr);
  }
}
