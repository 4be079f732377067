package nelvar.core.network;

import nelvar.core.network.solve.Phasor;

/// Power balance of a solution, counted from scratch: what sources give, less what loads take and
/// branches lose.
final class Balance {
  private Balance() {}

  /// Watts left over, both frequencies together.
  static double imbalance(Live live) {
    var grid = live.circuitry().grid();
    var solution = live.solution();
    var watts = 0.0;
    for (var output : grid.emfs()) {
      var i = grid.emfs().indexOf(output);
      var alternating = grid.groups().get(output.group()).alternating();
      var v =
          alternating
              ? solution.alternating(output.plus(), output.minus())
              : new Phasor(solution.direct(output.plus(), output.minus()), 0);
      watts += real(v, solution.given(i));
      // What the other frequency loses in it is too small to count here, but stays in the sum
      // below.
    }
    for (var i = 0; i < grid.loads().size(); i++) {
      var load = grid.loads().get(i);
      watts -= solution.direct(load.a(), load.b()) * solution.loadDirect(i);
      watts -= real(solution.alternating(load.a(), load.b()), solution.loadAlternating(i));
    }
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      watts -= solution.direct(branch.a(), branch.b()) * solution.branchDirect(i);
      watts -= real(solution.alternating(branch.a(), branch.b()), solution.branchAlternating(i));
    }
    return Math.abs(watts);
  }

  private static double real(Phasor v, Phasor i) {
    return v.re() * i.re() + v.im() * i.im();
  }
}
