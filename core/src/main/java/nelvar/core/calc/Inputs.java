package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;

import nelvar.core.units.Capacitance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Inputs that many calculators share, with their ranges; renamed by `as` where a calculator calls
/// them otherwise.
final class Inputs {
  static final Input<Current> I = current("I", "current", "5A");
  static final Input<Current> IB = current("Ib", "design current", "11.5A");
  static final Input<Current> IN = current("In", "rating of the device", "16A");
  static final Input<Current> IZ = current("Iz", "ampacity of the wire", "17.4A");
  static final Input<Voltage> U = voltage("U", "voltage", "230V");
  static final Input<Voltage> U0 =
      voltage("U0", "nominal voltage to earth", "230V").usually("230 V");
  static final Input<Power> P = power("P", "power", "5.5kW");
  static final Input<CrossSection> S =
      quantity("S", "cross-section", Kind.CROSS_SECTION, 0.05, 500, "2.5mm2");
  static final Input<Length> LENGTH =
      quantity("l", "one-way length", Kind.LENGTH, 0.01, 5000, "20m");
  static final Input<Temperature> TA =
      quantity("Ta", "temperature of the air", Kind.TEMPERATURE, -40, 90, "45C");
  static final Input<Temperature> T =
      quantity("T", "temperature of the conductor", Kind.TEMPERATURE, -40, 250, "70C")
          .usually("70 °C");
  static final Input<Double> POWER_FACTOR =
      number("pf", "power factor", 0.05, 1, "0.81").usually("1");
  static final Input<Percent> EFFICIENCY =
      quantity("eta", "efficiency", Kind.PERCENT, 1, 100, "86%").usually("100 %");
  static final Input<Frequency> FREQUENCY =
      quantity("f", "frequency", Kind.FREQUENCY, 0.1, 1e6, "50Hz").usually("50 Hz");
  static final Input<Capacitance> C =
      quantity("C", "capacitance", Kind.CAPACITANCE, 1e-12, 100, "470uF");
  static final Input<Resistance> R = resistance("R", "resistance", "10 kΩ");
  static final Input<Duration> TIME = quantity("t", "time", Kind.DURATION, 1e-6, 1e7, "5s");
  static final Input<Measure> INERTIA =
      measure(
          "J", "moment of inertia, motor and load", Measure.Unit.INERTIA, 1e-9, 1e5, "0.01 kgm2");
  static final Input<Measure> SPEED =
      measure("n", "speed", Measure.Unit.ROTATION, 0.001, 1e6, "3000 rpm");

  private Inputs() {}

  static Input<Current> current(String symbol, String meaning, String example) {
    return quantity(symbol, meaning, Kind.CURRENT, 1e-6, 1e5, example);
  }

  static Input<Voltage> voltage(String symbol, String meaning, String example) {
    return quantity(symbol, meaning, Kind.VOLTAGE, 1e-3, 1e5, example);
  }

  static Input<Power> power(String symbol, String meaning, String example) {
    return quantity(symbol, meaning, Kind.POWER, 1e-3, 1e7, example);
  }

  static Input<Measure> apparent(String symbol, String meaning, String example) {
    return measure(symbol, meaning, Measure.Unit.APPARENT_POWER, 1e-3, 1e7, example);
  }

  static Input<Resistance> resistance(String symbol, String meaning, String example) {
    return quantity(symbol, meaning, Kind.RESISTANCE, 1e-6, 1e9, example);
  }

  static Input<Percent> percent(
      String symbol, String meaning, double least, double greatest, String example) {
    return quantity(symbol, meaning, Kind.PERCENT, least, greatest, example);
  }

  static Input<Measure> measure(
      String symbol,
      String meaning,
      Measure.Unit unit,
      double least,
      double greatest,
      String example) {
    return quantity(symbol, meaning, Kind.of(unit), least, greatest, example);
  }
}
