package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Voltage;

/// How wires disturb one another, and what shields and ferrites do about it (textbook).
public final class Coupling {
  private static final double PERMITTIVITY = 8.8541878128e-12;
  private static final double PERMEABILITY_BY_2PI = 2e-7;

  private Coupling() {}

  /// `µ0/2π · |ln(d14 · d23/(d13 · d24))|` of the pairs 1-2 and 3-4, for each metre.
  public static Measure mutualInductance(Length d13, Length d24, Length d14, Length d23) {
    return new Measure(
        PERMEABILITY_BY_2PI
            * 1e9
            * Math.abs(Math.log(d14.metres() * d23.metres() / (d13.metres() * d24.metres()))),
        Measure.Unit.INDUCTANCE_PER_LENGTH);
  }

  /// Of two wires alike over a plate, for each metre.
  public record Capacitances(Measure between, Measure toPlate) {}

  /// `p12/(p11² − p12²)` and `(p11 − p12)/(p11² − p12²)` with `p11 = ln(2h/r)/2πε`, `p12 = ln(1 +
  /// 4h²/x²)/4πε`; none where they touch.
  public static Optional<Capacitances> overPlate(
      Length height, Length radius, Length apart, double relativePermittivity) {
    var h = height.metres();
    var r = radius.metres();
    var x = apart.metres();
    if (h <= r || x <= 2 * r) return Optional.empty();
    var epsilon = PERMITTIVITY * relativePermittivity;
    var own = Math.log(2 * h / r) / (2 * Math.PI * epsilon);
    var both = Math.log(1 + 4 * h * h / (x * x)) / (4 * Math.PI * epsilon);
    var determinant = own * own - both * both;
    return Optional.of(
        new Capacitances(picofarads(both / determinant), picofarads((own - both) / determinant)));
  }

  private static Measure picofarads(double faradsPerMetre) {
    return new Measure(faradsPerMetre * 1e12, Measure.Unit.CAPACITANCE_PER_LENGTH);
  }

  /// `dU · C12/(C12 + C2g)`: the most an edge can couple in.
  public static Voltage capacitiveLimit(Voltage edge, Measure between, Measure toEarth) {
    return edge.times(between.value() / (between.value() + toEarth.value()));
  }

  /// `R · C12 · l · dU/tr · (1 − e^(−tr/(R · (C12 + C2g) · l)))`.
  public static Voltage capacitive(
      Measure between,
      Measure toEarth,
      Length length,
      Voltage edge,
      Duration rise,
      Resistance seen) {
    var l = length.metres();
    var c12 = between.value() * 1e-12 * l;
    var all = c12 + toEarth.value() * 1e-12 * l;
    var r = seen.ohms();
    return new Voltage(
        r * c12 * edge.volts() / rise.seconds() * -Math.expm1(-rise.seconds() / (r * all)));
  }

  /// `Rs/(2π · Ls)`: from there a shield earthed at both ends helps against magnetic fields.
  public static Frequency shieldCutoff(ResistancePerLength shield, Measure inductance) {
    return new Frequency(shield.ohmsPerMetre() / (2 * Math.PI * inductance.value()));
  }

  /// `N² · Z1`.
  public static Resistance ferrite(Resistance oneTurn, int turns) {
    return new Resistance(oneTurn.ohms() * turns * turns);
  }

  /// `20 · lg((Zl + Z)/Zl)`.
  public static Measure insertionLoss(Resistance loop, Resistance added) {
    return new Measure(
        20 * Math.log10((loop.ohms() + added.ohms()) / loop.ohms()), Measure.Unit.ATTENUATION);
  }

  /// `c · l`.
  public static Capacitance ofCable(Measure perMetre, Length length) {
    return new Capacitance(perMetre.value() * 1e-12 * length.metres());
  }

  /// `C · dU/tr`, at every edge.
  public static Current charging(Capacitance capacitance, Voltage step, Duration rise) {
    return new Current(capacitance.farads() * step.volts() / rise.seconds());
  }
}
