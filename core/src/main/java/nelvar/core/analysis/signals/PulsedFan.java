package nelvar.core.analysis.signals;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.units.Percent;

/// A fan or a small motor on an output of pulses of set width: it turns from some width on. The
/// width is its duty, as the project says it; where nothing is said, it is full. Only a part whose
/// data say from where it turns is judged: the duty of another may be how long it runs.
public final class PulsedFan {
  /// Where its data do not say, said and not judged: from memory, unchecked; common practice, no
  /// published source.
  public static final Percent USUAL = new Percent(60);

  private PulsedFan() {}

  /// The least width that turns it.
  public static Percent turnsFrom(Part part) {
    return part.article().fitting().flatMap(Fitting::turnsFrom).orElse(USUAL);
  }

  /// The width it is given, where that does not turn it.
  public static Optional<Percent> stalls(Device device, Study study) {
    var part = study.part(device);
    if (!(part.orElse(null) instanceof DcMotor motor)) return Optional.empty();
    return device
        .work()
        .duty()
        .filter(width ->
            motor.article().fitting().flatMap(Fitting::turnsFrom).stream()
                .anyMatch(least -> width.percent() < least.percent()))
        .filter(_ -> pulsed(device, study));
  }

  private static boolean pulsed(Device device, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type() == Pin.Type.OUTPUT_PWM)
        .anyMatch(
            link -> link.partners().stream().anyMatch(end -> end.device().equals(device.id())));
  }
}
