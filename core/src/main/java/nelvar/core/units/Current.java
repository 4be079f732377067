package nelvar.core.units;

/// An electric current, in A; from 0 to 1e+06 A.
public record Current(double amperes) implements Quantity, Comparable<Current> {
  static final Range RANGE = new Range("an electric current", 0, 1e+06, "A");

  public Current {
    amperes = RANGE.possible(amperes);
  }

  public Current plus(Current other) {
    return new Current(amperes + other.amperes);
  }

  public Current times(double factor) {
    return new Current(amperes * factor);
  }

  public Percent of(Current whole) {
    return Percent.ofFraction(amperes / whole.amperes);
  }

  public Voltage across(Resistance resistance) {
    return new Voltage(amperes * resistance.ohms());
  }

  @Override
  public double si() {
    return amperes;
  }

  @Override
  public int compareTo(Current other) {
    return Double.compare(amperes, other.amperes);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(amperes, "A");
  }
}
