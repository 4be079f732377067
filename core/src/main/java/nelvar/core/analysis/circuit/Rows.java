package nelvar.core.analysis.circuit;

/// Where the rows of symbols lie on a sheet, in steps from its upper edge. Between two rows, each
/// wire first runs straight through a zone that is its own, where its number stands; between the
/// zones there are lanes for bars and for wires across.
final class Rows {
  /// Of one wire at its symbol.
  static final int ZONE = 4;

  /// Between the zones of two rows, and above the first and below the last.
  static final int LANES = 5;

  static final int PITCH = Piece.HEIGHT + 2 * ZONE + LANES;

  private Rows() {}

  /// The upper edge of the symbols of a row.
  static int top(int row) {
    return LANES + ZONE + row * PITCH;
  }

  /// Where the zones below a row end.
  static int below(int row) {
    return top(row) + Piece.HEIGHT + ZONE;
  }
}
