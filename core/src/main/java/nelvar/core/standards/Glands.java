package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Length;

/// The door to what cable glands clamp. Ranges of makers differ by a millimetre either way: what is
/// bought decides.
public final class Glands {
  private static final Table TABLE = Table.load("common-practice/gland.tsv");

  private Glands() {}

  /// @param thread in mm: 20 of an M20
  public static Optional<Cited<Length>> least(int thread) {
    return TABLE.cited(thread, "least", Length::ofMillimetres);
  }

  public static Optional<Cited<Length>> most(int thread) {
    return TABLE.cited(thread, "most", Length::ofMillimetres);
  }

  /// The hole it goes in.
  public static Optional<Cited<Length>> hole(int thread) {
    return TABLE.cited(thread, "hole", Length::ofMillimetres);
  }

  /// Across the corners of its nut: what two beside each other need.
  public static Optional<Cited<Length>> across(int thread) {
    return TABLE.cited(thread, "across", Length::ofMillimetres);
  }
}
