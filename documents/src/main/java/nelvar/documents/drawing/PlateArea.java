package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.Fits;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;

/// One surface of a cabinet on the picture: where it begins, and how many pixels a millimetre is.
///
/// @param x of its left edge in the picture
/// @param y of its top edge
/// @param mirrored it is seen from behind: a door from inside, its measures from the other edge
public record PlateArea(
    Cabinet cabinet, Surface surface, double x, double y, double scale, boolean mirrored) {
  public PlateArea(Cabinet cabinet, Surface surface, double x, double y, double scale) {
    this(cabinet, surface, x, y, scale, false);
  }

  /// The plate in its housing, which is drawn with its upper left corner there.
  static PlateArea housed(Cabinet cabinet, double x, double y, double scale, List<Shape> shapes) {
    var shell = cabinet.shell();
    var width = Box.mm(shell.width()) * scale;
    var height = Box.mm(shell.height()) * scale;
    shapes.add(
        Shape.rounded(
            x,
            y,
            width,
            height,
            4,
            Optional.of(Ink.CARD),
            Optional.of(new Shape.Pen(Ink.TEXT_FAINT, 1.6, shell.closed() ? 0 : 6))));
    var plate = shell.mountingPlate();
    return new PlateArea(
        cabinet,
        Surface.PLATE,
        x + (width - Box.mm(plate.width()) * scale) / 2,
        y + (height - Box.mm(plate.height()) * scale) / 2,
        scale);
  }

  public double width() {
    return Fits.surface(cabinet, surface).width() * scale;
  }

  public double height() {
    return Fits.surface(cabinet, surface).height() * scale;
  }

  public boolean has(double px, double py) {
    return px >= x && px <= x + width() && py >= y && py <= y + height();
  }

  public double toX(double mm) {
    return mirrored ? x + width() - mm * scale : x + mm * scale;
  }

  /// The left edge of a box on the picture.
  public double leftEdge(Box box) {
    return toX(mirrored ? box.right() : box.left());
  }

  /// The right edge of a box on the picture.
  public double rightEdge(Box box) {
    return toX(mirrored ? box.left() : box.right());
  }

  public double toY(double mm) {
    return y + mm * scale;
  }

  /// Millimetres from the left edge.
  public double leftOf(double px) {
    return (mirrored ? x + width() - px : px - x) / scale;
  }

  public double topOf(double py) {
    return (py - y) / scale;
  }

  /// A box of the surface as it is drawn, at least a pixel wide and high.
  public Shape box(Box box, double round, Optional<Ink> fill, Optional<Shape.Pen> pen) {
    return Shape.rounded(
        leftEdge(box),
        toY(box.top()),
        Math.max(1, box.width() * scale),
        Math.max(1, box.height() * scale),
        Math.min(round, Math.min(box.width(), box.height()) * scale / 2.2),
        fill,
        pen);
  }
}
