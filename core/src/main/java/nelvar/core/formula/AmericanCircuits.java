package nelvar.core.formula;

import java.util.List;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Margins of North American circuits (NEC 2023 and NFPA 79:2021, from memory).
public final class AmericanCircuits {
  /// Of continuous loads, heating and the largest motor (NEC 210.20, 430.22, 670.4(A)).
  public static final double CONTINUOUS = 1.25;

  /// Of everything that runs together, for the disconnect (NFPA 79, 5.3.3).
  public static final double DISCONNECT = 1.15;

  /// Up to this voltage a Class 2 source is limited by current, above by power (NEC Chapter 9,
  /// Table 11, not inherently limited).
  private static final Voltage CLASS_2_LOW = new Voltage(20);

  private AmericanCircuits() {}

  public static Current sum(List<Current> currents) {
    return new Current(currents.stream().mapToDouble(Current::amperes).sum());
  }

  public static Current largest(List<Current> currents) {
    return currents.stream().max(Current::compareTo).orElse(new Current(0));
  }

  /// All but the largest motor, and what else runs.
  public static Current rest(List<Current> motors, Current other) {
    return new Current(sum(motors).amperes() - largest(motors).amperes() + other.amperes());
  }

  /// `1.25 · heaters + 1.25 · largest + rest`.
  public static Current supplyConductor(Current heaters, List<Current> motors, Current other) {
    return heaters.plus(largest(motors)).times(CONTINUOUS).plus(rest(motors, other));
  }

  /// `1.15 · total`.
  public static Current disconnect(Current total) {
    return total.times(DISCONNECT);
  }

  /// `1.25 · continuous + other`.
  public static Current device(Current continuous, Current other) {
    return continuous.times(CONTINUOUS).plus(other);
  }

  /// `1.25 · FLC`.
  public static Current motorWire(Current fullLoad) {
    return fullLoad.times(CONTINUOUS);
  }

  /// 1.25 from a service factor of 1.15, else 1.15 (NEC 430.32).
  public static double overload(double serviceFactor) {
    return serviceFactor >= 1.15 ? 1.25 : 1.15;
  }

  /// Of the primary current (NEC Table 450.3(B), up to 1000 V).
  public static Percent transformerPrimary(Current primary, boolean secondaryToo) {
    if (secondaryToo) return new Percent(250);
    return new Percent(primary.amperes() >= 9 ? 125 : primary.amperes() >= 2 ? 167 : 300);
  }

  /// 5 A up to 20 V, 100 VA above.
  public static Current classTwo(Voltage voltage) {
    return new Current(lowClassTwo(voltage) ? 5 : 100 / voltage.volts());
  }

  public static boolean lowClassTwo(Voltage voltage) {
    return voltage.compareTo(CLASS_2_LOW) <= 0;
  }

  /// `K · L/CM`, L in feet.
  public static Resistance wire(double k, double feet, double circularMils) {
    return new Resistance(k * feet / circularMils);
  }

  /// `√3 or 2 · I · (R · pf + X · sinφ)`.
  public static Voltage drop(
      Current current, Resistance wire, Resistance reactance, double powerFactor, int phases) {
    var sine = Math.sqrt(1 - powerFactor * powerFactor);
    return new Voltage(
        (phases == 3 ? AlternatingCurrent.SQRT3 : 2)
            * current.amperes()
            * (wire.ohms() * powerFactor + reactance.ohms() * sine));
  }
}
