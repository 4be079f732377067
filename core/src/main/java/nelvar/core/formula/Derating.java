package nelvar.core.formula;

import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;

/// What electronics lose of their rating in warm and in thin air. Typical figures, no published
/// source; a data sheet beats them.
///
/// @param perKelvin lost for each kelvin above `fullUpTo`
/// @param perHundredMetres lost for each 100 m above `fullUpToHeight`
public record Derating(
    Temperature fullUpTo, Percent perKelvin, Length fullUpToHeight, Percent perHundredMetres) {
  private static final Percent ONE = new Percent(1);

  public static final Derating SUPPLY =
      new Derating(new Temperature(55), new Percent(2.5), new Length(2000), ONE);
  public static final Derating DRIVE =
      new Derating(new Temperature(40), new Percent(2), new Length(1000), ONE);

  public Derating upTo(Temperature air, Percent eachKelvin) {
    return new Derating(air, eachKelvin, fullUpToHeight, perHundredMetres);
  }

  /// As its papers say: all of it up to this air.
  public Derating fullTo(Temperature air) {
    return new Derating(air, perKelvin, fullUpToHeight, perHundredMetres);
  }

  /// `(1 − warmth) · (1 − height)`, never below nothing.
  public Percent left(Temperature air, Length aboveSea) {
    var warm = Math.max(0, air.celsius() - fullUpTo.celsius()) * perKelvin.fraction();
    var thin =
        Math.max(0, aboveSea.metres() - fullUpToHeight.metres())
            / 100
            * perHundredMetres.fraction();
    return Percent.ofFraction(Math.max(0, (1 - warm) * (1 - thin)));
  }

  public Current of(Current rating, Temperature air, Length aboveSea) {
    return rating.times(left(air, aboveSea).fraction());
  }
}
