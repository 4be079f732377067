package nelvar.core.network.solve;

import java.util.Arrays;

/// Where a solution stands while it is being found: what conducts, which sources give, how much
/// each load asks for.
final class Present {
  /// How a direct-current source behaves just now.
  enum Mode {
    /// Holds its voltage.
    GIVING,
    /// Gives its greatest current at less than its voltage.
    LIMITED,
    /// Held up from outside above its own voltage; it cannot take current back.
    IDLE,
    /// Switched off by its limit.
    TRIPPED
  }

  final boolean[] closed;
  final boolean[] diode;
  final boolean[] on;
  final Mode[] mode;

  /// How often each source lost its input while the state was being found.
  final int[] deaths;

  final double[] amount;
  final double[] volts;
  private final double[] loose;
  final double mains;
  private final Grid grid;
  Islands islands;

  Present(Grid grid, Inputs inputs) {
    this.grid = grid;
    this.closed = inputs.closedNow();
    this.loose = inputs.looseNow();
    this.diode = new boolean[grid.branches().size()];
    Arrays.fill(diode, true);
    this.on = inputs.allowedNow();
    this.deaths = new int[on.length];
    this.mode = new Mode[grid.groups().size()];
    Arrays.fill(mode, Mode.GIVING);
    this.amount = new double[grid.loads().size()];
    for (var i = 0; i < amount.length; i++)
      amount[i] = grid.loads().get(i).amount() * inputs.share(i);
    this.volts = new double[grid.groups().size()];
    this.mains = inputs.mains();
    for (var g = 0; g < volts.length; g++) volts[g] = grid.groups().get(g).fed() ? 1 : mains;
    this.islands = Islands.of(grid, closed, on);
  }

  boolean conducts(int branch) {
    return closed[branch] && (!grid.branches().get(branch).diode() || diode[branch]);
  }

  /// Of a branch, with what a bad contact adds.
  double ohms(int branch) {
    return grid.branches().get(branch).ohms() + loose[branch];
  }

  /// Factor on the voltage of an emf.
  double emf(int index) {
    return volts[grid.emfs().get(index).group()];
  }
}
