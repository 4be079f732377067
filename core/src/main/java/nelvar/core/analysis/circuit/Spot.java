package nelvar.core.analysis.circuit;

/// A place that a reference leads to: sheet, column of 25 mm, row. Written `3.7C`.
public record Spot(int sheet, int column, int row) {
  static Spot of(int sheet, int x, int row) {
    return new Spot(sheet, x / SheetFormat.COLUMN + 1, row);
  }

  @Override
  public String toString() {
    return sheet + "." + column + (char) ('A' + row);
  }
}
