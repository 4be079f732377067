package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Article;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;

/// What is drilled and cut in plates, doors and walls: holes of rails, round holes of command
/// devices, and fronts whose cut-out only the part's own sheet tells.
public final class Holes {
  /// A front of a command device is no larger than this, mm.
  private static final double COMMAND = 46;

  /// The hole of a command device of the 22 mm size (IEC 60947-5-1 gives 22.3 mm; from memory), mm.
  public static final double ROUND = 22.3;

  /// Clearance hole of an M5 screw, mm (ISO 273, medium series).
  public static final double SCREW = 5.5;

  private static final double END = 20;
  private static final double SPAN = 400;

  private Holes() {}

  public enum Kind {
    /// Of a rail: a screw M5.
    RAIL,
    /// Round, of a command device.
    ROUND,
    /// The front of a part, whose cut-out is smaller.
    FRONT,
    /// The body of a part goes through.
    BODY,
    /// Fixing holes, marked from the part.
    MARKED
  }

  /// @param name of the rail or the part
  /// @param x of its middle, mm from the left of its surface
  /// @param y of its middle, mm from the top
  /// @param width of the hole or the front, mm; of a round one its diameter
  /// @param assumed whether its size is
  public record Hole(
      String name, Kind kind, double x, double y, double width, double height, boolean assumed) {}

  public static List<Hole> of(Cabinet cabinet, Surface surface, Study study) {
    var all = new ArrayList<Hole>();
    for (var rail : cabinet.rails()) if (rail.surface() == surface) ends(rail, all);
    for (var body : Bodies.of(study).in(cabinet)) {
      if (body.later() || body.surface() != surface || surface == Surface.OUTSIDE) continue;
      kind(body, surface).ifPresent(kind -> all.add(hole(body, kind)));
    }
    return all;
  }

  private static java.util.Optional<Kind> kind(Body body, Surface surface) {
    if (surface == Surface.PLATE) {
      if (body.at().sinkOutside()) return java.util.Optional.of(Kind.BODY);
      return body.mounting().equals(java.util.Optional.of(Article.Mounting.RAIL))
          ? java.util.Optional.empty()
          : java.util.Optional.of(Kind.MARKED);
    }
    var small = body.box().width() <= COMMAND && body.box().height() <= COMMAND;
    return java.util.Optional.of(small && surface == Surface.DOOR ? Kind.ROUND : Kind.FRONT);
  }

  private static Hole hole(Body body, Kind kind) {
    var round = kind == Kind.ROUND;
    return new Hole(
        body.name(),
        kind,
        body.box().middleX(),
        body.box().middleY(),
        round ? ROUND : body.box().width(),
        round ? ROUND : body.box().height(),
        body.assumed());
  }

  /// 20 mm from its ends, one more each 400 mm (common practice).
  private static void ends(Cabinet.Rail rail, List<Hole> all) {
    var length = Box.mm(rail.length());
    var spans = (int) Math.max(1, Math.ceil((length - 2 * END) / SPAN));
    for (var i = 0; i <= spans; i++) {
      var along = END + (length - 2 * END) * i / spans;
      all.add(
          new Hole(
              rail.id().text(),
              Kind.RAIL,
              Box.mm(rail.left()) + (rail.vertical() ? 0 : along),
              Box.mm(rail.top()) + (rail.vertical() ? along : 0),
              SCREW,
              SCREW,
              false));
    }
  }
}
