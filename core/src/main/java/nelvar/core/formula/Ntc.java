package nelvar.core.formula;

import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// A thermistor whose resistance falls with temperature, and what is read over it.
public final class Ntc {
  private static final double KELVIN = 273.15;

  /// What its nominal resistance is stated at.
  public static final Temperature NOMINAL_AT = new Temperature(25);

  private Ntc() {}

  /// `R = R25 · e^(B · (1/T − 1/298.15 K))`, with one B for the whole range: some degrees wrong far
  /// from 25 °C, where the maker's table is better.
  public static Resistance resistance(Resistance nominal, double beta, Temperature at) {
    var kelvin = at.celsius() + KELVIN;
    return new Resistance(
        nominal.ohms() * Math.exp(beta * (1 / kelvin - 1 / (NOMINAL_AT.celsius() + KELVIN))));
  }

  /// The temperature it has where its resistance is this.
  public static Temperature temperature(Resistance nominal, double beta, Resistance r) {
    var inverse = 1 / (NOMINAL_AT.celsius() + KELVIN) + Math.log(r.ohms() / nominal.ohms()) / beta;
    return new Temperature(1 / inverse - KELVIN);
  }

  /// `U = Us · R/(R + Rpull-up)`.
  public static Voltage read(Voltage supply, Resistance pullUp, Resistance r) {
    return supply.times(r.ohms() / (r.ohms() + pullUp.ohms()));
  }

  /// By how much the volts fall for one kelvin more: `Us · R · Rp/(R + Rp)² · B/T²`.
  public static Voltage perKelvin(
      Voltage supply, Resistance pullUp, Resistance r, double beta, Temperature at) {
    var kelvin = at.celsius() + KELVIN;
    var both = r.ohms() + pullUp.ohms();
    return supply.times(r.ohms() * pullUp.ohms() / (both * both) * beta / (kelvin * kelvin));
  }
}
