package nelvar.core.formula;

/// Which leads of a motor are joined, by their usual numbers (NEMA MG 1, part 2, numbering of
/// leads, from memory, unchecked; the card in the motor's own box decides).
public final class WindingJoins {
  public enum Winding {
    NINE_STAR,
    NINE_DELTA,
    TWELVE_STAR,
    TWELVE_DELTA,
    SIX_STAR,
    SIX_DELTA
  }

  public enum Volts {
    LOW,
    HIGH
  }

  private WindingJoins() {}

  /// In words: what comes on each line, and what is joined and insulated besides. Six leads have
  /// one pair of voltages: delta for the low, star for the high.
  public static String of(Winding winding, Volts volts) {
    return switch (winding) {
      case NINE_STAR ->
          volts == Volts.LOW
              ? "L1: 1 7, L2: 2 8, L3: 3 9; join 4 5 6"
              : "L1: 1, L2: 2, L3: 3; join 4 7, 5 8, 6 9";
      case NINE_DELTA ->
          volts == Volts.LOW
              ? "L1: 1 6 7, L2: 2 4 8, L3: 3 5 9"
              : "L1: 1, L2: 2, L3: 3; join 4 7, 5 8, 6 9";
      case TWELVE_STAR ->
          volts == Volts.LOW
              ? "L1: 1 7, L2: 2 8, L3: 3 9; join 4 5 6, 10 11 12"
              : "L1: 1, L2: 2, L3: 3; join 4 7, 5 8, 6 9, 10 11 12";
      case TWELVE_DELTA ->
          volts == Volts.LOW
              ? "L1: 1 6 7 12, L2: 2 4 8 10, L3: 3 5 9 11"
              : "L1: 1 12, L2: 2 10, L3: 3 11; join 4 7, 5 8, 6 9";
      case SIX_STAR -> "L1: 1, L2: 2, L3: 3; join 4 5 6";
      case SIX_DELTA -> "L1: 1 6, L2: 2 4, L3: 3 5";
    };
  }
}
