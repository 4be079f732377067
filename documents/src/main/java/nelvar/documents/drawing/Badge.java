package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.finding.Severity;

/// The marks of the three severities: octagon, triangle, circle; never colour alone.
public final class Badge {
  private Badge() {}

  public static Ink ink(Severity severity) {
    return switch (severity) {
      case ERROR -> Ink.ERROR;
      case WARNING -> Ink.WARNING;
      case ADVICE -> Ink.ADVICE;
    };
  }

  /// @param r half its height
  public static List<Shape> of(Severity severity, double x, double y, double r) {
    var ink = Optional.of(ink(severity));
    var k = r * 0.414;
    var body =
        switch (severity) {
          case ERROR ->
              Shape.polygon(
                  ink,
                  Optional.empty(),
                  x - k,
                  y - r,
                  x + k,
                  y - r,
                  x + r,
                  y - k,
                  x + r,
                  y + k,
                  x + k,
                  y + r,
                  x - k,
                  y + r,
                  x - r,
                  y + k,
                  x - r,
                  y - k);
          case WARNING ->
              Shape.polygon(
                  ink,
                  Optional.empty(),
                  x,
                  y - r,
                  x + r * 1.05,
                  y + r * 0.85,
                  x - r * 1.05,
                  y + r * 0.85);
          case ADVICE -> Shape.circle(x, y, r, ink, Optional.empty());
        };
    var sign =
        Shape.text(
            x,
            y + r * 0.55,
            severity == Severity.ADVICE ? "i" : "!",
            Face.BOLD,
            r * 1.5,
            Ink.CARD,
            Shape.Anchor.MIDDLE);
    return List.of(body, sign);
  }
}
