package nelvar.core.units;

/// An energy, in J; from 0 to 1e+09 J.
public record Energy(double joules) implements Quantity, Comparable<Energy> {
  static final Range RANGE = new Range("an energy", 0, 1e+09, "J");

  public Energy {
    joules = RANGE.possible(joules);
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
