package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Voltage;

/// What stands when everything has settled after one stop was pressed, or one guard opened, while
/// the machine ran; and when it is let go again. Every program goes on.
///
/// @param pressed held; @param letGo after it, with nothing else done
record Pressed(Device button, Live pressed, Live letGo) {
  /// Of every stop and guard that has a contact closed at rest; empty where the running machine has
  /// no steady state.
  static List<Pressed> all(Study study) {
    return study.once(Pressed.class, () -> found(study));
  }

  private static List<Pressed> found(Study study) {
    if (!study.asDesigned().settled()) return List.of();
    return study.project().devices().stream()
        .filter(device -> takesAway(device, study))
        .flatMap(device -> of(device, study).stream())
        .toList();
  }

  private static Optional<Pressed> of(Device button, Study study) {
    var running = study.asDesigned();
    var hand = running.circuitry().actuators(button.id()).stream().findFirst();
    if (hand.isEmpty()) return Optional.empty();
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var pressed =
        study
            .engine()
            .solve(WhatIf.AS_DESIGNED.holding(hand.get(), true), conditions, running.positions());
    var letGo =
        study
            .engine()
            .solve(
                WhatIf.AS_DESIGNED.holding(hand.get(), running.on(hand.get())),
                conditions,
                pressed.positions());
    return Optional.of(new Pressed(button, pressed, letGo));
  }

  /// A stop, or a guard.
  static boolean takesAway(Device device, Study study) {
    if (StopRehearsal.stops(device, study)) return true;
    return study.part(device).orElse(null) instanceof ControlSwitch button
        && button.closedContacts() > 0
        && button.id().contains("guard");
  }

  /// Whether a load had volts and has none while it is pressed; what is not known has not lost
  /// them.
  boolean takes(Device device, Study study) {
    return changed(device, study, pressed, false);
  }

  /// Whether it takes the torque input of a drive, which had its volts.
  boolean torqueOff(Device drive, Study study) {
    return study
        .part(drive)
        .flatMap(Part::torqueInput)
        .map(name -> new ActuatorRef(drive.id(), name))
        .filter(ref -> study.asDesigned().on(ref) && !pressed.on(ref))
        .isPresent();
  }

  /// What it takes and what has its volts again when it is let go.
  boolean comesBack(Device device, Study study) {
    return takes(device, study) && changed(device, study, letGo, true);
  }

  private static boolean changed(Device device, Study study, Live then, boolean has) {
    return study.asDesigned().circuitry().served(device.id()).stream()
        .anyMatch(served -> {
          var was = study.asDesigned().at(device, served.intake()).map(Voltage::volts).orElse(0.0);
          return was >= 1
              && then.at(device, served.intake())
                  .filter(is -> is.volts() >= StopRehearsal.KEPT * was == has)
                  .isPresent();
        });
  }
}
