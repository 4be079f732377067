package nelvar.core.network.solve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nelvar.core.network.solve.Grid.Branch;
import nelvar.core.network.solve.Grid.Emf;
import nelvar.core.network.solve.Grid.Group;
import nelvar.core.network.solve.Grid.Law;
import nelvar.core.network.solve.Grid.Limit;
import nelvar.core.network.solve.Grid.Load;
import nelvar.core.network.solve.Grid.Transformer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SolverTest {
  private static final Group DC = new Group(false, Limit.NONE, 0, false, false);
  private static final Group AC = new Group(true, Limit.NONE, 0, false, false);

  private static Solution solve(Grid grid) {
    var solution = new Solver(grid).solve(new Inputs(grid));
    assertThat(solution.settled()).isTrue();
    assertThat(solution.residual()).isLessThan(1e-6);
    return solution;
  }

  private static Grid grid(
      int nodes, List<Branch> branches, Group group, List<Emf> emfs, Load... loads) {
    return new Grid(nodes, 0, branches, List.of(), List.of(group), emfs, List.of(loads), List.of());
  }

  private static Emf battery(double volts, double ohms) {
    return new Emf(0, 0, 1, volts, 0, ohms, 0);
  }

  private static Branch wire(int a, int b, double ohms) {
    return Branch.linear(a, b, ohms, 0);
  }

  private static Load power(int a, int b, double watts, double least) {
    return new Load(a, b, false, Law.POWER, watts, 1, 24, least);
  }

  private static Load current(int a, int b, double amperes) {
    return new Load(a, b, false, Law.CURRENT, amperes, 1, 24, 10);
  }

  /// An unbalanced Wheatstone bridge with 10 V on it. By hand (Kirchhoff): with arms 100, 200 over
  /// 300, 400 Ω and 500 Ω between, nodes B and C obey (10−B)/100 = B/300 + (B−C)/500 and (10−C)/200
  /// = C/400 + (C−B)/500, which gives B = 126/17 = 7.411765 V, C = 6.823529 V.
  @Test
  void solvesABridge() {
    var grid =
        grid(
            4,
            List.of(
                wire(1, 2, 100),
                wire(1, 3, 200),
                wire(2, 0, 300),
                wire(3, 0, 400),
                wire(2, 3, 500)),
            DC,
            List.of(battery(10, 1e-6)));
    var solution = solve(grid);
    assertThat(solution.direct(2, 0)).isCloseTo(7.411765, within(1e-5));
    assertThat(solution.direct(3, 0)).isCloseTo(6.823529, within(1e-5));
  }

  /// Star of unequal resistors whose neutral is open: Millman's theorem (a textbook theorem), Un =
  /// (Ua/R1 + Ub/R2 + Uc/R3)/(1/R1 + 1/R2 + 1/R3). With 10, 20 and 30 Ω at 230 V: 230·(1/10 + (−½ −
  /// j√3/2)/20 + (−½ + j√3/2)/30)/(11/60) = 73.1818 − j18.1083, 75.389 V.
  @Test
  void anOpenNeutralWandersToWhereMillmanPutsIt() {
    var emfs = new ArrayList<Emf>();
    for (var line = 0; line < 3; line++) {
      var v = Phasor.of(230, -120.0 * line);
      emfs.add(new Emf(0, 0, line + 1, v.re(), v.im(), 1e-6, 0));
    }
    var grid = grid(5, List.of(wire(1, 4, 10), wire(2, 4, 20), wire(3, 4, 30)), AC, emfs);
    var neutral = solve(grid).alternating(4, 0);
    assertThat(neutral.re()).isCloseTo(73.1818, within(1e-3));
    assertThat(neutral.im()).isCloseTo(-18.1083, within(1e-3));
    assertThat(neutral.magnitude()).isCloseTo(75.389, within(1e-2));
  }

  /// Loads of 2, 1 and 0.5 A on feeds of 10 m of 1 mm² (0.195 Ω at 20 °C) with one common return of
  /// 10 m: the first loses 2·0.195 + 3.5·0.195 = 1.0725 V, the last 0.5·0.195 + 3.5·0.195 = 0.78 V.
  @Test
  void aSharedReturnCarriesTheSum() {
    var grid =
        grid(
            6,
            List.of(wire(1, 2, 0.195), wire(1, 3, 0.195), wire(1, 4, 0.195), wire(5, 0, 0.195)),
            DC,
            List.of(battery(24, 1e-6)),
            current(2, 5, 2),
            current(3, 5, 1),
            current(4, 5, 0.5));
    var solution = solve(grid);
    assertThat(24 - solution.direct(2, 5)).isCloseTo(1.0725, within(1e-5));
    assertThat(24 - solution.direct(4, 5)).isCloseTo(0.78, within(1e-5));
  }

  /// 100 W through 0.5 Ω from 24 V: U = (24 + √(24² − 4·100·0.5))/2 = 21.695 V; above U²/4R = 288 W
  /// no voltage serves it, and it falls to the resistance it is at its least voltage.
  @Test
  void constantPowerTakesMoreAtLessVolts() {
    var served =
        grid(3, List.of(wire(1, 2, 0.5)), DC, List.of(battery(24, 1e-6)), power(2, 0, 100, 5));
    var volts = (24 + Math.sqrt(24 * 24 - 200)) / 2;
    assertThat(solve(served).direct(2, 0)).isCloseTo(volts, within(1e-5));
    var asked =
        grid(3, List.of(wire(1, 2, 0.5)), DC, List.of(battery(24, 1e-6)), power(2, 0, 300, 18));
    // As a resistance of 18²/300 = 1.08 Ω behind 0.5 Ω: 24·1.08/1.58.
    assertThat(solve(asked).direct(2, 0)).isCloseTo(24 * 1.08 / 1.58, within(1e-4));
  }

  private static Grid limited(Limit limit, double ohms) {
    return grid(
        2,
        List.of(wire(1, 0, ohms)),
        new Group(false, limit, 10, false, false),
        List.of(battery(24, 0.01)));
  }

  /// A 10 A source into 1 Ω holds 10 V with constant current; with fold-back 2.5 + 7.5·U/24 amperes
  /// meet U/1 Ω at U = 2.5/(1 − 0.3125) = 3.636 V; with hiccup it is off.
  @Test
  void aSourceGivesNoMoreThanItsLimit() {
    var constant = solve(limited(Limit.CONSTANT_CURRENT, 1));
    assertThat(constant.direct(1, 0)).isCloseTo(10, within(1e-6));
    assertThat(constant.limited(0)).isTrue();
    assertThat(solve(limited(Limit.FOLD_BACK, 1)).direct(1, 0)).isCloseTo(3.636364, within(1e-5));
    assertThat(solve(limited(Limit.HICCUP, 1)).tripped(0)).isTrue();
    assertThat(solve(limited(Limit.CONSTANT_CURRENT, 3)).limited(0)).isFalse();
  }

  /// 24.5 V and 24.0 V through diodes of 0.5 V onto one bus of 2.4 Ω: only the first gives, (24.5 −
  /// 0.5)/(2.4 + 0.01 + 0.01) A. Joined without diodes the second is held up and idles.
  @Test
  void theHigherOfTwoSourcesServesAlone() {
    var supply = new Group(false, Limit.CONSTANT_CURRENT, 20, false, false);
    var groups = List.of(supply, supply);
    var emfs = List.of(new Emf(0, 0, 1, 24.5, 0, 0.01, 0), new Emf(1, 0, 2, 24.0, 0, 0.01, 0));
    var diodes =
        new Grid(
            4,
            0,
            List.of(
                new Branch(1, 3, 0.01, 0, 0.5), new Branch(2, 3, 0.01, 0, 0.5), wire(3, 0, 2.4)),
            List.of(),
            groups,
            emfs,
            List.of(),
            List.of());
    assertThat(solve(diodes).given(0).re()).isCloseTo(24 / 2.42, within(1e-6));
    assertThat(solve(diodes).given(1).re()).isCloseTo(0, within(1e-6));
    var joined =
        new Grid(
            4,
            0,
            List.of(wire(1, 3, 0.001), wire(2, 3, 0.001), wire(3, 0, 24)),
            List.of(),
            groups,
            emfs,
            List.of(),
            List.of());
    assertThat(solve(joined).idle(1)).isTrue();
  }

  /// A 230/24 V winding, 0.2 Ω seen from its secondary, on 5 Ω: 24·(5/5.2) V, 4.6154 A, and
  /// 4.6154·24/230 A from the mains.
  @Test
  void aTransformerHandsOnVoltsAndAmperes() {
    var t = new Transformer(1, 0, 2, 3, 24.0 / 230, 0.2, 0);
    var grid =
        new Grid(
            4,
            0,
            List.of(wire(2, 3, 5)),
            List.of(t),
            List.of(AC),
            List.of(new Emf(0, 0, 1, 230, 0, 1e-6, 0)),
            List.of(),
            List.of());
    var solution = solve(grid);
    assertThat(solution.alternating(2, 3).magnitude()).isCloseTo(24 * 5 / 5.2, within(1e-5));
    assertThat(solution.given(0).magnitude()).isCloseTo(24 / 5.2 * 24 / 230, within(1e-5));
    assertThat(solution.joined(0, 2)).isFalse();
    assertThat(solution.live(2)).isTrue();
  }

  /// A bridge with 22 mF after 48 V at 60 Hz, 10 A and diodes of 2 V: peak 65.88 V, ripple 3.40 V
  /// (worked in the ripple formula's own source section), mean 65.88 − 1.70 V.
  @Test
  void aRectifierGivesItsPeakLessHalfTheRipple() {
    assertThat(CapacitorInput.of(48, 1e-3, 2, 0.022, 60, 10).ripple())
        .isCloseTo(3.40, within(0.03));
    var grid =
        new Grid(
            4,
            0,
            List.of(),
            List.of(),
            List.of(AC, new Group(false, Limit.NONE, 0, true, false)),
            List.of(new Emf(0, 0, 1, 48, 0, 1e-4, 0), new Emf(1, 3, 2, 60, 0, 1e-4, 0)),
            List.of(
                new Load(1, 0, true, Law.ADMITTANCE, 0, 1, 48, 1),
                new Load(2, 3, false, Law.CURRENT, 10, 1, 60, 1)),
            List.of(new Grid.Converter.Rectifier(0, 1, 0.022, 2, 1.4, 10, 60)));
    var solution = solve(grid);
    assertThat(solution.direct(2, 3)).isCloseTo(65.88 - 1.70, within(0.06));
    // Power in is power out and what the diodes lose.
    var volts = solution.alternating(1, 0);
    var current = solution.loadAlternating(0);
    assertThat(volts.re() * current.re() + volts.im() * current.im())
        .isCloseTo(10 * (solution.direct(2, 3) + 2), within(1e-3));
  }

  private static Grid random(Random random, boolean alternating) {
    var nodes = 4 + random.nextInt(36);
    var branches = new ArrayList<Branch>();
    for (var node = 1; node < nodes; node++)
      branches.add(
          Branch.linear(
              node,
              random.nextInt(node),
              Math.pow(10, -3 + 3 * random.nextDouble()),
              alternating ? 0.05 * random.nextDouble() : 0));
    for (var extra = random.nextInt(nodes); extra > 0; extra--)
      branches.add(
          Branch.linear(random.nextInt(nodes), random.nextInt(nodes), 1 + random.nextDouble(), 0));
    var emfs = new ArrayList<Emf>();
    for (var i = 0; i < 1 + random.nextInt(3); i++) {
      var v = Phasor.of(20 + 10 * random.nextDouble(), alternating ? 360 * random.nextDouble() : 0);
      var plus = 1 + random.nextInt(nodes - 1);
      emfs.add(new Emf(0, 0, plus, v.re(), v.im(), 0.01 + random.nextDouble(), 0.02));
    }
    var loads = new ArrayList<Load>();
    for (var i = 0; i < random.nextInt(10); i++) {
      var law = Law.values()[random.nextInt(3)];
      var amount = random.nextDouble() * (law == Law.POWER ? 2 : law == Law.CURRENT ? 0.2 : 0.1);
      var a = random.nextInt(nodes);
      var b = (a + 1 + random.nextInt(nodes - 1)) % nodes;
      loads.add(new Load(a, b, alternating, law, amount, 0.7 + 0.3 * random.nextDouble(), 24, 12));
    }
    var transformers = new ArrayList<Transformer>();
    if (random.nextBoolean())
      transformers.add(new Transformer(1, 0, nodes - 1, 2, 0.1 + random.nextDouble(), 1, 0.3));
    return new Grid(
        nodes, 0, branches, transformers, List.of(alternating ? AC : DC), emfs, loads, List.of());
  }

  /// Against the dense twin: each node within a millionth of the highest voltage.
  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void agreesWithItsSlowTwin(boolean alternating) {
    for (var seed = 1; seed <= 150; seed++) {
      var grid = random(new Random(seed), alternating);
      var quick = solve(grid);
      var slow = new DenseTwin(grid, alternating).solve();
      for (var node = 0; node < grid.nodes(); node++) {
        var found = alternating ? quick.alternating(node, 0) : new Phasor(quick.direct(node, 0), 0);
        assertThat(found.minus(slow[node]).magnitude())
            .as("seed %d node %d", seed, node)
            .isLessThan(3e-5);
      }
    }
  }

  /// Superposition: with resistances only, two sources together do what each does alone.
  @Test
  void effectsOfSourcesAddWhereAllIsLinear() {
    var branches = List.of(wire(1, 2, 1), wire(2, 3, 2), wire(2, 0, 3), wire(3, 0, 4));
    var both = List.of(new Emf(0, 0, 1, 24, 0, 0.5, 0), new Emf(0, 0, 3, 12, 0, 0.7, 0));
    var first = List.of(both.get(0), new Emf(0, 0, 3, 0, 0, 0.7, 0));
    var second = List.of(new Emf(0, 0, 1, 0, 0, 0.5, 0), both.get(1));
    var unlimited = new Group(true, Limit.NONE, 0, false, false);
    for (var node = 1; node < 4; node++) {
      var sum =
          solve(grid(4, branches, unlimited, first)).alternating(node, 0).re()
              + solve(grid(4, branches, unlimited, second)).alternating(node, 0).re();
      assertThat(solve(grid(4, branches, unlimited, both)).alternating(node, 0).re())
          .isCloseTo(sum, within(1e-6));
    }
  }

  /// The impedance between two nodes is the volts one ampere between them causes, by the twin's way
  /// of solving: a source of 1 A made of 1 MV behind 1 MΩ.
  @Test
  void impedanceIsWhatAnAmpereMeets() {
    for (var seed = 1; seed <= 40; seed++) {
      var random = random(new Random(seed), true);
      var quiet =
          random.emfs().stream()
              .map(e -> new Emf(0, e.minus(), e.plus(), 0, 0, e.ohms(), e.reactance()))
              .toList();
      var bare =
          new Grid(
              random.nodes(),
              0,
              random.branches(),
              random.transformers(),
              random.groups(),
              quiet,
              List.of(),
              List.of());
      var z =
          new Solver(bare)
              .impedances(new Inputs(bare), true)
              .between(1, bare.nodes() - 1)
              .orElseThrow();
      var pushed = new ArrayList<>(quiet);
      pushed.add(new Emf(0, bare.nodes() - 1, 1, 1e6, 0, 1e6, 0));
      var driven =
          new Grid(
              bare.nodes(),
              0,
              bare.branches(),
              bare.transformers(),
              bare.groups(),
              pushed,
              List.of(),
              List.of());
      var volts = new DenseTwin(driven, true).solve();
      var seen = volts[1].minus(volts[bare.nodes() - 1]);
      assertThat(seen.minus(z).magnitude())
          .as("seed %d", seed)
          .isLessThan(1e-5 * (1 + z.magnitude()));
    }
  }
}
