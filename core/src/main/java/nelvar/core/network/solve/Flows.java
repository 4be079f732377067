package nelvar.core.network.solve;

import java.util.Arrays;

/// What flows in loads and out of sources.
final class Flows {
  final Phasor[] loadsDirect;
  final Phasor[] loadsAlternating;
  final Phasor[] given;

  /// Nothing flows.
  Flows(Grid grid) {
    loadsDirect = new Phasor[grid.loads().size()];
    loadsAlternating = new Phasor[grid.loads().size()];
    given = new Phasor[grid.emfs().size()];
    Arrays.fill(loadsDirect, Phasor.ZERO);
    Arrays.fill(loadsAlternating, Phasor.ZERO);
    Arrays.fill(given, Phasor.ZERO);
  }

  static Flows of(Grid grid, Present now, Frequency direct, Frequency alternating) {
    var flows = new Flows(grid);
    for (var i = 0; i < flows.loadsDirect.length; i++) {
      flows.loadsDirect[i] = direct.current(grid.loads().get(i), i, now);
      flows.loadsAlternating[i] = alternating.current(grid.loads().get(i), i, now);
    }
    for (var i = 0; i < flows.given.length; i++) {
      var own = grid.groups().get(grid.emfs().get(i).group()).alternating();
      flows.given[i] = EmfCurrent.of(grid, i, now, own ? alternating : direct);
    }
    return flows;
  }
}
