package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;

/// What opens a circuit by itself when too much current flows.
public sealed interface ProtectiveDevice {
  /// Rated current, `In`.
  Current rating();

  /// Of one pole, cold: about 1.5 W at rated current for a breaker, 2.5 W for a motor protective
  /// switch, 1 W for a fuse, 0.1 V for an electronic channel. Typical figures, no published source
  /// (IEC 60898-1 allows 3 W up to 10 A).
  default Resistance poleResistance() {
    var amperes = rating().amperes();
    return new Resistance(
        switch (this) {
          case Breaker _ -> 1.5 / amperes / amperes;
          case Fuse _ -> 1.0 / amperes / amperes;
          case MotorSwitch _ -> 2.5 / amperes / amperes;
          case Electronic _ -> 0.1 / amperes;
        });
  }

  private static void rated(Current rating) {
    Part.require(rating.amperes() > 0, "a protective device is rated for more than 0 A");
  }

  /// A thermal-magnetic breaker with its curve.
  record Breaker(Current rating, TripCurve curve) implements ProtectiveDevice {
    public Breaker {
      rated(rating);
    }

    @Override
    public String toString() {
      return curve + " " + rating;
    }
  }

  /// A fuse-link.
  record Fuse(Current rating, FuseClass fuse) implements ProtectiveDevice {
    public Fuse {
      rated(rating);
    }

    @Override
    public String toString() {
      return fuse.sign() + " " + rating;
    }
  }

  /// A motor protective switch with its range.
  ///
  /// @param setting what its dial is set to; it counts with its greatest where that is not known
  record MotorSwitch(Current least, Current greatest, Optional<Current> setting)
      implements ProtectiveDevice {
    public MotorSwitch {
      rated(greatest);
      setting.ifPresent(ProtectiveDevice::rated);
    }

    @Override
    public Current rating() {
      return setting.orElse(greatest);
    }

    public MotorSwitch setTo(Optional<Current> next) {
      return new MotorSwitch(least, greatest, next);
    }

    @Override
    public String toString() {
      return setting
          .map(set -> "motor, set to " + set)
          .orElseGet(() -> "motor " + least + " to " + greatest);
    }
  }

  /// One channel of an electronic protection module.
  record Electronic(String channel, Current rating) implements ProtectiveDevice {
    public Electronic {
      rated(rating);
    }

    @Override
    public String toString() {
      return "ch. " + channel + ", " + rating;
    }
  }
}
