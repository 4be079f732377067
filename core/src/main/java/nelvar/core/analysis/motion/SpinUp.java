package nelvar.core.analysis.motion;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;

/// How long a motor takes to its greatest speed: the ramp of its drive, which counts from standing
/// to the greatest frequency (common practice; a few drives count to the base frequency). A motor
/// that its drive holds at its limit takes longer, which only a watch tells.
public final class SpinUp {
  private SpinUp() {}

  /// Empty where the ramp is not entered.
  public static Optional<Explained<Duration>> of(DrivenMotor driven, Study study) {
    return driven
        .quantity(Role.RAMP_UP, Kind.DURATION)
        .map(ramp -> {
          var w = Working.of("Spin-up of " + driven.name());
          w.given("ramp", ramp, "of " + driven.drive().designation() + ", standing to greatest");
          w.given("fmax", SpeedMap.of(driven, study).greatest(), "greatest frequency");
          return w.explain(w.result("t", "ramp, no less", ramp));
        });
  }
}
