package nelvar.core.formula;

import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;

/// What an inductive sensor sees, and how fast something may pass it.
public final class Sensing {
  /// Share of the rated distance to design with: 0.9 for the sensor, 0.9 for temperature and supply
  /// (IEC 60947-5-2, unchecked).
  public static final double ASSURED = 0.81;

  /// A target seen at the full distance is at least so many rated distances wide, and no smaller
  /// than the face.
  private static final double TIMES = 3;

  private Sensing() {}

  /// How far a sensor sees a metal, as a share of mild steel; handbook values, from memory.
  public enum Metal {
    STEEL(1),
    STAINLESS(0.75),
    BRASS(0.45),
    ALUMINIUM(0.4),
    COPPER(0.3);

    private final double factor;

    Metal(double factor) {
      this.factor = factor;
    }

    public double factor() {
      return factor;
    }
  }

  /// The side of the square of mild steel that counts as full: `max(face, 3 · Sn)`.
  public static Length fullTarget(Length rated, Length face) {
    return new Length(Math.max(face.metres(), TIMES * rated.metres()));
  }

  /// `0.81 · Sn · k`, and less in the share of its side where a target is smaller than full
  /// (assumed: a smaller one is seen in proportion, no published curve).
  public static Length usable(Length rated, Metal metal, Length target, Length face) {
    var share = Math.min(1, target.metres() / fullTarget(rated, face).metres());
    return new Length(ASSURED * rated.metres() * metal.factor() * share);
  }

  /// `t = α/(6 · n)`: how long a mark of so many degrees is seen on something that turns, n each
  /// minute.
  public static Duration seen(double degrees, double turnsEachMinute) {
    return new Duration(degrees / (6 * turnsEachMinute));
  }

  /// `v = w/t`: how fast something so wide may pass a sensor that answers within `t`.
  public static Measure fastest(Length width, Duration response) {
    return new Measure(width.metres() / response.seconds() * 60_000, Measure.Unit.FEED);
  }
}
