package nelvar.core.compose.place;

import nelvar.core.analysis.space.Box;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// The plate that rows are laid on, and its ducts: one at the bottom, one between each two rows,
/// one above the first row where wanted, an upright one at one or both edges.
///
/// @param width of the plate, mm
/// @param duct width of a duct's face, mm
/// @param ductDepth from the plate to its lid, mm
/// @param over free above the plate inside the housing, which air may use
record Frame(
    double width,
    double height,
    double duct,
    double ductDepth,
    boolean topDuct,
    boolean leftDuct,
    boolean rightDuct,
    double over) {
  /// From so wide a plate ducts of 40 mm are usual, below it of 25 mm (common practice).
  private static final double WIDE = 300;

  /// From so wide a plate an upright duct at both edges is usual.
  private static final double BOTH = 400;

  static Frame of(Shell shell, boolean topDuct) {
    var plate = shell.size(Surface.PLATE);
    var width = Box.mm(plate.width());
    var around = Box.mm(Shell.AROUND_PLATE) / 2;
    return new Frame(
        width,
        Box.mm(plate.height()),
        width >= WIDE ? 40 : 25,
        width >= WIDE ? 60 : 40,
        topDuct,
        true,
        width >= BOTH,
        around);
  }

  double from() {
    return leftDuct ? duct : 0;
  }

  double to() {
    return width - (rightDuct ? duct : 0);
  }

  double leftLine() {
    return duct / 2;
  }

  double rightLine() {
    return width - duct / 2;
  }
}
