package nelvar.core.formula;

import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What a body lets through: hand to hand or hand to foot, dry, large surfaces, alternating current
/// of 50 or 60 Hz; five people of a hundred have less.
///
/// Table 1 of IEC 60479-1:2018 (from memory), straight lines between its values.
public final class Body {
  private static final double[] VOLTS = {25, 50, 75, 100, 125, 150, 175, 200, 225, 400, 500, 700};
  private static final double[] OHMS = {
    1750, 1375, 1125, 990, 900, 850, 825, 800, 775, 700, 625, 575
  };

  private Body() {}

  public static Resistance impedance(Voltage touched) {
    var u = Math.abs(touched.volts());
    if (u <= VOLTS[0]) return new Resistance(OHMS[0]);
    for (var i = 1; i < VOLTS.length; i++)
      if (u <= VOLTS[i]) {
        var share = (u - VOLTS[i - 1]) / (VOLTS[i] - VOLTS[i - 1]);
        return new Resistance(OHMS[i - 1] + share * (OHMS[i] - OHMS[i - 1]));
      }
    return new Resistance(OHMS[OHMS.length - 1]);
  }

  /// `U/Z`.
  public static Current through(Voltage touched) {
    return new Current(Math.abs(touched.volts()) / impedance(touched).ohms());
  }
}
