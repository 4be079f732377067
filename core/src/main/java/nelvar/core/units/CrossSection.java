package nelvar.core.units;

import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/// The copper cross-section of one conductor, in mm²; from 0.01 to 1000 mm².
///
/// Gauges follow ASTM B258: `d = 0.127 mm · 92^((36 − n)/39)`, 1/0 is n = 0, 2/0 is n = −1 and so
/// on.
public record CrossSection(double squareMillimetres) implements Quantity, Comparable<CrossSection> {
  private static final int SMALLEST_GAUGE = 36;
  private static final int LARGEST_GAUGE = -3;
  private static final NavigableMap<Double, String> GAUGES = gauges();

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
    var near = GAUGES.ceilingEntry(squareMillimetres * (1 - 1e-6));
    return near != null && near.getKey() <= squareMillimetres * (1 + 1e-6)
        ? Optional.of(near.getValue())
        : Optional.empty();
  }

  private static NavigableMap<Double, String> gauges() {
    var all = new TreeMap<Double, String>();
    for (var n = SMALLEST_GAUGE; n >= LARGEST_GAUGE; n--)
      all.put(ofGauge(n).squareMillimetres, (n > 0 ? String.valueOf(n) : (1 - n) + "/0") + " AWG");
    return all;
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
