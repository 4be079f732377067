package nelvar.core.network;

import nelvar.core.catalogue.Actuator;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Solution;

/// Where an actuator wants to be, given the volts on its coil or its inputs.
final class Wish {
  private Wish() {}

  /// Below this share of its least voltage electronics are dead; common practice.
  private static final double DEAD = 0.5;

  /// @param on where it is now
  static boolean of(
      Circuitry.Set set, boolean on, WhatIf trial, Circuitry circuitry, Solution solution) {
    var frozen = trial.frozen(set.ref());
    if (frozen.isPresent()) return frozen.get();
    if (trial.dead(set.device().id())) return false;
    var held = trial.held(set.ref());
    return switch (set.actuator()) {
      case Actuator.Hand _ -> held.orElse(on);
      // A program, or what is sensed, moves its output only while its device is alive.
      case Actuator.Program _ -> held.orElse(true) && alive(set, circuitry, solution);
      case Actuator.Magnet _, Actuator.Watch _ ->
          held.isPresent() ? held.get() : follows(set, on, circuitry, solution);
    };
  }

  /// Whether the device has volts to live on; one that takes no power of its own is.
  private static boolean alive(Circuitry.Set set, Circuitry circuitry, Solution solution) {
    for (var served : circuitry.served(set.device().id())) {
      for (var index : served.loads()) {
        var load = circuitry.grid.loads().get(index);
        if (!solution.joined(load.a(), load.b())) return false;
        if (load.alternating()
            ? solution.alternating(load.a(), load.b()).magnitude() < DEAD * load.least()
            : solution.direct(load.a(), load.b()) < DEAD * load.least()) return false;
      }
    }
    return true;
  }

  private static boolean follows(
      Circuitry.Set set, boolean on, Circuitry circuitry, Solution solution) {
    return switch (set.actuator()) {
      case Actuator.Hand _, Actuator.Program _ -> on;
      case Actuator.Magnet magnet -> {
        var volts = size(set, magnet.a(), magnet.b(), circuitry, solution);
        yield volts >= magnet.pickUp().volts() || (on && volts >= magnet.dropOut().volts());
      }
      case Actuator.Watch(_, var needed, var reset, _, _) ->
          alive(set, circuitry, solution)
              && needed.stream().allMatch(reading -> holds(set, reading, circuitry, solution))
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
