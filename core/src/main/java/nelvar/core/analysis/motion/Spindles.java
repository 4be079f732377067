package nelvar.core.analysis.motion;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Setting;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;

/// Motors that turn a tool or the work, and what is said of each.
final class Spindles {
  private Spindles() {}

  /// Told by its motor (for a high frequency) or by the name of its function.
  static boolean is(Device device, Study study) {
    return study.part(device).orElse(null) instanceof InductionMotor motor
        && (motor.frequency().isPresent()
            || function(device, study)
                .filter(f -> f.name().toLowerCase(Locale.ROOT).contains("spindle"))
                .isPresent());
  }

  private static Optional<MachineFunction> function(Device device, Study study) {
    return device.serves().flatMap(study.project().plan()::function);
  }

  /// What is said under a name of a spindle, of its drive or of what serves the same function;
  /// where it is the only spindle, of anything else besides.
  static Optional<Setting> said(String name, Device spindle, Study study) {
    var only = study.project().devices().stream().filter(other -> is(other, study)).count() <= 1;
    var own =
        Stream.concat(
                DrivenMotor.all(study).stream()
                    .filter(driven -> driven.motors().contains(spindle))
                    .map(driven -> driven.drive().id()),
                study.project().devices().stream()
                    .filter(d ->
                        d.equals(spindle)
                            || (d.serves().isPresent() && d.serves().equals(spindle.serves())))
                    .map(Device::id))
            .collect(Collectors.toSet());
    return study.project().settings().stream()
        .filter(s -> s.name().equalsIgnoreCase(name) && !s.value().isBlank())
        .filter(s -> only || own.contains(s.device()))
        .findFirst();
  }

  static Optional<Duration> time(String text) {
    return Kind.DURATION.read(text) instanceof Reading.Value<Duration>(var value)
        ? Optional.of(value)
        : Optional.empty();
  }
}
