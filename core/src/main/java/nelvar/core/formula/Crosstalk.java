package nelvar.core.formula;

/// How one wire disturbs another over a plate of metal, in SI units: for matrices of many pairs.
/// [Coupling] has the same for one calculation at a time.
///
/// Textbook formulas for wires in air far thinner than they are apart; true while the wires are
/// short against a tenth of the wave length, which is why lengths are capped by [#travels].
public final class Crosstalk {
  /// F/m.
  private static final double PERMITTIVITY = 8.8541878128e-12;

  /// H/m, µ0/2π.
  private static final double PERMEABILITY_BY_2PI = 2e-7;

  /// m/s along a cable (common practice: two thirds of light's).
  private static final double SPEED = 2e8;

  private Crosstalk() {}

  /// `µ0/4π · ln((x² + (h1 + h2)²)/(x² + (h1 − h2)²))`, H/m: two wires over a plate, which is the
  /// way back of both.
  public static double mutualOverPlate(double h1, double h2, double apart) {
    var x = apart * apart;
    return PERMEABILITY_BY_2PI
        / 2
        * Math.log((x + (h1 + h2) * (h1 + h2)) / (x + (h1 - h2) * (h1 - h2)));
  }

  /// `µ0/2π · ln(2h/r)`, H/m.
  public static double ownOverPlate(double height, double radius) {
    return PERMEABILITY_BY_2PI * Math.log(2 * height / radius);
  }

  /// Of two pairs side by side in one plane, H/m: each its own two wires so far apart, their
  /// middles so far from one another.
  public static double mutualOfPairs(double spacing1, double spacing2, double middles) {
    var half = (spacing1 + spacing2) / 2;
    var difference = (spacing1 - spacing2) / 2;
    return PERMEABILITY_BY_2PI
        * Math.abs(
            Math.log(
                (middles * middles - half * half) / (middles * middles - difference * difference)));
  }

  /// F/m of a wire to another and to the plate.
  public record Capacitances(double between, double toPlate) {}

  /// `C12 = p12/(p11 · p22 − p12²)`, `C2g = (p11 − p12)/(p11 · p22 − p12²)` of the second, with
  /// `pii = ln(2hi/ri)/2πε`, `p12 = ln((x² + (h1 + h2)²)/(x² + (h1 − h2)²))/4πε`.
  public static Capacitances capacitances(
      double h1, double r1, double h2, double r2, double apart, double relativePermittivity) {
    var epsilon = 2 * Math.PI * PERMITTIVITY * relativePermittivity;
    var p11 = Math.log(2 * h1 / r1) / epsilon;
    var p22 = Math.log(2 * h2 / r2) / epsilon;
    var x = apart * apart;
    var p12 = Math.log((x + (h1 + h2) * (h1 + h2)) / (x + (h1 - h2) * (h1 - h2))) / 2 / epsilon;
    var determinant = p11 * p22 - p12 * p12;
    return new Capacitances(p12 / determinant, (p11 - p12) / determinant);
  }

  /// `R · C12 · l · dU/tr · (1 − e^(−tr/(R · (C12 + C2g) · l)))`, V.
  public static double capacitive(
      Capacitances of, double length, double edge, double rise, double seen) {
    var all = (of.between() + of.toPlate()) * length;
    return seen * of.between() * length * edge / rise * -Math.expm1(-rise / (seen * all));
  }

  /// The lesser of `C' · l · dU/tr` and `dU/Z`, A: what an edge drives out of its cable.
  public static double commonMode(
      double perMetre, double length, double edge, double rise, double impedance) {
    return Math.min(perMetre * length * edge / rise, edge / impedance);
  }

  /// `v · tr/2`, m: further along a cable an edge has passed before it is over.
  public static double travels(double rise) {
    return SPEED * rise / 2;
  }

  /// A twentieth of the wave length of an edge's frequency, m: longer, an open end of a shield is
  /// none.
  public static double twentieth(double rise) {
    return SPEED / frequency(rise) / 20;
  }

  /// `1/(π · tr)`, Hz.
  public static double frequency(double rise) {
    return 1 / (Math.PI * rise);
  }

  /// `|Rs · l + jωLe|/|Rs · l + jω(Le + Ls · l)|` of a shield that is joined at both ends: what is
  /// left of a field behind it.
  ///
  /// @param ends inductance of both its ends together, H
  public static double shieldFactor(
      double resistance, double inductance, double length, double ends, double frequency) {
    var omega = 2 * Math.PI * frequency;
    var r = resistance * length;
    return Math.hypot(r, omega * ends) / Math.hypot(r, omega * (ends + inductance * length));
  }

  /// `µ0 · l/2π · (ln(4l/d) − 1)`, H: a wire that a shield is twisted into.
  public static double pigtail(double length, double diameter) {
    return PERMEABILITY_BY_2PI * length * (Math.log(4 * length / diameter) - 1);
  }

  /// `|Rs + jωLt|`, Ω/m.
  public static double transferImpedance(double resistance, double leaks, double frequency) {
    return Math.hypot(resistance, 2 * Math.PI * frequency * leaks);
  }

  /// `1/(2n)` of what an untwisted pair takes up: of n turns at worst half a turn is left over.
  public static double twisted(double turns) {
    return turns <= 1 ? 1 : 1 / (2 * turns);
  }

  /// `1 − e^(−tp/τ)`: what a low-pass lets through of a pulse.
  public static double passes(double pulse, double timeConstant) {
    return timeConstant <= 0 ? 1 : -Math.expm1(-pulse / timeConstant);
  }

  /// `Z/(Z + N² · Z1)`: what a ferrite leaves of a common-mode current.
  public static double ferrite(double oneTurn, int turns, double loop) {
    return loop / (loop + oneTurn * turns * turns);
  }

  /// `20 · lg(of/to)`.
  public static double decibels(double of, double to) {
    return 20 * Math.log10(of / to);
  }
}
