package nelvar.core.units;

/// A power, in W; from 0 to 1e+08 W.
public record Power(double watts) implements Quantity, Comparable<Power> {
  static final Range RANGE = new Range("a power", 0, 1e+08, "W");

  public Power {
    watts = RANGE.possible(watts);
  }

  public Power plus(Power other) {
    return new Power(watts + other.watts);
  }

  public Power times(double factor) {
    return new Power(watts * factor);
  }

  @Override
  public double si() {
    return watts;
  }

  @Override
  public int compareTo(Power other) {
    return Double.compare(watts, other.watts);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(watts, "W");
  }
}
