package nelvar.core.units;

import java.util.Optional;

/// The copper cross-section of one conductor, in mm²; from 0.01 to 1000 mm².
///
/// Gauges follow ASTM B258: `d = 0.127 mm · 92^((36 − n)/39)`, 1/0 is n = 0, 2/0 is n = −1 and so
/// on.
public record CrossSection(double squareMillimetres) implements Quantity, Comparable<CrossSection> {
  private static final int SMALLEST_GAUGE = 36;
  private static final int LARGEST_GAUGE = -3;

  public CrossSection {
    Significant.require("a conductor's cross-section", squareMillimetres, 0.01, 1000, "mm²");
  }

  /// The section of gauge `n`, where 0, −1, −2, −3 stand for 1/0, 2/0, 3/0, 4/0.
  public static CrossSection ofGauge(int n) {
    if (n > SMALLEST_GAUGE || n < LARGEST_GAUGE) {
      throw new ImpossibleQuantity(
          "gauge " + n + " is not an AWG size: write 36 AWG to 1 AWG or 1/0 to 4/0 AWG");
    }
    var diameter = 0.127 * Math.pow(92, (36 - n) / 39.0);
    return new CrossSection(Math.PI / 4 * diameter * diameter);
  }

  /// The gauge this section is, if it is one.
  public Optional<String> gauge() {
    for (var n = SMALLEST_GAUGE; n >= LARGEST_GAUGE; n--) {
      if (Math.abs(ofGauge(n).squareMillimetres / squareMillimetres - 1) < 1e-6) {
        return Optional.of((n > 0 ? String.valueOf(n) : (1 - n) + "/0") + " AWG");
      }
    }
    return Optional.empty();
  }

  @Override
  public double si() {
    return squareMillimetres;
  }

  @Override
  public int compareTo(CrossSection other) {
    return Double.compare(squareMillimetres, other.squareMillimetres);
  }

  @Override
  public String toString() {
    return gauge().orElseGet(() -> Significant.plain(squareMillimetres, "mm²"));
  }
}
