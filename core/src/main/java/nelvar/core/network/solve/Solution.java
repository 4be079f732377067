package nelvar.core.network.solve;

import nelvar.core.units.Kind;

/// Volts at every node and amperes in every part of a grid, in one steady state.
public final class Solution {
  /// What currents at a node may be left over by rounding: 0.1 mA, and a millionth of the greatest
  /// current that flows anywhere.
  private static final double BALANCED = 1e-4;

  private static final double BALANCED_SHARE = 1e-6;

  private final Grid grid;
  final Present now;
  private final Doubt doubt;
  final double[] dc;
  final double[] re;
  final double[] im;
  final Flows flows;
  private final int solves;
  private final double residual;

  /// Others the same machine is in as well, or may be in: what differs in them is not known.
  private final java.util.List<Solution> rivals;

  /// The greatest current that flows anywhere, squared.
  private double greatest;

  private Solution(
      Grid grid,
      Present now,
      double[] dc,
      double[] re,
      double[] im,
      Flows flows,
      int solves,
      Doubt doubt) {
    this.grid = grid;
    this.now = now;
    this.dc = dc;
    this.re = re;
    this.im = im;
    this.solves = solves;
    this.flows = flows;
    this.rivals = java.util.List.of();
    this.residual = Math.max(residual(false), residual(true));
    this.doubt =
        residual <= BALANCED + BALANCED_SHARE * Math.sqrt(greatest)
            ? doubt
            : Doubt.everywhere(grid, now);
  }

  private Solution(Solution of, java.util.List<Solution> rivals) {
    this.grid = of.grid;
    this.now = of.now;
    this.dc = of.dc;
    this.re = of.re;
    this.im = of.im;
    this.flows = of.flows;
    this.solves = of.solves;
    this.residual = of.residual;
    this.doubt = of.doubt;
    this.greatest = of.greatest;
    this.rivals = java.util.List.copyOf(rivals);
  }

  /// The same where contacts go round in a circle, or a race decides: only what is alike in all may
  /// be read.
  public Solution beside(java.util.List<Solution> others) {
    return new Solution(this, others);
  }

  /// @param settled whether sources, loads and limits agree; it is solved only if the currents at
  ///   every node add up besides
  static Solution of(
      Grid grid, Present now, Frequency direct, Frequency alternating, boolean settled) {
    return new Solution(
        grid,
        now,
        direct.re.clone(),
        alternating.re.clone(),
        alternating.im.clone(),
        Flows.of(grid, now, direct, alternating),
        direct.solves + alternating.solves,
        settled ? Doubt.none() : Doubt.everywhere(grid, now));
  }

  /// Parts that were solved each by itself; in doubt where one did not settle.
  static Solution of(Grid grid, PartByPart parts, int solves) {
    return new Solution(
        grid, parts.now, parts.dc, parts.re, parts.im, parts.flows, solves, parts.doubt());
  }

  /// Whether sources, loads and limits agree everywhere, and the currents at every node add up.
  public boolean settled() {
    return !doubt.any();
  }

  /// Whether the volts between two nodes may be read: a way of settled parts joins them, or none at
  /// all.
  public boolean settled(int a, int b) {
    return (doubt.between(a, b) || !joined(a, b))
        && alike(other ->
            joined(a, b) == other.joined(a, b)
                && now.islands.live(a) == other.now.islands.live(a)
                && (!joined(a, b)
                    || (near(direct(a, b), other.direct(a, b))
                        && near(alternating(a, b), other.alternating(a, b)))));
  }

  public boolean branchSettled(int branch) {
    return doubt.branch(branch)
        && alike(other ->
            near(branchDirect(branch), other.branchDirect(branch))
                && near(branchAlternating(branch), other.branchAlternating(branch)));
  }

  public boolean bridgeSettled(Inputs.Bridged bridge) {
    return doubt.bridge(now.bridges.indexOf(bridge))
        && alike(other ->
            near(bridgeDirect(bridge), other.bridgeDirect(bridge))
                && near(bridgeAlternating(bridge), other.bridgeAlternating(bridge)));
  }

  public boolean loadSettled(int load) {
    return doubt.load(load)
        && alike(other ->
            near(loadDirect(load), other.loadDirect(load))
                && near(loadAlternating(load), other.loadAlternating(load)));
  }

  public boolean emfSettled(int emf) {
    return doubt.emf(emf) && alike(other -> near(given(emf), other.given(emf)));
  }

  private boolean alike(java.util.function.Predicate<Solution> with) {
    return rivals.isEmpty() || rivals.stream().allMatch(with);
  }

  /// Within a hundredth, or 10 mV or mA: no more than a coil that moves elsewhere makes.
  private static boolean near(double a, double b) {
    return Math.abs(a - b) <= 0.01 + 0.01 * Math.max(Math.abs(a), Math.abs(b));
  }

  private static boolean near(Phasor a, Phasor b) {
    return near(a.re(), b.re()) && near(a.im(), b.im());
  }

  /// What is joined besides the branches of the grid.
  public java.util.List<Inputs.Bridged> bridges() {
    return now.bridges;
  }

  /// How many times the equations were solved.
  public int solves() {
    return solves;
  }

  /// The greatest sum of currents left over at a node, A.
  public double residual() {
    return residual;
  }

  /// The same in words that stay the same while rounding differs: the next power of ten above it.
  public String balance() {
    for (var bound : new String[] {"1 µA", "10 µA", "100 µA", "1 mA", "10 mA", "100 mA", "1 A"})
      if (residual <= Kind.CURRENT.read(bound).orThrow().amperes())
        return "currents at nodes add up to within " + bound;
    return "currents at nodes do not add up";
  }

  /// Direct voltage between two nodes, V; only of meaning where [#joined] holds.
  public double direct(int a, int b) {
    return dc[a] - dc[b];
  }

  public Phasor alternating(int a, int b) {
    return new Phasor(re[a] - re[b], im[a] - im[b]);
  }

  /// Whether any way, however high its resistance, joins two nodes.
  public boolean joined(int a, int b) {
    return now.islands.of(a) == now.islands.of(b);
  }

  /// Whether a source that is on is in reach of a node.
  public boolean live(int node) {
    return now.islands.live(node) || rivals.stream().anyMatch(other -> other.live(node));
  }

  /// The node that voltages of a node's island count from.
  public int reference(int node) {
    for (var pin : now.islands.pins) if (now.islands.of(pin) == now.islands.of(node)) return pin;
    return node;
  }

  /// Direct current through a branch from `a` to `b`, A.
  public double branchDirect(int index) {
    var branch = grid.branches().get(index);
    if (!now.closed[index]) return 0;
    if (!now.conducts(index)) return (dc[branch.a()] - dc[branch.b()]) * Frequency.LEAK;
    var forward = branch.diode() ? branch.forward() : 0;
    return (dc[branch.a()] - dc[branch.b()] - forward) / now.ohms(index);
  }

  public Phasor branchAlternating(int index) {
    var branch = grid.branches().get(index);
    if (!now.closed[index]) return Phasor.ZERO;
    if (!now.conducts(index)) return alternating(branch.a(), branch.b()).times(Frequency.LEAK);
    var ohms = now.ohms(index);
    var size = ohms * ohms + branch.reactance() * branch.reactance();
    var vr = re[branch.a()] - re[branch.b()];
    var vi = im[branch.a()] - im[branch.b()];
    return new Phasor(
        (vr * ohms + vi * branch.reactance()) / size, (vi * ohms - vr * branch.reactance()) / size);
  }

  /// Direct current through a bridge from its first end to its second, A.
  public double bridgeDirect(Inputs.Bridged bridge) {
    return (dc[bridge.a()] - dc[bridge.b()]) / bridge.ohms();
  }

  public Phasor bridgeAlternating(Inputs.Bridged bridge) {
    return alternating(bridge.a(), bridge.b()).times(1 / bridge.ohms());
  }

  /// Whether a branch is closed, be it a diode that blocks.
  public boolean closed(int branch) {
    return now.closed[branch];
  }

  /// Whether a branch conducts: closed, and forward if it is a diode.
  public boolean conducts(int branch) {
    return now.conducts(branch);
  }

  public double loadDirect(int index) {
    return flows.loadsDirect[index].re();
  }

  public Phasor loadAlternating(int index) {
    return flows.loadsAlternating[index];
  }

  /// What a load asks for in this state: W, A or S by its law.
  public double amount(int load) {
    return now.amount[load];
  }

  /// The current an emf gives, at the frequency of its source.
  public Phasor given(int emf) {
    return flows.given[emf];
  }

  /// Factor on the voltage of an emf in this state.
  public double factor(int emf) {
    return now.emf(emf);
  }

  /// The resistance an emf stands behind in this state, Ω: a bridge is softer the more it gives.
  public double ohms(int emf) {
    return now.emfOhms(emf);
  }

  public boolean on(int group) {
    return now.on[group];
  }

  public boolean limited(int group) {
    return now.mode[group] == Present.Mode.LIMITED;
  }

  /// Whether any source stands at its limit or has switched itself off.
  boolean limits() {
    for (var mode : now.mode)
      if (mode == Present.Mode.LIMITED || mode == Present.Mode.TRIPPED) return true;
    return false;
  }

  public boolean idle(int group) {
    return now.mode[group] == Present.Mode.IDLE;
  }

  public boolean tripped(int group) {
    return now.mode[group] == Present.Mode.TRIPPED;
  }

  /// Off because its input collapses whenever it is loaded.
  public boolean starved(int group) {
    return !now.on[group] && now.deaths[group] > 1;
  }

  /// The nodes that a simulator must tie to the reference: one an island.
  public int[] pins() {
    return now.islands.pins.clone();
  }

  private double residual(boolean ofAlternating) {
    var x = new double[grid.nodes()];
    var y = new double[grid.nodes()];
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (ofAlternating) add(x, y, branch.a(), branch.b(), branchAlternating(i));
      else add(x, y, branch.a(), branch.b(), branchDirect(i), 0);
    }
    for (var bridge : now.bridges)
      add(
          x,
          y,
          bridge.a(),
          bridge.b(),
          ofAlternating ? bridgeAlternating(bridge) : new Phasor(bridgeDirect(bridge), 0));
    for (var i = 0; i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      add(
          x,
          y,
          load.a(),
          load.b(),
          ofAlternating ? flows.loadsAlternating[i] : flows.loadsDirect[i]);
    }
    for (var i = 0; i < grid.emfs().size(); i++) {
      var emf = grid.emfs().get(i);
      if (grid.groups().get(emf.group()).alternating() == ofAlternating)
        add(x, y, emf.minus(), emf.plus(), flows.given[i]);
      else add(x, y, emf.plus(), emf.minus(), through(i, ofAlternating));
    }
    for (var t : grid.transformers()) transformer(x, y, t, ofAlternating);
    var most = 0.0;
    for (var node = 0; node < x.length; node++)
      most = Math.max(most, x[node] * x[node] + y[node] * y[node]);
    return Math.sqrt(most);
  }

  /// What flows through a source of the other frequency.
  private Phasor through(int index, boolean ofAlternating) {
    var emf = grid.emfs().get(index);
    var vr = ofAlternating ? re[emf.plus()] - re[emf.minus()] : direct(emf.plus(), emf.minus());
    var vi = ofAlternating ? im[emf.plus()] - im[emf.minus()] : 0;
    var x = ofAlternating ? emf.reactance() : 0;
    if (!now.on[emf.group()]) return new Phasor(vr * Frequency.LEAK, vi * Frequency.LEAK);
    var ohms = now.emfOhms(index);
    var size = ohms * ohms + x * x;
    return new Phasor((vr * ohms + vi * x) / size, (vi * ohms - vr * x) / size);
  }

  private void transformer(double[] x, double[] y, Grid.Transformer t, boolean ofAlternating) {
    if (!ofAlternating) {
      add(x, y, t.c(), t.d(), new Phasor(direct(t.c(), t.d()) / t.ohms(), 0));
      var primary = t.ohms() / (t.ratio() * t.ratio());
      add(x, y, t.a(), t.b(), new Phasor(direct(t.a(), t.b()) / primary, 0));
      return;
    }
    var secondary = secondary(t);
    add(x, y, t.c(), t.d(), secondary.times(-1));
    add(x, y, t.a(), t.b(), secondary.times(t.ratio()));
    for (var pair : new int[][] {{t.a(), t.b()}, {t.c(), t.d()}})
      add(x, y, pair[0], pair[1], alternating(pair[0], pair[1]).times(Frequency.LEAK));
  }

  /// The current a transformer gives out of `c`.
  public Phasor secondary(Grid.Transformer t) {
    var er = (re[t.a()] - re[t.b()]) * t.ratio() - (re[t.c()] - re[t.d()]);
    var ei = (im[t.a()] - im[t.b()]) * t.ratio() - (im[t.c()] - im[t.d()]);
    var size = t.ohms() * t.ohms() + t.reactance() * t.reactance();
    return new Phasor(
        (er * t.ohms() + ei * t.reactance()) / size, (ei * t.ohms() - er * t.reactance()) / size);
  }

  private void add(double[] x, double[] y, int from, int to, Phasor current) {
    add(x, y, from, to, current.re(), current.im());
  }

  private void add(double[] x, double[] y, int from, int to, double re, double im) {
    greatest = Math.max(greatest, re * re + im * im);
    x[from] += re;
    y[from] += im;
    x[to] -= re;
    y[to] -= im;
  }
}
