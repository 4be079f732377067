package nelvar.core.network.solve;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

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

  /// Of loads that are admittances, the imaginary part, S.
  final double[] susceptance;

  /// Factor on the voltage of each group, its ohms besides those of its emfs.
  final double[] volts;

  final double[] softer;
  private final double[] loose;
  final double mains;
  final Grid grid;

  /// What is joined besides the branches of the grid.
  final java.util.List<Inputs.Bridged> bridges;

  Islands islands;

  /// Counts what changes a matrix besides what loads of constant power and current ask for.
  int version;

  Present(Grid grid, Inputs inputs) {
    this(grid, inputs, null);
  }

  /// @param from a state to begin where it stands, so that a small change is found quickly; what it
  ///   had tripped or limited begins anew
  Present(Grid grid, Inputs inputs, @Nullable Present from) {
    this.grid = grid;
    this.closed = inputs.closedNow();
    this.bridges = inputs.bridges();
    this.loose = inputs.looseNow();
    this.diode = new boolean[grid.branches().size()];
    Arrays.fill(diode, true);
    this.on = inputs.allowedNow();
    this.deaths = new int[on.length];
    this.mode = new Mode[grid.groups().size()];
    for (var g = 0; g < mode.length; g++) mode[g] = inputs.tripped(g) ? Mode.TRIPPED : Mode.GIVING;
    this.amount = new double[grid.loads().size()];
    for (var i = 0; i < amount.length; i++)
      amount[i] = grid.loads().get(i).amount() * inputs.share(i);
    this.susceptance = new double[grid.loads().size()];
    this.softer = new double[grid.groups().size()];
    this.volts = new double[grid.groups().size()];
    this.mains = inputs.mains();
    for (var g = 0; g < volts.length; g++)
      volts[g] = inputs.volts(g).orElse(grid.groups().get(g).fed() ? 1 : mains);
    if (from != null) begin(from);
    this.islands =
        from != null && Arrays.equals(closed, from.closed) && bridges.equals(from.bridges)
            ? from.islands.with(grid, on)
            : Islands.of(this);
  }

  private void begin(Present from) {
    for (var i = 0; i < diode.length; i++) diode[i] = from.diode[i];
    for (var g = 0; g < on.length; g++) {
      if (on[g] && mode[g] == Mode.GIVING && from.mode[g] == Mode.IDLE) mode[g] = Mode.IDLE;
      on[g] &= from.on[g];
      if (grid.groups().get(g).fed()) volts[g] = from.volts[g];
      softer[g] = from.softer[g];
    }
    for (var i = 0; i < amount.length; i++) {
      if (grid.loads().get(i).law() != Grid.Law.ADMITTANCE) continue;
      amount[i] = from.amount[i];
      susceptance[i] = from.susceptance[i];
    }
  }

  boolean conducts(int branch) {
    return closed[branch] && (!grid.branches().get(branch).diode() || diode[branch]);
  }

  /// Of a branch, with what a bad contact adds.
  double ohms(int branch) {
    return grid.branches().get(branch).ohms() + loose[branch];
  }

  /// Whether any source stands at its limit.
  boolean limited() {
    for (var m : mode) if (m == Mode.LIMITED) return true;
    return false;
  }

  /// Of an emf, with what its group is softer now.
  double emfOhms(int index) {
    var emf = grid.emfs().get(index);
    return emf.ohms() + softer[emf.group()];
  }

  /// Factor on the voltage of an emf.
  double emf(int index) {
    return volts[grid.emfs().get(index).group()];
  }
}
