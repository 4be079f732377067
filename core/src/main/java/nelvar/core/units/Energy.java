package nelvar.core.units;

/// An energy, in J; from 0 to 1e+09 J.
public record Energy(double joules) implements Quantity, Comparable<Energy> {
  public Energy {
    Significant.require("an energy", joules, 0, 1e+09, "J");
  }

  @Override
  public double si() {
    return joules;
  }

  @Override
  public int compareTo(Energy other) {
    return Double.compare(joules, other.joules);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(joules, "J");
  }
}
