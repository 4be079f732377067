package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.stop.StopTakes;
import nelvar.core.analysis.stop.StopTakes.Left;
import nelvar.core.analysis.stop.StopTakes.Standing;
import nelvar.core.model.Id;

/// What the panel looks like after a stop: what it took is hatched, what stays is filled, what
/// holds its charge stands out.
final class StopInks {
  private static final double APART = 7;

  private final Optional<StopTakes> takes;

  StopInks(Study study, Optional<Id> selected) {
    takes = StopTakes.of(selected, study);
  }

  private Optional<Left> left(Body body) {
    return takes.flatMap(all -> all.of(body.id()));
  }

  Ink fill(Body body) {
    return left(body).map(Left::standing).map(StopInks::fill).orElse(Ink.PAPER);
  }

  private static Ink fill(Standing standing) {
    return switch (standing) {
      case TAKEN -> Ink.PAPER;
      case CHARGED -> Ink.WARNING_SOFT;
      case STAYS -> Ink.MAINS_SOFT;
      case UNKNOWN -> Ink.CARD;
    };
  }

  Optional<String> words(Body body) {
    return left(body)
        .map(it ->
            switch (it.standing()) {
              case TAKEN -> "dry";
              case CHARGED, STAYS -> it.volts().toString();
              case UNKNOWN -> "not known";
            });
  }

  /// Lines from lower left to upper right over what has lost its volts.
  void hatch(Body body, PlateArea area, List<Shape> shapes) {
    if (left(body).filter(it -> it.standing() == Standing.TAKEN).isEmpty()) return;
    hatch(
        area.leftEdge(body.box()),
        area.toY(body.box().top()),
        body.box().width() * area.scale(),
        body.box().height() * area.scale(),
        shapes);
  }

  private static void hatch(double x, double y, double wide, double high, List<Shape> shapes) {
    for (var at = APART; at < wide + high; at += APART) {
      var fromX = Math.max(0, at - high);
      var toX = Math.min(wide, at);
      shapes.add(
          Shape.line(
              x + fromX, y + (at - fromX), x + toX, y + (at - toX), Shape.Pen.of(Ink.LINE, 0.8)));
    }
  }

  /// @return where it ends
  double legend(List<Shape> shapes, double left, double top) {
    if (takes.isEmpty()) {
      shapes.add(
          Shape.text(
              left,
              top + 10,
              "No stop or guard is in this machine, or its running state is not found: nothing is taken away.",
              Face.TEXT,
              11.5,
              Ink.TEXT_SOFT));
      return top + 18;
    }
    var x = left;
    for (var standing : Standing.values()) {
      if (takes.get().all().values().stream().noneMatch(l -> l.standing() == standing)) continue;
      shapes.add(
          Shape.rectangle(
              x,
              top,
              22,
              12,
              Optional.of(fill(standing)),
              Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, 0.8))));
      if (standing == Standing.TAKEN) hatch(x, top, 22, 12, shapes);
      var words =
          switch (standing) {
            case TAKEN -> "loses its volts";
            case CHARGED -> "loses its feed, stays charged";
            case STAYS -> "has volts, as before";
            case UNKNOWN -> "not known";
          };
      shapes.add(Shape.text(x + 27, top + 10, words, Face.TEXT, 11.5, Ink.TEXT_SOFT));
      x += 27 + Faces.width(words, Face.TEXT, 11.5) + 16;
    }
    shapes.add(
        Shape.text(
            x, top + 10, "plain: 0 V, earth or nothing wired", Face.TEXT, 11.5, Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            left,
            top + 28,
            "With %s pressed and held, everything settled, programs going on. Select another stop or guard to see what that one takes; when, says Stop (Ctrl+8)."
                .formatted(takes.get().button().designation()),
            Face.TEXT,
            11.5,
            Ink.TEXT_SOFT));
    return top + 36;
  }
}
