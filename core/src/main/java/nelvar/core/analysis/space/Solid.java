package nelvar.core.analysis.space;

import java.util.Optional;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// What something takes up inside a cabinet, in mm: x from the left wall, y from the roof, z from
/// the back wall. Side walls are looked at from outside, roof and floor with the door towards one.
record Solid(double x1, double x2, double y1, double y2, double z1, double z2) {
  private static final double TOUCH = 0.5;

  /// Empty where nobody knows how deep it is, and outside.
  static Optional<Solid> of(Body body, Shell shell) {
    return body.depth().flatMap(deep -> of(body.surface(), body.box(), deep, shell));
  }

  static Optional<Solid> of(Cabinet.Duct duct, Shell shell) {
    return of(duct.surface(), Fits.box(duct), Box.mm(duct.depth()), shell);
  }

  static Optional<Solid> of(Surface surface, Box box, double deep, Shell shell) {
    var width = Box.mm(shell.width());
    var height = Box.mm(shell.height());
    var depth = Box.mm(shell.depth());
    return switch (surface) {
      case PLATE -> {
        var plate = shell.mountingPlate();
        var x = (width - Box.mm(plate.width())) / 2;
        var y = (height - Box.mm(plate.height())) / 2;
        var z = Box.mm(Shell.BEHIND_PLATE);
        yield Optional.of(
            new Solid(
                x + box.left(), x + box.right(), y + box.top(), y + box.bottom(), z, z + deep));
      }
      case DOOR ->
          Optional.of(
              new Solid(box.left(), box.right(), box.top(), box.bottom(), depth - deep, depth));
      case LEFT ->
          Optional.of(new Solid(0, deep, box.top(), box.bottom(), box.left(), box.right()));
      case RIGHT ->
          Optional.of(
              new Solid(
                  width - deep,
                  width,
                  box.top(),
                  box.bottom(),
                  depth - box.right(),
                  depth - box.left()));
      case TOP -> Optional.of(new Solid(box.left(), box.right(), 0, deep, box.top(), box.bottom()));
      case BOTTOM ->
          Optional.of(
              new Solid(box.left(), box.right(), height - deep, height, box.top(), box.bottom()));
      case OUTSIDE -> Optional.empty();
    };
  }

  boolean meets(Solid other) {
    return Math.min(x2, other.x2) - Math.max(x1, other.x1) > TOUCH
        && Math.min(y2, other.y2) - Math.max(y1, other.y1) > TOUCH
        && Math.min(z2, other.z2) - Math.max(z1, other.z1) > TOUCH;
  }

  /// The room before its inner face, so deep.
  Solid before(Surface surface, double deep) {
    return switch (surface) {
      case LEFT -> new Solid(x2, x2 + deep, y1, y2, z1, z2);
      case RIGHT -> new Solid(x1 - deep, x1, y1, y2, z1, z2);
      case TOP -> new Solid(x1, x2, y2, y2 + deep, z1, z2);
      case BOTTOM -> new Solid(x1, x2, y1 - deep, y1, z1, z2);
      case DOOR -> new Solid(x1, x2, y1, y2, z1 - deep, z1);
      case PLATE, OUTSIDE -> new Solid(x1, x2, y1, y2, z2, z2 + deep);
    };
  }

  /// The share of its face, seen from the wall it is mounted on, that another covers.
  double covered(Solid other, Surface surface) {
    if (!meets(other)) return 0;
    var x = (Math.min(x2, other.x2) - Math.max(x1, other.x1)) / (x2 - x1);
    var y = (Math.min(y2, other.y2) - Math.max(y1, other.y1)) / (y2 - y1);
    var z = (Math.min(z2, other.z2) - Math.max(z1, other.z1)) / (z2 - z1);
    return switch (surface) {
      case LEFT, RIGHT -> y * z;
      case TOP, BOTTOM -> x * z;
      case PLATE, DOOR, OUTSIDE -> x * y;
    };
  }
}
