package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// What an electronic supply does when more is asked than it can give.
///
/// @param at the greatest current it gives for long
/// @param boost the current it gives for `boostTime` to start loads or to trip a breaker
public record CurrentLimit(
    Behaviour behaviour, Current at, Optional<Current> boost, Optional<Duration> boostTime) {
  public enum Behaviour {
    /// Gives its limit at whatever voltage is left.
    CONSTANT_CURRENT,
    /// Gives less the lower the voltage.
    FOLD_BACK,
    /// Switches off and tries again every second or so.
    HICCUP
  }

  public CurrentLimit {
    Part.require(at.amperes() > 0, "a current limit is above 0 A");
  }

  /// The usual supply: holds 1.1 times its rating; common practice, no published source.
  static CurrentLimit usual(Current rating) {
    return new CurrentLimit(
        Behaviour.CONSTANT_CURRENT, rating.times(1.1), Optional.empty(), Optional.empty());
  }

  /// What it can push into a short circuit for the first moments.
  public Current shortCircuit() {
    return boost.filter(current -> current.compareTo(at) > 0).orElse(at);
  }
}
