package nelvar.core.network.solve;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;

/// Puts together the parts of a network that were solved each by itself.
///
/// Parts share single nodes only, and nothing flows through those from one to the other: the volts
/// that each causes alone add up.
final class PartByPart {
  private final Grid grid;
  private final Parts parts;
  private final Set<Integer> doubtful;
  final Present now;
  final double[] dc;
  final double[] re;
  final double[] im;
  final Flows flows;

  PartByPart(Grid grid, Inputs inputs, Parts parts) {
    this.grid = grid;
    this.parts = parts;
    this.doubtful = new HashSet<>(parts.withSource(inputs));
    // Made before any source is taken as off: what a part in doubt reaches counts as live.
    this.now = new Present(grid, inputs);
    this.dc = new double[grid.nodes()];
    this.re = new double[grid.nodes()];
    this.im = new double[grid.nodes()];
    this.flows = new Flows(grid);
    Arrays.fill(now.on, false);
    Arrays.fill(now.diode, false);
  }

  /// @param alone the network with the sources of one part only, settled
  void take(int part, Solution alone) {
    doubtful.remove(part);
    for (var node = 0; node < dc.length; node++) {
      dc[node] += alone.dc[node];
      re[node] += alone.re[node];
      im[node] += alone.im[node];
    }
    for (var i = 0; i < now.diode.length; i++)
      if (parts.ofBranch(i) == part) now.diode[i] = alone.now.diode[i];
    for (var i = 0; i < now.amount.length; i++) if (parts.ofLoad(i) == part) load(i, alone);
    for (var i = 0; i < flows.given.length; i++)
      if (parts.ofEmf(i) == part) flows.given[i] = alone.flows.given[i];
    for (var g = 0; g < now.on.length; g++) if (parts.ofGroup(g) == part) group(g, alone.now);
  }

  private void load(int index, Solution alone) {
    now.amount[index] = alone.now.amount[index];
    now.susceptance[index] = alone.now.susceptance[index];
    flows.loadsDirect[index] = alone.flows.loadsDirect[index];
    flows.loadsAlternating[index] = alone.flows.loadsAlternating[index];
  }

  private void group(int index, Present alone) {
    now.on[index] = alone.on[index];
    now.mode[index] = alone.mode[index];
    now.deaths[index] = alone.deaths[index];
    now.volts[index] = alone.volts[index];
    now.softer[index] = alone.softer[index];
  }

  Doubt doubt() {
    return doubtful.isEmpty() ? Doubt.none() : Doubt.in(grid, now, parts, doubtful);
  }
}
