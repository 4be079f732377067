package nelvar.core.analysis.circuit;

import nelvar.core.model.Drawn;

/// Paper that circuits are drawn on, and the grid it has room for: steps of 2.5 mm.
///
/// A4 stands upright: with the current from above, most paths of a machine (breaker, contactor,
/// drive, motor) find room one below the other, as they do on A3 lying.
public enum SheetFormat {
  /// 210 × 297 mm (ISO 216), upright.
  A4(Drawn.Paper.A4, 210, 297),
  /// 420 × 297 mm (ISO 216), lying.
  A3(Drawn.Paper.A3, 420, 297);

  /// Length of a step, mm.
  public static final double STEP = 2.5;

  /// Free around the frame, mm.
  public static final double MARGIN = 10;

  /// Height of the title block, mm.
  public static final double TITLE = 20;

  /// From the frame to the grid: left, and with the column numbers above, mm.
  public static final double INSET = 2.5;

  public static final double HEAD = 6;

  /// Steps from one row of symbols to the next.
  public static final int ROW = Rows.PITCH;

  /// Steps of a column as references count them.
  public static final int COLUMN = 10;

  private final Drawn.Paper paper;
  private final int width;
  private final int height;

  SheetFormat(Drawn.Paper paper, int width, int height) {
    this.paper = paper;
    this.width = width;
    this.height = height;
  }

  public Drawn.Paper paper() {
    return paper;
  }

  /// Of the paper, mm.
  public int paperWidth() {
    return width;
  }

  /// Of the paper, mm.
  public int paperHeight() {
    return height;
  }

  /// Steps across.
  public int steps() {
    return (int) ((width - 2 * MARGIN - 2 * INSET) / STEP);
  }

  /// Steps down.
  public int stepsDown() {
    return (int) ((height - 2 * MARGIN - TITLE - HEAD) / STEP);
  }

  /// The upper edge of the symbols of a row, in steps.
  public static int top(int row) {
    return Rows.top(row);
  }

  /// Rows of symbols.
  public int rows() {
    var rows = 0;
    while (Rows.below(rows) + Rows.LANES <= stepsDown()) rows++;
    return rows;
  }
}
