package nelvar.core.units;

/// A frequency, in Hz; from 0 to 1e+09 Hz.
public record Frequency(double hertz) implements Quantity, Comparable<Frequency> {
  static final Range RANGE = new Range("a frequency", 0, 1e+09, "Hz");

  public Frequency {
    hertz = RANGE.possible(hertz);
  }

  @Override
  public double si() {
    return hertz;
  }

  @Override
  public int compareTo(Frequency other) {
    return Double.compare(hertz, other.hertz);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(hertz, "Hz");
  }
}
