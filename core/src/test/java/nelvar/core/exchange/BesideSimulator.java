package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Path;
import java.util.Map;
import nelvar.core.model.Project;
import nelvar.core.network.Live;
import nelvar.core.network.solve.Phasor;
import nelvar.core.network.solve.Solution;

/// The solver's voltages against ngspice's, which reads nothing but the netlist: every node within
/// 0.1 % or 1 mV.
final class BesideSimulator {
  private BesideSimulator() {}

  /// The state found by the simulator itself, from cold: contacts that follow their coils, diodes,
  /// limits. Across every load and every coil within 0.1 % or 5 mV; where nothing leads to a thing,
  /// what is left of its stray charge is chance.
  static void findsTheState(Project project, Live live, Path folder) throws Exception {
    assumeTrue(Simulator.installed(), "skipped: ngspice is not installed");
    var solution = live.solution();
    var simulated = Simulator.run(SpiceNetlist.behaviour(project, live), folder);
    var compared = 0;
    for (var load : live.circuitry().grid().loads())
      compared += across(load.a(), load.b(), live, solution, simulated);
    for (var coil : live.circuitry().coilContacts(live.trial()))
      compared += across(coil.a(), coil.b(), live, solution, simulated);
    assertThat(compared).isPositive();
  }

  private static int across(
      int a, int b, Live live, Solution solution, Map<String, Phasor> simulated) {
    var one = simulated.get("n" + a);
    var other = simulated.get("n" + b);
    if (one == null || other == null) return 0;
    var theirs = one.minus(other).re();
    if (Math.abs(theirs) < 0.1 && Math.abs(solution.direct(a, b)) < 0.1) return 1;
    assertThat(solution.direct(a, b))
        .as("across %s %s", live.circuitry().terminal(a), live.tried())
        .isCloseTo(theirs, within(Math.max(5e-3, 1e-3 * Math.abs(theirs))));
    return 1;
  }

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
