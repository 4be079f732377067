package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// A trimmer that sets the current of a drive by a voltage that is measured at it.
///
/// @param perAmpere volts for one ampere of a phase, effective
/// @param turns which way gives more, as its maker says; trimmers differ
/// @param bare current it stands without a heat sink; @param cooled with one
public record Trimmer(
    Voltage perAmpere, Optional<String> turns, Optional<Current> bare, Optional<Current> cooled) {
  public Trimmer {
    Part.require(perAmpere.volts() > 0, "a trimmer gives more than 0 V for an ampere");
  }

  /// What is measured at it for a current.
  public Voltage reference(Current current) {
    return perAmpere.times(current.amperes());
  }
}
