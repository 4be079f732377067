package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;

/// An axis from pulse to travel and back.
public final class Axis {
  /// Share of a controller's greatest rate that is used (common practice).
  public static final double USED = 0.8;

  private Axis() {}

  /// `steps · micro · ratio/lead`.
  public static Measure stepsPerLength(
      double stepsATurn, double microsteps, double ratio, Length lead) {
    return new Measure(
        perUnit(stepsATurn, microsteps, ratio, lead.metres() * 1000),
        Measure.Unit.STEPS_PER_LENGTH);
  }

  /// Pulses for one mm, or one degree.
  public static double perUnit(
      double fullSteps, double microsteps, double ratio, double travelPerTurn) {
    return fullSteps * microsteps * ratio / travelPerTurn;
  }

  /// Microsteps that give so many pulses a unit.
  public static double microsteps(
      double perUnit, double fullSteps, double ratio, double travelPerTurn) {
    return perUnit * travelPerTurn / (fullSteps * ratio);
  }

  /// Travel of a turn that gives so many pulses a unit.
  public static double travelPerTurn(
      double perUnit, double fullSteps, double microsteps, double ratio) {
    return fullSteps * microsteps * ratio / perUnit;
  }

  /// Gear that gives so many pulses a unit.
  public static double ratio(
      double perUnit, double fullSteps, double microsteps, double travelPerTurn) {
    return perUnit * travelPerTurn / (fullSteps * microsteps);
  }

  /// Steps that make the travel that was measured the one that was commanded.
  public static double corrected(double perUnit, double commanded, double measured) {
    return perUnit * commanded / measured;
  }

  /// What two commanded lengths and what was measured of each say: the scale of the axis, and what
  /// is off by the same amount each time (play, a worn edge of the rule).
  ///
  /// @param scale measured for one commanded; @param offset measured too much, in the unit
  public record Line(double scale, double offset) {}

  /// None where both are as long.
  public static Optional<Line> line(double first, double one, double second, double other) {
    if (first == second) return Optional.empty();
    var scale = (other - one) / (second - first);
    return scale <= 0 ? Optional.empty() : Optional.of(new Line(scale, one - scale * first));
  }

  /// `feed · steps per mm`.
  public static Frequency stepRate(Measure feed, Measure stepsPerLength) {
    return new Frequency(feed.value() / 60 * stepsPerLength.value());
  }

  /// 80 % of what the controller can.
  public static Frequency usableRate(Frequency greatest) {
    return new Frequency(USED * greatest.hertz());
  }

  /// Four edges a line.
  public static Measure counts(int lines) {
    return new Measure(4.0 * lines, Measure.Unit.COUNTS);
  }

  /// `counts · ratio/lead`.
  public static Measure countsPerLength(Measure counts, double ratio, Length lead) {
    return new Measure(
        counts.value() * ratio / (lead.metres() * 1000), Measure.Unit.COUNTS_PER_LENGTH);
  }

  /// `n/60 · lines`, of one channel.
  public static Frequency channel(Measure speed, int lines) {
    return new Frequency(speed.value() / 60 * lines);
  }

  /// `1/(4 · f)`, between two edges of the two channels.
  public static Duration edge(Frequency channel) {
    return new Duration(1 / (4 * channel.hertz()));
  }

  /// `60 · f/lines`.
  public static Measure greatestSpeed(Frequency ofChannel, int lines) {
    return new Measure(60 * ofChannel.hertz() / lines, Measure.Unit.ROTATION);
  }

  /// `counts/pulses`, shortened.
  public record Gear(int numerator, int denominator) {
    @Override
    public String toString() {
      return numerator + "/" + denominator;
    }
  }

  public static Gear electronicGear(int counts, int pulses) {
    var common = commonDivisor(counts, pulses);
    return new Gear(counts / common, pulses / common);
  }

  private static int commonDivisor(int a, int b) {
    return b == 0 ? a : commonDivisor(b, a % b);
  }

  /// `m · (lead/2π)²`, seen by the screw.
  public static Measure screwInertia(Measure mass, Length lead) {
    return new Measure(
        mass.value() * Math.pow(lead.metres() / (2 * Math.PI), 2), Measure.Unit.INERTIA);
  }

  /// `J/ratio²`, as the motor feels it.
  public static Measure reflectedInertia(Measure inertia, double ratio) {
    return new Measure(inertia.value() / ratio / ratio, Measure.Unit.INERTIA);
  }
}
