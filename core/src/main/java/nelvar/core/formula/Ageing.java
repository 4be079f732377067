package nelvar.core.formula;

import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;

/// How warm air shortens the life of electronics whose electrolytic capacitors dry out.
public final class Ageing {
  /// Each so many kelvin more halve it (Arrhenius; common practice for electrolytic capacitors).
  private static final double HALVING = 10;

  /// What papers state life for, as a rule, where they say nothing.
  public static final Temperature STATED = new Temperature(40);

  private Ageing() {}

  /// Life in this air as a share of that in the air it is stated for.
  ///
  /// @param air at the part, −40 to 150 °C
  public static Percent life(Temperature air, Temperature stated) {
    return Percent.ofFraction(Math.pow(2, (stated.celsius() - air.celsius()) / HALVING));
  }
}
