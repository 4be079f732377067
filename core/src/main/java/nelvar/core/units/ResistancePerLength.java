package nelvar.core.units;

/// An electric resistance per length of one conductor, in Ω/m; from 0 to 1e+06 Ω/m.
public record ResistancePerLength(double ohmsPerMetre)
    implements Quantity, Comparable<ResistancePerLength> {
  public ResistancePerLength {
    Significant.require(
        "an electric resistance per length of one conductor", ohmsPerMetre, 0, 1e+06, "Ω/m");
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
