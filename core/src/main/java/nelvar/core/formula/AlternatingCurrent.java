package nelvar.core.formula;

import java.util.List;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Currents of lines and neutrals by power, and through capacitors.
public final class AlternatingCurrent {
  public static final double SQRT3 = Math.sqrt(3);

  private AlternatingCurrent() {}

  /// `P/(U · pf · eta)`, with √3 for three phases; the voltage between lines.
  public static Current ofPower(
      Power output, Voltage voltage, int phases, double powerFactor, double efficiency) {
    return new Current(
        output.watts() / (between(phases) * voltage.volts() * powerFactor * efficiency));
  }

  /// `S/U`, with √3 for three phases.
  public static Current ofApparentPower(Measure apparent, Voltage voltage, int phases) {
    return new Current(apparent.value() / (between(phases) * voltage.volts()));
  }

  /// `S/(U · uk)`, at the terminals of a transformer whose own source has no impedance.
  public static Current shortCircuit(
      Measure apparent, Voltage voltage, Percent shortCircuitVoltage, int phases) {
    return ofApparentPower(apparent, voltage, phases).times(1 / shortCircuitVoltage.fraction());
  }

  /// `√((Σ P)² + (Σ Q)²)`.
  public static Measure apparentPower(List<Power> active, List<Power> reactive) {
    return new Measure(
        Math.hypot(sum(active).watts(), sum(reactive).watts()), Measure.Unit.APPARENT_POWER);
  }

  public static Power sum(List<Power> powers) {
    return new Power(powers.stream().mapToDouble(Power::watts).sum());
  }

  /// `√(a² + b² + c² − a·b − b·c − c·a)`: what three currents of one power factor, 120° apart,
  /// leave for the neutral or the way to earth.
  public static Current left(Current a, Current b, Current c) {
    var x = a.amperes();
    var y = b.amperes();
    var z = c.amperes();
    return new Current(Math.sqrt(Math.max(0, x * x + y * y + z * z - x * y - y * z - z * x)));
  }

  /// Third harmonics of three equal lines add in the neutral.
  public static Current thirdsInNeutral(Current ofEachLine) {
    return ofEachLine.times(3);
  }

  /// The line current of a motor linked in star, by its line current in delta, at √3 times the
  /// voltage.
  public static Current starOfDelta(Current delta) {
    return delta.times(1 / SQRT3);
  }

  /// `2π · f · C · U`.
  public static Current through(Capacitance capacitance, Voltage voltage, Frequency frequency) {
    return new Current(2 * Math.PI * frequency.hertz() * capacitance.farads() * voltage.volts());
  }

  /// Leakage of a three-phase filter with two lines lost (Cx each to the star point, Cy on to
  /// earth): their wires follow the live one through the load (`3 · Cx` in series with Cy) or
  /// float.
  public static Current filterLeakage(
      Capacitance cx, Capacitance cy, Voltage toEarth, Frequency frequency, boolean linesFollow) {
    var many = (linesFollow ? 3 : 1) * cx.farads();
    return through(new Capacitance(many * cy.farads() / (many + cy.farads())), toEarth, frequency);
  }

  /// `X = uk · U/(√3 · I)`: the reactance of each phase of a choke of this impedance.
  public static Resistance chokeReactance(Percent impedance, Voltage betweenLines, Current rated) {
    return new Resistance(impedance.fraction() * betweenLines.volts() / (SQRT3 * rated.amperes()));
  }

  /// `X/(2π · f)`.
  public static Measure inductance(Resistance reactance, Frequency frequency) {
    return new Measure(
        reactance.ohms() / (2 * Math.PI * frequency.hertz()), Measure.Unit.INDUCTANCE);
  }

  private static double between(int phases) {
    return phases == 3 ? SQRT3 : 1;
  }
}
