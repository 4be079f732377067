package nelvar.core.units;

/// A capacitance, in F; from 0 to 100 F.
public record Capacitance(double farads) implements Quantity, Comparable<Capacitance> {
  static final Range RANGE = new Range("a capacitance", 0, 100, "F");

  public Capacitance {
    farads = RANGE.possible(farads);
  }

  @Override
  public double si() {
    return farads;
  }

  @Override
  public int compareTo(Capacitance other) {
    return Double.compare(farads, other.farads);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(farads, "F");
  }
}
