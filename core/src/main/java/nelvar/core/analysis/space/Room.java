package nelvar.core.analysis.space;

import nelvar.core.catalogue.Fitting;

/// What is to stay free around a body as it is turned, in mm.
public record Room(double above, double right, double below, double left) {
  public static final Room NONE = new Room(0, 0, 0, 0);

  static Room of(Fitting fitting, int quarters) {
    var sides = fitting.sides().map(Box::mm).orElse(0.0);
    var above = fitting.above().map(Box::mm).orElse(0.0);
    var below = fitting.below().map(Box::mm).orElse(0.0);
    return switch (quarters) {
      case 1 -> new Room(sides, above, sides, below);
      case 2 -> new Room(below, sides, above, sides);
      case 3 -> new Room(sides, below, sides, above);
      default -> new Room(above, sides, below, sides);
    };
  }

  public Box around(Box body) {
    return body.grown(above, right, below, left);
  }
}
