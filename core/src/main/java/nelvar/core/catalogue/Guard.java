package nelvar.core.catalogue;

import nelvar.core.standards.TripCurve;
import nelvar.core.units.Current;

/// What opens a circuit by itself when too much current flows.
public sealed interface Guard {
  /// Rated current, `In`.
  Current rating();

  /// A thermal-magnetic breaker with its curve.
  record Breaker(Current rating, TripCurve curve) implements Guard {
    @Override
    public String toString() {
      return curve + " " + rating;
    }
  }

  /// A gG fuse-link.
  record Fuse(Current rating) implements Guard {
    @Override
    public String toString() {
      return "gG " + rating;
    }
  }

  /// One channel of an electronic protection module.
  record Electronic(String channel, Current rating) implements Guard {
    @Override
    public String toString() {
      return "ch. " + channel + ", " + rating;
    }
  }
}
