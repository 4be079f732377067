package nelvar.core.formula;

import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// Currents, volts and torque of stepper motors (common practice where no physics).
public final class Stepping {
  private Stepping() {}

  /// How the windings are joined, against the rating of one unipolar half.
  public enum Winding {
    UNIPOLAR(1),
    SERIES(Math.sqrt(0.5)),
    PARALLEL(Math.sqrt(2));

    private final double factor;

    Winding(double factor) {
      this.factor = factor;
    }
  }

  /// What the scale of a drive means.
  public enum Scale {
    RMS,
    PEAK
  }

  /// Of equal heat in the copper: 1 in half coils, 0.707 in series, 1.414 in parallel.
  public static Current rms(Current unipolar, Winding winding) {
    return unipolar.times(winding.factor);
  }

  public static Current setting(Current rms, Scale scale) {
    return scale == Scale.PEAK ? rms.times(Math.sqrt(2)) : rms;
  }

  /// `idle²`, against the heat at full current.
  public static Percent heat(Percent ofCurrent) {
    return Percent.ofFraction(ofCurrent.fraction() * ofCurrent.fraction());
  }

  /// `32 · √(L in mH)`: the greatest supply by the inductance of a phase (common practice).
  public static Voltage greatestSupply(Measure inductance) {
    return new Voltage(32 * Math.sqrt(inductance.value() * 1000));
  }

  /// 65 % of it runs quietly and cool (common practice).
  public static Voltage quietSupply(Measure inductance) {
    return greatestSupply(inductance).times(0.65);
  }

  /// 4 to 20 times the nameplate, the other school (common practice).
  public record Supplies(Voltage least, Voltage greatest) {
    @Override
    public String toString() {
      return least + " to " + greatest;
    }
  }

  public static Supplies byNameplate(Voltage nameplate) {
    return new Supplies(nameplate.times(4), nameplate.times(20));
  }

  /// Two thirds of the phase currents, a third with coils in series (common practice).
  public static Current supplyCurrent(Current phases, boolean series) {
    return phases.times(series ? 0.33 : 0.67);
  }

  /// `60 · U/(2 · L · I · steps)`, back e.m.f. left out.
  public static Measure corner(Voltage bus, Measure inductance, Current phase, double stepsATurn) {
    return new Measure(
        60 * bus.volts() / (2 * inductance.value() * phase.amperes() * stepsATurn),
        Measure.Unit.ROTATION);
  }

  /// `sin(90°/micro)`, of the holding torque.
  public static Percent microstepTorque(double microsteps) {
    return Percent.ofFraction(Math.sin(Math.PI / 2 / microsteps));
  }
}
