package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What a maker states of a sensor; what is not stated is empty.
///
/// @param drop lost in its output while it conducts
/// @param leakage passes its output while it does not
/// @param leastLoad it needs to conduct surely
/// @param greatestLoad of a transmitter of 4–20 mA, ohms it still drives
/// @param source of a transmitter of 0–10 V, ohms it gives through
/// @param response from target to signal
/// @param frequency it switches at most
/// @param distance rated sensing distance
/// @param face diameter of its face
/// @param flush whether it may sit flush in metal
/// @param hysteresis share of the distance
public record SensorData(
    Optional<Voltage> drop,
    Optional<Current> leakage,
    Optional<Current> leastLoad,
    Optional<Resistance> greatestLoad,
    Optional<Resistance> source,
    Optional<Duration> response,
    Optional<Frequency> frequency,
    Optional<Length> distance,
    Optional<Length> face,
    Optional<Boolean> flush,
    Optional<Percent> hysteresis) {
  static final SensorData UNKNOWN =
      new SensorData(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());
}
