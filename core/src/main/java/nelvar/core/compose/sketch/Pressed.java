package nelvar.core.compose.sketch;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;

/// A machine with its stops pressed.
final class Pressed {
  /// Share of its volts below which a device has lost them.
  static final double DEAD = 0.5;

  private Pressed() {}

  /// Every stop and guard with two contacts; empty where the machine has none.
  static Optional<Live> all(Study study) {
    return study.once("every stop pressed", () -> stopped(study));
  }

  /// Whether a stop takes the volts of a device that has them while the machine runs.
  static boolean cut(Device device, Study study) {
    var stop = all(study);
    var part = study.part(device);
    if (stop.isEmpty() || part.isEmpty()) return false;
    var run = study.asDesigned();
    for (var intake : device.intakes(part.get())) {
      var line = new TerminalRef(device.id(), intake.lines().getFirst());
      var back =
          new TerminalRef(device.id(), intake.back().orElseGet(() -> intake.lines().getLast()));
      var before = run.voltage(line, back).map(Live.Both::rms).orElse(0.0);
      if (before > 1
          && stop.get().voltage(line, back).map(Live.Both::rms).orElse(before) < DEAD * before)
        return true;
    }
    return false;
  }

  /// With every stop and guard pressed; empty where the machine has none.
  private static Optional<Live> stopped(Study study) {
    var trial = WhatIf.AS_DESIGNED;
    var any = false;
    for (var device : study.project().devices()) {
      if (!(study.part(device).orElse(null) instanceof ControlSwitch button)
          || button.closedContacts() < 2) continue;
      for (var hand : button.actuators())
        if (hand instanceof Actuator.Hand(var name, _)) {
          trial = trial.holding(new ActuatorRef(device.id(), name), true);
          any = true;
        }
    }
    if (!any) return Optional.empty();
    var inside = study.project().brief().surroundings().inside();
    return Optional.of(study.engine().solve(trial, Conditions.usual(inside)));
  }
}
