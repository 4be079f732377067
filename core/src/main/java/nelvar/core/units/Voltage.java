package nelvar.core.units;

/// An electric voltage, in V; from 0 to 100000 V.
public record Voltage(double volts) implements Quantity, Comparable<Voltage> {
  static final Range RANGE = new Range("an electric voltage", 0, 100000, "V");

  public Voltage {
    volts = RANGE.possible(volts);
  }

  public Voltage plus(Voltage other) {
    return new Voltage(volts + other.volts);
  }

  /// What remains of this voltage after `drop`; never below zero.
  public Voltage less(Voltage drop) {
    return new Voltage(Math.max(0, volts - drop.volts));
  }

  public Voltage times(double factor) {
    return new Voltage(volts * factor);
  }

  /// The current it drives through a resistance.
  public Current over(Resistance resistance) {
    return new Current(volts / resistance.ohms());
  }

  public Percent of(Voltage whole) {
    return Percent.ofFraction(volts / whole.volts);
  }

  @Override
  public double si() {
    return volts;
  }

  @Override
  public int compareTo(Voltage other) {
    return Double.compare(volts, other.volts);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(volts, "V");
  }
}
