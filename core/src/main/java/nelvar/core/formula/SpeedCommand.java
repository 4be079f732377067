package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What 0 to 10 V commands, and how far off it is; speeds from pulses.
public final class SpeedCommand {
  private static final double FULL = 10;

  private SpeedCommand() {}

  /// `10 V · (n − n0)/(nmax − n0)`; none where that is not between 0 V and 10 V.
  public static Optional<Voltage> volts(Measure wanted, Measure atZero, Measure atTen) {
    var span = atTen.value() - atZero.value();
    var share = (wanted.value() - atZero.value()) / span;
    return span <= 0 || share < 0 || share > 1
        ? Optional.empty()
        : Optional.of(new Voltage(FULL * share));
  }

  /// `n0 + U/10 V · (nmax − n0)`; none where 10 V commands no more than 0 V.
  public static Optional<Measure> speed(Voltage command, Measure atZero, Measure atTen) {
    var span = atTen.value() - atZero.value();
    return span <= 0
        ? Optional.empty()
        : Optional.of(rotation(atZero.value() + command.volts() / FULL * span));
  }

  /// `nmax/(2^bits − 1)`.
  public static Measure resolution(Measure atTen, int bits) {
    return rotation(atTen.value() / (Math.pow(2, bits) - 1));
  }

  /// `Rs/(Rs + Rin)`.
  public static Percent loadingError(Resistance source, Resistance input) {
    return Percent.ofFraction(source.ohms() / (source.ohms() + input.ohms()));
  }

  /// `dU/10 V · nmax`.
  public static Measure offsetError(Voltage lift, Measure atTen) {
    return rotation(lift.volts() / FULL * atTen.value());
  }

  /// The straight line through two measured speeds.
  public record Line(Measure gain, double speedAtZero) {
    /// Nothing below standstill.
    public Measure at(Voltage command) {
      return rotation(Math.max(0, speedAtZero + command.volts() * gain.value()));
    }

    /// Where it begins to turn, if 0 V does not turn it.
    public Optional<Voltage> standsBelow() {
      return speedAtZero < 0
          ? Optional.of(new Voltage(-speedAtZero / gain.value()))
          : Optional.empty();
    }
  }

  /// None where the second point is not above the first in both.
  public static Optional<Line> calibrate(Voltage ua, Measure na, Voltage ub, Measure nb) {
    var span = ub.volts() - ua.volts();
    var rise = nb.value() - na.value();
    if (span <= 0 || rise <= 0) return Optional.empty();
    var gain = new Measure(rise / span, Measure.Unit.SPEED_PER_VOLT);
    return Optional.of(new Line(gain, na.value() - gain.value() * ua.volts()));
  }

  private static Measure rotation(double rpm) {
    return new Measure(rpm, Measure.Unit.ROTATION);
  }
}
