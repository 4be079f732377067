package nelvar.core.formula;

import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Pulses of set width through one resistor and one capacitor, as a voltage.
public final class PulseWidth {
  /// Time constants until 1 % is left.
  private static final double SETTLED = Math.log(100);

  private PulseWidth() {}

  /// Peak to peak at half width, where it is most: `U · tanh(1/(4 · f · R · C))`. Exact for a first
  /// order filter in its steady state.
  public static Voltage ripple(Voltage full, Frequency pulses, Resistance r, Capacitance c) {
    return full.times(Math.tanh(1 / (4 * pulses.hertz() * r.ohms() * c.farads())));
  }

  /// Until 1 % of a step is left: `4.6 · R · C`.
  public static Duration settles(Resistance r, Capacitance c) {
    return new Duration(SETTLED * r.ohms() * c.farads());
  }
}
