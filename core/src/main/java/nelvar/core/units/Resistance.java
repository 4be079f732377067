package nelvar.core.units;

/// An electric resistance, in Ω; from 0 to 1e+09 Ω.
public record Resistance(double ohms) implements Quantity, Comparable<Resistance> {
  static final Range RANGE = new Range("an electric resistance", 0, 1e+09, "Ω");

  public Resistance {
    ohms = RANGE.possible(ohms);
  }

  public Resistance plus(Resistance other) {
    return new Resistance(ohms + other.ohms);
  }

  @Override
  public double si() {
    return ohms;
  }

  @Override
  public int compareTo(Resistance other) {
    return Double.compare(ohms, other.ohms);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(ohms, "Ω");
  }
}
