package nelvar.core.network;

import nelvar.core.catalogue.Actuator;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Solution;

/// Where an actuator wants to be, given the volts on its coil or its inputs.
final class Wish {
  private Wish() {}

  static boolean of(Circuitry.Set set, boolean on, Circuitry circuitry, Solution solution) {
    return switch (set.actuator()) {
      case Actuator.Hand _, Actuator.Program _ -> on;
      case Actuator.Magnet magnet -> {
        var volts = size(set, magnet.a(), magnet.b(), circuitry, solution);
        yield volts >= magnet.pickUp().volts() || (on && volts >= magnet.dropOut().volts());
      }
      case Actuator.Watch(_, var needed, var reset, _) ->
          needed.stream().allMatch(reading -> holds(set, reading, circuitry, solution))
              && (on || reset.isEmpty() || holds(set, reset.get(), circuitry, solution));
    };
  }

  private static int node(Circuitry.Set set, String terminal, Circuitry circuitry) {
    return circuitry.node(new TerminalRef(set.device().id(), terminal));
  }

  private static double size(
      Circuitry.Set set, String a, String b, Circuitry circuitry, Solution solution) {
    var first = node(set, a, circuitry);
    var second = node(set, b, circuitry);
    if (!solution.joined(first, second)) return 0;
    return Math.max(
        Math.abs(solution.direct(first, second)), solution.alternating(first, second).magnitude());
  }

  private static boolean holds(
      Circuitry.Set set, Actuator.Reading reading, Circuitry circuitry, Solution solution) {
    var a = node(set, reading.terminal(), circuitry);
    var b = node(set, reading.against(), circuitry);
    if (!solution.joined(a, b)) return false;
    var direct = solution.direct(a, b);
    var alternating = solution.alternating(a, b).magnitude();
    var volts = alternating > Math.abs(direct) ? alternating : direct;
    return reading.above() ? volts >= reading.level().volts() : volts < reading.level().volts();
  }
}
