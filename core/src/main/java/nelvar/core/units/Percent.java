package nelvar.core.units;

/// A share in hundredths, in %; from -1e+06 to 1e+06 %.
public record Percent(double percent) implements Quantity, Comparable<Percent> {
  static final Range RANGE = new Range("a share in hundredths", -1e+06, 1e+06, "%");

  public Percent {
    percent = RANGE.possible(percent);
  }

  public static final Percent WHOLE = new Percent(100);

  public static Percent ofFraction(double fraction) {
    return new Percent(fraction * 100);
  }

  public double fraction() {
    return percent / 100;
  }

  @Override
  public double si() {
    return percent;
  }

  @Override
  public int compareTo(Percent other) {
    return Double.compare(percent, other.percent);
  }

  @Override
  public String toString() {
    return Significant.plain(percent, "%");
  }
}
