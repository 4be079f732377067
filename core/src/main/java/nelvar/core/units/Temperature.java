package nelvar.core.units;

/// A temperature, in °C; from -273.15 to 2000 °C.
public record Temperature(double celsius) implements Quantity, Comparable<Temperature> {
  static final Range RANGE = new Range("a temperature", -273.15, 2000, "°C");

  public Temperature {
    celsius = RANGE.possible(celsius);
  }

  @Override
  public double si() {
    return celsius;
  }

  @Override
  public int compareTo(Temperature other) {
    return Double.compare(celsius, other.celsius);
  }

  @Override
  public String toString() {
    return Significant.plain(celsius, "°C");
  }
}
