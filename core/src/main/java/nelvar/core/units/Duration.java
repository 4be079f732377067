package nelvar.core.units;

/// A length of time, in s; from 0 to 1e+09 s.
public record Duration(double seconds) implements Quantity, Comparable<Duration> {
  public Duration {
    Significant.require("a length of time", seconds, 0, 1e+09, "s");
  }

  @Override
  public double si() {
    return seconds;
  }

  @Override
  public int compareTo(Duration other) {
    return Double.compare(seconds, other.seconds);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(seconds, "s");
  }
}
