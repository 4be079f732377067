package nelvar.core.formula;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Temperature;

/// Wires between their loads: the steady current of a duty, the ampacity of another temperature.
public final class WireHeat {
  private static final double COPPER = 234.5;

  private WireHeat() {}

  /// A stretch of a duty.
  public record Stretch(Current current, Duration time) {
    @Override
    public String toString() {
      return current + " for " + time;
    }
  }

  /// `√(Σ I²·t / Σ t)`; none where the cycle lasts no time.
  public static Optional<Current> rms(List<Stretch> duty) {
    var time = cycle(duty).seconds();
    if (time <= 0) return Optional.empty();
    var heat =
        duty.stream()
            .mapToDouble(s -> Math.pow(s.current().amperes(), 2) * s.time().seconds())
            .sum();
    return Optional.of(new Current(Math.sqrt(heat / time)));
  }

  public static Duration cycle(List<Stretch> duty) {
    return new Duration(duty.stream().mapToDouble(s -> s.time().seconds()).sum());
  }

  /// `I1 · √((Tc2 − Ta2)/(Tc1 − Ta1) · (234.5 + Tc1)/(234.5 + Tc2))`; none where the air is no
  /// cooler than the conductor may be.
  public static Optional<Current> rescaled(
      Current listed,
      Temperature conductor,
      Temperature air,
      Temperature conductorHere,
      Temperature airHere) {
    var rise = conductor.celsius() - air.celsius();
    var riseHere = conductorHere.celsius() - airHere.celsius();
    if (rise <= 0 || riseHere <= 0) return Optional.empty();
    return Optional.of(
        listed.times(
            Math.sqrt(
                riseHere
                    / rise
                    * (COPPER + conductor.celsius())
                    / (COPPER + conductorHere.celsius()))));
  }
}
