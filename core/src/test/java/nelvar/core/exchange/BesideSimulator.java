package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import nelvar.core.model.Project;
import nelvar.core.network.Live;
import nelvar.core.network.solve.Phasor;

/// The solver's voltages against ngspice's, which reads nothing but the netlist: every node within
/// 0.1 % or 1 mV.
final class BesideSimulator {
  private BesideSimulator() {}

  static void agrees(Project project, Live live, Path folder) throws Exception {
    assumeTrue(Simulator.installed(), "skipped: ngspice is not installed");
    var solution = live.solution();
    for (var alternating : new boolean[] {false, true}) {
      var netlist =
          alternating
              ? SpiceNetlist.alternating(project, live)
              : SpiceNetlist.direct(project, live);
      var simulated = Simulator.run(netlist, folder);
      for (var node = 0; node < live.circuitry().grid().nodes(); node++) {
        var pin = solution.reference(node);
        var ours =
            alternating
                ? solution.alternating(node, pin)
                : new Phasor(solution.direct(node, pin), 0);
        var theirs = simulated.get("n" + node);
        if (theirs == null) continue;
        assertThat(ours.minus(theirs).magnitude())
            .as(
                "%s at %s %s",
                alternating ? "AC" : "DC", live.circuitry().terminal(node), live.tried())
            .isLessThan(Math.max(1e-3, 1e-3 * theirs.magnitude()));
      }
      assertThat(simulated.size()).isGreaterThan(live.circuitry().grid().nodes() / 2);
    }
  }
}
