package nelvar.core.units;

/// A capacitance, in F; from 0 to 100 F.
public record Capacitance(double farads) implements Quantity, Comparable<Capacitance> {
  public Capacitance {
    Significant.require("a capacitance", farads, 0, 100, "F");
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
