package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.MotorOverload;
import nelvar.core.catalogue.Dial;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Current;

/// A motor on the mains behind a device with a dial: what that is set to.
///
/// @param protector the motor protective switch; @param dial what it can be set to
/// @param current nameplate of the motor as it is linked; @param most what the dial may stand at
public record DialedMotor(
    String name,
    Device motor,
    InductionMotor part,
    Device protector,
    Dial dial,
    Current current,
    Current most,
    Optional<MachineFunction> function) {
  /// In the order of the motors in the project.
  public static List<DialedMotor> all(Study study) {
    return study.once(DialedMotor.class, () -> found(study));
  }

  private static List<DialedMotor> found(Study study) {
    var all = new ArrayList<DialedMotor>();
    for (var feed : study.network().feeds()) {
      if (!(study.part(feed.device()).orElse(null) instanceof InductionMotor part)
          || feed.source().isEmpty()
          || feed.lineWays().isEmpty()
          || study.part(feed.source().get().device()).filter(Part::drives).isPresent()) continue;
      var ahead = study.network().protection(feed.lineWays().getFirst());
      var dial = ahead.flatMap(a -> study.part(a.device())).flatMap(Part::dial);
      if (dial.isEmpty()) continue;
      var motor = feed.device();
      var function =
          motor
              .serves()
              .flatMap(id ->
                  study.project().functions().stream().filter(f -> f.id().equals(id)).findFirst());
      all.add(
          new DialedMotor(
              function.map(f -> f.designation().text()).orElseGet(() -> motor.designation().text()),
              motor,
              part,
              ahead.orElseThrow().device(),
              dial.get(),
              part.nameplate(motor.windings()),
              part.nameplate(motor.windings()).times(MotorOverload.most(study).value().fraction()),
              function));
    }
    return List.copyOf(all);
  }

  /// The dial, as it is to be set; what somebody set and the rule on overload allows does as well.
  public SettingsSheet.Row row() {
    var set = protector.trip();
    var near = set.filter(i -> i.compareTo(current) >= 0 && i.compareTo(most) <= 0);
    var value = near.orElse(current);
    return new SettingsSheet.Row(
        protector,
        "Dial",
        "",
        Optional.of(value.toString()),
        set.map(Current::toString),
        "nameplate of %s in %s; by hand after it tripped, once the motor is cool"
            .formatted(
                motor.designation(), motor.windings().name().toLowerCase(java.util.Locale.ROOT)),
        set.isEmpty()
            ? SettingsSheet.Standing.TO_ENTER
            : near.isPresent() ? SettingsSheet.Standing.ENTERED : SettingsSheet.Standing.DIFFERS,
        Optional.of(Edits.trip(protector, Optional.of(value))));
  }
}
