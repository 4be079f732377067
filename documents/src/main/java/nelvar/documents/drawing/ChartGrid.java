package nelvar.documents.drawing;

import nelvar.core.units.Significant;

/// The lines and figures of a chart of two quantities.
final class ChartGrid {
  private static final double SMALL = MotionSheet.SMALL;

  private ChartGrid() {}

  /// @param ends left, top, right and bottom of it, and what its right and upper edges stand for
  static void draw(MotionSheet sheet, double[] ends, String across, String upwards) {
    var wide = ends[2] - ends[0];
    var tall = ends[3] - ends[1];
    for (var n = 0; n <= 5; n++) {
      var px = ends[0] + wide * n / 5;
      sheet.add(Shape.line(px, ends[1], px, ends[3], Shape.Pen.of(Ink.LINE, 1)));
      sheet.add(
          Shape.text(
              px,
              ends[3] + 15,
              Significant.digits(ends[4] * n / 5) + (n == 5 ? " " + across : ""),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              n == 5 ? Shape.Anchor.END : Shape.Anchor.MIDDLE));
      if (n > 4) continue;
      var py = ends[3] - tall * n / 4;
      sheet.add(Shape.line(ends[0], py, ends[2], py, Shape.Pen.of(Ink.LINE, 1)));
      sheet.add(
          Shape.text(
              ends[0] - 5,
              py + 4,
              Significant.digits(ends[5] * n / 4) + (n == 4 ? " " + upwards : ""),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              n == 4 ? Shape.Anchor.START : Shape.Anchor.END));
    }
  }

  /// 1, 2, 2.5 or 5 of its decade, not below a value.
  static double nice(double value) {
    var decade = Math.pow(10, Math.floor(Math.log10(Math.max(1e-6, value))));
    for (var step : new double[] {1, 2, 2.5, 5, 10})
      if (decade * step >= value) return decade * step;
    return decade * 10;
  }
}
