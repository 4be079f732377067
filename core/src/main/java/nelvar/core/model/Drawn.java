package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;

/// Where one symbol stands on the circuit sheets.
///
/// @param symbol named by its first terminal: a coil by `K1:A1`, its contact by `K1:13`
/// @param paper each size of paper has a layout of its own
/// @param sheet counted from 1
/// @param x its left edge, in steps of 2.5 mm from the left edge of the drawing area
/// @param row counted from 0, from above
public record Drawn(TerminalRef symbol, Paper paper, int sheet, int x, int row) {
  /// Sizes of paper (ISO 216).
  public enum Paper {
    A4,
    A3
  }

  private static final int MOST_SHEETS = 2000;
  private static final int MOST_STEPS = 200;
  private static final int MOST_ROWS = 20;

  public Drawn {
    if (sheet < 1 || sheet > MOST_SHEETS || x < 0 || x > MOST_STEPS || row < 0 || row > MOST_ROWS)
      throw new ImpossibleQuantity(
          "a symbol stands on sheet 1 to %d, 0 to %d steps from the left, in row 0 to %d; not on %d, %d, %d"
              .formatted(MOST_SHEETS, MOST_STEPS, MOST_ROWS, sheet, x, row));
  }
}
