package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cabinet;
import nelvar.core.units.Length;

/// Several bodies of one surface together: brought into line with the one that was chosen first,
/// put at equal gaps, and how far two of them are apart.
public final class Together {
  private Together() {}

  /// What is brought into line.
  public enum Line {
    TOPS,
    MIDDLES,
    BOTTOMS,
    LEFTS,
    CENTRES,
    RIGHTS
  }

  /// @param bodies the first stays where it is
  public static List<Body> aligned(List<Body> bodies, Line line) {
    if (bodies.isEmpty()) return bodies;
    var to = bodies.getFirst().box();
    return bodies.stream()
        .map(body -> {
          var box = body.box();
          return switch (line) {
            case TOPS -> at(body, box.left(), to.top());
            case MIDDLES -> at(body, box.left(), to.middleY() - box.height() / 2);
            case BOTTOMS -> at(body, box.left(), to.bottom() - box.height());
            case LEFTS -> at(body, to.left(), box.top());
            case CENTRES -> at(body, to.middleX() - box.width() / 2, box.top());
            case RIGHTS -> at(body, to.right() - box.width(), box.top());
          };
        })
        .toList();
  }

  private static Body at(Body body, double left, double top) {
    return body.movedTo(Math.max(0, left), Math.max(0, top));
  }

  /// Equal gaps between the outermost two, which stay.
  ///
  /// @param down from top to bottom instead of from left to right
  public static List<Body> distributed(List<Body> bodies, boolean down) {
    if (bodies.size() < 3) return bodies;
    var sorted = new ArrayList<>(bodies);
    sorted.sort(Comparator.comparingDouble(b -> down ? b.box().middleY() : b.box().middleX()));
    var sizes = sorted.stream().mapToDouble(b -> size(b, down)).sum();
    var first = sorted.getFirst().box();
    var last = sorted.getLast().box();
    var span = down ? last.bottom() - first.top() : last.right() - first.left();
    var gap = (span - sizes) / (sorted.size() - 1);
    var next = new ArrayList<Body>();
    var from = down ? first.top() : first.left();
    for (var body : sorted) {
      next.add(down ? at(body, body.box().left(), from) : at(body, from, body.box().top()));
      from += size(body, down) + gap;
    }
    return next;
  }

  private static double size(Body body, boolean down) {
    return down ? body.box().height() : body.box().width();
  }

  /// How far two bodies are apart.
  ///
  /// @param across free between their sides, mm; negative where they overlap
  /// @param down free between their upper and lower edges, mm; negative where they overlap
  /// @param middleAcross from middle to middle, mm
  /// @param wire the shortest way of a wire between them through the ducts; empty where none leads
  public record Apart(
      double across, double down, double middleAcross, double middleDown, Optional<Length> wire) {
    public String words() {
      var gaps =
          across > 0 && down > 0
              ? "%.1f mm across and %.1f mm down between them".formatted(across, down)
              : across > 0
                  ? "%.1f mm between them".formatted(across)
                  : down > 0 ? "%.1f mm between them".formatted(down) : "one over the other";
      return "%s, middles %.1f mm across and %.1f mm down%s"
          .formatted(
              gaps,
              middleAcross,
              middleDown,
              wire.map(w -> ", a wire through the ducts " + w).orElse(""));
    }
  }

  public static Apart between(Body a, Body b, Cabinet cabinet, Study study) {
    var ways = study.once(List.of(Together.class, cabinet.id()), () -> DuctWays.of(cabinet));
    var length = ways.length(ways.access(a), ways.access(b));
    return new Apart(
        -a.box().across(b.box()),
        -a.box().along(b.box()),
        Math.abs(a.box().middleX() - b.box().middleX()),
        Math.abs(a.box().middleY() - b.box().middleY()),
        Double.isFinite(length) ? Optional.of(Length.ofMillimetres(length)) : Optional.empty());
  }
}
