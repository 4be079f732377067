package nelvar.core.units;

/// A length, in m; from 0 to 100000 m.
public record Length(double metres) implements Quantity, Comparable<Length> {
  static final Range RANGE = new Range("a length", 0, 100000, "m");

  public Length {
    metres = RANGE.possible(metres);
  }

  public static Length ofMillimetres(double millimetres) {
    return new Length(millimetres / 1000);
  }

  public double feet() {
    return metres / 0.3048;
  }

  /// As a tape in feet has it, up to whole inches: `4 ft 5 in`, `7 in`.
  public String feetAndInches() {
    return FeetInches.words(metres);
  }

  public Length plus(Length other) {
    return new Length(metres + other.metres);
  }

  @Override
  public double si() {
    return metres;
  }

  @Override
  public int compareTo(Length other) {
    return Double.compare(metres, other.metres);
  }

  @Override
  public String toString() {
    return Significant.length(metres);
  }
}
