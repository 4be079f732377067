package nelvar.core.units;

/// An electric resistance per length of one conductor, in Ω/m; from 0 to 1e+06 Ω/m.
public record ResistancePerLength(double ohmsPerMetre)
    implements Quantity, Comparable<ResistancePerLength> {
  static final Range RANGE =
      new Range("an electric resistance per length of one conductor", 0, 1e+06, "Ω/m");

  public ResistancePerLength {
    ohmsPerMetre = RANGE.possible(ohmsPerMetre);
  }

  public Resistance over(Length length) {
    return new Resistance(ohmsPerMetre * length.metres());
  }

  public ResistancePerLength times(double factor) {
    return new ResistancePerLength(ohmsPerMetre * factor);
  }

  @Override
  public double si() {
    return ohmsPerMetre;
  }

  @Override
  public int compareTo(ResistancePerLength other) {
    return Double.compare(ohmsPerMetre, other.ohmsPerMetre);
  }

  @Override
  public String toString() {
    return Significant.withPrefix(ohmsPerMetre, "Ω/m");
  }
}
