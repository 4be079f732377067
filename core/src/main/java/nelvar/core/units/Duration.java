package nelvar.core.units;

/// A length of time, in s; from 0 to 1e+09 s.
public record Duration(double seconds) implements Quantity, Comparable<Duration> {
  static final Range RANGE = new Range("a length of time", 0, 1e+09, "s");

  public Duration {
    seconds = RANGE.possible(seconds);
  }

  @Override
  public double si() {
    return seconds;
  }

  public Duration plus(Duration other) {
    return new Duration(Math.min(RANGE.greatest(), seconds + other.seconds));
  }

  @Override
  public int compareTo(Duration other) {
    return Double.compare(seconds, other.seconds);
  }

  @Override
  public String toString() {
    if (seconds >= 3599.5) return Significant.plain(seconds / 3600, "h");
    if (seconds >= 299.5) return Significant.plain(seconds / 60, "min");
    return Significant.withPrefix(seconds, "s");
  }
}
