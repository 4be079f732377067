package nelvar.documents.drawing;

import static nelvar.documents.drawing.CircuitPicture.x;
import static nelvar.documents.drawing.CircuitPicture.y;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet;
import nelvar.core.analysis.circuit.CircuitSheet.Point;
import nelvar.core.analysis.circuit.Piece;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// Rings round the cores of shielded cables where they leave a symbol: the shield, full where it is
/// clamped, long dashes for a pigtail, short ones where it goes through a capacitor, dotted where
/// it is open. A shield nobody said anything of is not drawn; it stands in the list of shields.
final class ShieldRings {
  /// Beyond what is written along the wires, mm.
  private static final double BEYOND = 10.7;

  private static final double HALF = 0.6;

  /// Pins beside each other are not farther apart.
  private static final double SIDE_BY_SIDE = Piece.PITCH * SheetFormat.STEP + 0.1;

  private final Study study;

  private ShieldRings(Study study) {
    this.study = study;
  }

  /// Cores of one cable at one place side by side.
  private record At(Cable cable, Id device, double y) {}

  static List<Shape> of(Study study, CircuitSheet sheet) {
    return new ShieldRings(study).of(sheet);
  }

  private List<Shape> of(CircuitSheet sheet) {
    var ends = new LinkedHashMap<At, List<Double>>();
    for (var line : sheet.lines())
      study
          .cable(line.wire())
          .ifPresent(cable -> {
            var here = line.points().getFirst().equals(line.labelled());
            var points = here ? line.points() : line.points().reversed();
            end(cable, line.from(), points, ends);
            if (line.tap().isPresent()) return;
            var there =
                line.wire().from().equals(line.from()) ? line.wire().to() : line.wire().from();
            end(cable, there, points.reversed(), ends);
          });
    var shapes = new ArrayList<Shape>();
    ends.forEach((at, places) ->
        ending(at.cable(), at.device()).ifPresent(ending -> rings(places, at.y(), ending, shapes)));
    return shapes;
  }

  /// Where a core leaves a symbol straight for as far as a ring needs.
  private static void end(
      Cable cable, TerminalRef terminal, List<Point> points, Map<At, List<Double>> ends) {
    var first = points.get(0);
    var way = y(points.get(1).y()) - y(first.y());
    if (first.x() != points.get(1).x() || Math.abs(way) < BEYOND + 1) return;
    ends.computeIfAbsent(
            new At(cable, terminal.device(), y(first.y()) + Math.copySign(BEYOND, way)),
            _ -> new ArrayList<>())
        .add(x(first.x()));
  }

  /// How the shield ends at a device; empty where that is not said, or the cable has none.
  private Optional<Cable.Ending> ending(Cable cable, Id device) {
    var first = study.cores(cable.id()).stream().findFirst();
    if (at(first.map(Conductor::from), device)) return cable.screened().from();
    return at(first.map(Conductor::to), device) ? cable.screened().to() : Optional.empty();
  }

  private static boolean at(Optional<TerminalRef> end, Id device) {
    return end.filter(terminal -> terminal.device().equals(device)).isPresent();
  }

  /// One ring for cores that stand side by side; where there is a gap, another one.
  private static void rings(
      List<Double> places, double y, Cable.Ending ending, List<Shape> shapes) {
    places.sort(Comparator.naturalOrder());
    var first = places.getFirst();
    for (var n = 0; n < places.size(); n++) {
      var last = n + 1 == places.size();
      if (!last && places.get(n + 1) - places.get(n) < SIDE_BY_SIDE) continue;
      shapes.add(ring(first, places.get(n), y, ending));
      if (!last) first = places.get(n + 1);
    }
  }

  private static Shape ring(double from, double to, double y, Cable.Ending ending) {
    var dash =
        switch (ending) {
          case CLAMP -> 0.0;
          case PIGTAIL -> 1.1;
          case CAPACITOR -> 0.6;
          case OPEN -> 0.25;
        };
    return Shape.rounded(
        from - HALF - 0.3,
        y - HALF,
        to - from + 2 * HALF + 0.6,
        2 * HALF,
        HALF,
        Optional.empty(),
        Optional.of(new Shape.Pen(Ink.EARTH, 0.25, dash)));
  }
}
