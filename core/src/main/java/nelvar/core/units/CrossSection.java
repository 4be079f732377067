package nelvar.core.units;

import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;

/// The copper cross-section of one conductor, in mm²; from 0.01 to 1000 mm².
///
/// Gauges follow ASTM B258: `d = 0.127 mm · 92^((36 − n)/39)`, 1/0 is n = 0, 2/0 is n = −1 and so
/// on.
public record CrossSection(double squareMillimetres) implements Quantity, Comparable<CrossSection> {
  static final Range RANGE = new Range("a conductor's cross-section", 0.01, 1000, "mm²");

  private static final int SMALLEST_GAUGE = 36;
  private static final int LARGEST_GAUGE = -3;
  private static final double SQUARE_MILLIMETRES_PER_KCMIL = 0.506707479;
  private static final NavigableMap<Double, Integer> GAUGES = gauges();

  public CrossSection {
    squareMillimetres = RANGE.possible(squareMillimetres);
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

  /// The section of `kcmil` thousand circular mils; one is 0.506707 mm².
  public static CrossSection ofKcmil(double kcmil) {
    return new CrossSection(kcmil * SQUARE_MILLIMETRES_PER_KCMIL);
  }

  /// The gauge this section is, if it is one: `16 AWG`, `250 kcmil`.
  public Optional<String> gauge() {
    var number = gaugeNumber();
    if (number.isEmpty()) return Optional.empty();
    var n = number.getAsInt();
    return Optional.of(
        n >= 250 ? n + " kcmil" : (n > 0 ? String.valueOf(n) : (1 - n) + "/0") + " AWG");
  }

  /// The gauge, where this section is that gauge to the last digit and not only near it.
  public Optional<String> exactGauge() {
    return GAUGES.containsKey(squareMillimetres) ? gauge() : Optional.empty();
  }

  /// The gauge as tables key it: 0, −1, −2, −3 for 1/0 to 4/0, thousands of circular mils from 250.
  public OptionalInt gaugeNumber() {
    var near = GAUGES.ceilingEntry(squareMillimetres * (1 - 1e-6));
    return near != null && near.getKey() <= squareMillimetres * (1 + 1e-6)
        ? OptionalInt.of(near.getValue())
        : OptionalInt.empty();
  }

  public double circularMils() {
    return squareMillimetres / SQUARE_MILLIMETRES_PER_KCMIL * 1000;
  }

  private static NavigableMap<Double, Integer> gauges() {
    var all = new TreeMap<Double, Integer>();
    for (var n = SMALLEST_GAUGE; n >= LARGEST_GAUGE; n--) all.put(ofGauge(n).squareMillimetres, n);
    for (var kcmil : new int[] {250, 300, 350, 400, 500})
      all.put(ofKcmil(kcmil).squareMillimetres, kcmil);
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
