package nelvar.core.formula;

import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// A capacitor that empties through a resistance: `U = U0 · e^(−t/RC)` (textbook).
public final class Discharge {
  private Discharge() {}

  /// How long from one voltage to another; no time where it stands no higher.
  public static Duration time(
      Capacitance capacitance, Resistance through, Voltage from, Voltage to) {
    return new Duration(
        from.compareTo(to) <= 0
            ? 0
            : through.ohms() * capacitance.farads() * Math.log(from.volts() / to.volts()));
  }

  /// What is left after a time.
  public static Voltage left(
      Capacitance capacitance, Resistance through, Voltage from, Duration after) {
    return from.times(Math.exp(-after.seconds() / (through.ohms() * capacitance.farads())));
  }

  /// The greatest resistance that empties it from one voltage to a lower one within a time.
  public static Resistance within(
      Duration time, Capacitance capacitance, Voltage from, Voltage to) {
    return new Resistance(
        time.seconds() / (capacitance.farads() * Math.log(from.volts() / to.volts())));
  }

  /// `U²/R`, at first.
  public static Power power(Voltage voltage, Resistance through) {
    return new Power(voltage.volts() * voltage.volts() / through.ohms());
  }

  /// `C · U²/2`.
  public static Energy energy(Capacitance capacitance, Voltage voltage) {
    return new Energy(capacitance.farads() * voltage.volts() * voltage.volts() / 2);
  }

  /// `C · U`.
  public static Measure charge(Capacitance capacitance, Voltage voltage) {
    return new Measure(capacitance.farads() * voltage.volts(), Measure.Unit.CHARGE);
  }
}
