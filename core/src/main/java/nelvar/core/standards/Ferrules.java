package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// The door to ferrules with a collar. There are several colour series; this is the German one, and
/// what is bought decides.
public final class Ferrules {
  private static final Table TABLE = Table.load("din-46228-4/ferrule.tsv");

  /// The wire is stripped so much longer than the barrel, mm (common practice).
  private static final double BEYOND = 2;

  private Ferrules() {}

  /// Of the barrel; empty for what has no ferrule in the table: gauges of wire take the next larger
  /// one.
  public static Optional<Cited<Length>> barrel(CrossSection section) {
    return TABLE.cited(section.squareMillimetres(), "barrel", Length::ofMillimetres);
  }

  /// How much is stripped off the wire.
  public static Optional<Length> strip(CrossSection section) {
    return barrel(section).map(b -> new Length(b.value().metres() + BEYOND / 1000));
  }

  /// The section whose ferrule a wire takes: its own, else the next larger.
  public static Optional<CrossSection> size(CrossSection section) {
    return TABLE.keys().stream()
        .filter(key -> key >= section.squareMillimetres() - 1e-6)
        .findFirst()
        .map(CrossSection::new);
  }

  /// Of its collar, German series (DIN 46228-4, from memory); two thin ones vary by maker.
  public static String colour(CrossSection size) {
    var mm2 = size.squareMillimetres();
    if (mm2 <= 0.25) return "violet or yellow";
    if (mm2 <= 0.34) return "turquoise";
    if (mm2 <= 0.5) return "white";
    if (mm2 <= 0.75) return "grey";
    if (mm2 <= 1) return "red";
    if (mm2 <= 1.5) return "black";
    if (mm2 <= 2.5) return "blue";
    if (mm2 <= 4) return "grey";
    if (mm2 <= 6) return "yellow";
    if (mm2 <= 10) return "red";
    if (mm2 <= 16) return "blue";
    if (mm2 <= 25) return "yellow";
    return mm2 <= 35 ? "red" : "blue";
  }
}
