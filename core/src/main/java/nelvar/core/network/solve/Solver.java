package nelvar.core.network.solve;

import org.jspecify.annotations.Nullable;

/// Finds the steady state of a grid: volts everywhere, at direct current and at mains frequency.
///
/// The two are solved in turn until what converters hand from one to the other no longer changes;
/// limits of sources and diodes are tried and corrected on the way.
public final class Solver {
  private static final int ROUNDS = 400;
  private static final int SWITCHINGS = 60;

  private final Grid grid;
  private final Elimination elimination;
  private final Frequency direct;
  private final Frequency alternating;
  private boolean begun;
  private @Nullable Solution from;

  public Solver(Grid grid) {
    this.grid = grid;
    this.elimination = elimination(grid);
    this.direct = new Frequency(grid, elimination, false);
    this.alternating = new Frequency(grid, elimination, true);
  }

  public Grid grid() {
    return grid;
  }

  private static Elimination elimination(Grid grid) {
    var count =
        grid.branches().size()
            + grid.emfs().size()
            + grid.loads().size()
            + 6 * grid.transformers().size();
    var a = new int[count];
    var b = new int[count];
    var next = 0;
    for (var branch : grid.branches()) {
      a[next] = branch.a();
      b[next++] = branch.b();
    }
    for (var emf : grid.emfs()) {
      a[next] = emf.minus();
      b[next++] = emf.plus();
    }
    for (var load : grid.loads()) {
      a[next] = load.a();
      b[next++] = load.b();
    }
    for (var t : grid.transformers()) {
      int[] node = {t.a(), t.b(), t.c(), t.d()};
      for (var i = 0; i < 4; i++) {
        for (var j = i + 1; j < 4; j++) {
          a[next] = node[i];
          b[next++] = node[j];
        }
      }
    }
    return Elimination.of(grid.nodes(), a, b);
  }

  /// Forgets the voltages found last: the next answer depends on nothing that was asked before.
  public void begin() {
    direct.forget();
    alternating.forget();
    begun = false;
    from = null;
  }

  /// Begins where another state stands; the next answer depends on that and on nothing else.
  public void begin(Solution state) {
    begin();
    if (!state.settled() || state.limits()) return;
    from = state;
    direct.begin(state.dc, new double[state.dc.length]);
    alternating.begin(state.re, state.im);
  }

  /// Starts from the voltages found last since [#begin], so that a small change is found quickly.
  ///
  /// Where no state is found for the whole, each part that the others do not reach is tried by
  /// itself: what one circuit cannot settle makes nothing unknown elsewhere.
  public Solution solve(Inputs inputs) {
    var whole = whole(inputs);
    if (whole.settled()) {
      // The next one moves a contact or two.
      from = whole.limits() ? null : whole;
      return whole;
    }
    var eased = eased(inputs);
    if (eased.isPresent()) return eased.get();
    var parts = Parts.of(grid, inputs);
    var together = new PartByPart(grid, inputs, parts);
    var solves = whole.solves();
    var all = parts.withSource(inputs);
    for (var part : all) {
      if (all.size() == 1) break;
      begin();
      var alone = whole(inputs.only(group -> parts.ofGroup(group) == part));
      solves += alone.solves();
      if (alone.settled()) together.take(part, alone);
    }
    return Solution.of(grid, together, solves);
  }

  /// What is not found at once may be found step by step: without bridges first, or with less load.
  private java.util.Optional<Solution> eased(Inputs inputs) {
    for (var steps :
        java.util.List.of(
            java.util.List.of(inputs.easier(1, false)),
            java.util.List.of(inputs.easier(0, false), inputs.easier(0, true)),
            java.util.List.of(inputs.easier(0.3, true), inputs.easier(0.7, true)))) {
      begin();
      var found = true;
      for (var step : steps) {
        var easier = whole(step);
        found &= easier.settled();
        from = easier.settled() ? easier : null;
      }
      if (!found) continue;
      var solution = whole(inputs);
      if (solution.settled()) return java.util.Optional.of(solution);
    }
    return java.util.Optional.empty();
  }

  private Solution whole(Inputs inputs) {
    var state = from;
    from = null;
    var now = new Present(grid, inputs, state == null ? null : state.now);
    direct.solves = 0;
    alternating.solves = 0;
    var conversion = new Conversion(grid, inputs, now, direct, alternating);
    if (begun || state != null) conversion.restore();
    begun = true;
    var settled = settle(now, conversion);
    var solution = Solution.of(grid, now, direct, alternating, settled);
    // Agreement is not enough: the currents at every node must add up. Once more from here, both
    // frequencies, then it is what it is.
    if (settled && !solution.settled()) {
      settled = settle(now, conversion);
      solution = Solution.of(grid, now, direct, alternating, settled);
    }
    return solution;
  }

  /// Both frequencies in turn until nothing changes. What is switched at one of them (a diode, a
  /// source that is on or off) is part of the network at the other too: it is solved again then.
  private boolean settle(Present now, Conversion conversion) {
    var dc = true;
    var ac = true;
    var roughly = true;
    for (var round = 0; round < ROUNDS; round++) {
      var diodes = now.diode.clone();
      if (dc && !settleDirect(now, roughly)) return false;
      ac |= !java.util.Arrays.equals(diodes, now.diode);
      if (ac && !settleAlternating(now, roughly)) return false;
      var changed = conversion.update();
      dc = changed.direct();
      ac = changed.alternating();
      if (dc || ac) continue;
      if (!roughly) return true;
      roughly = false;
      dc = !direct.exact;
      ac = dc || !alternating.exact;
      if (!ac) return true;
    }
    return false;
  }

  /// Alternating current with drives that switch themselves off.
  private boolean settleAlternating(Present now, boolean roughly) {
    do {
      if (!alternating.settle(now, roughly)) return false;
    } while (Limits.trip(grid, now, alternating));
    return true;
  }

  /// Direct current with its limits and diodes.
  private boolean settleDirect(Present now, boolean roughly) {
    var limits = new Limits(grid, now, direct);
    for (var switching = 0; switching < SWITCHINGS; switching++) {
      // A source at its limit before loads of constant power runs away upwards: it is giving again
      // by then, and that settles.
      var settled = direct.settle(now, roughly);
      if (!limits.correct(switching > 12)) return settled;
    }
    return false;
  }

  /// What terminals see of the network behind them, with loads taken away.
  public Impedances impedances(Inputs inputs, boolean atMainsFrequency) {
    return impedances(new Present(grid, inputs), atMainsFrequency, false);
  }

  /// The same with only those sources on that are on in a solution.
  ///
  /// @param withResistances whether loads that are plain resistances stay
  public Impedances impedances(
      Inputs inputs, Solution solution, boolean atMainsFrequency, boolean withResistances) {
    var now = new Present(grid, inputs);
    for (var group = 0; group < now.on.length; group++) now.on[group] = solution.on(group);
    return impedances(now, atMainsFrequency, withResistances);
  }

  private Impedances impedances(Present now, boolean atMainsFrequency, boolean withResistances) {
    var frequency = new Frequency(grid, elimination, atMainsFrequency);
    return new Impedances(frequency.withoutLoads(now, withResistances), now.islands);
  }
}
