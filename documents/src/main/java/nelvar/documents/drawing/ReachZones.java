package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.OpenDoor;
import nelvar.core.analysis.space.Reach;

/// The room before slots, plugs and trimmers, and a bolt on every part with more than extra-low
/// volts on it.
final class ReachZones {
  /// Lower on the picture, px, a part has no room for a bolt beside its name.
  private static final double LEAST_HIGH = 34;

  private ReachZones() {}

  static void draw(Body body, PlateArea area, List<Shape> shapes) {
    for (var reach : body.fitting().reach())
      Reach.before(body, reach.side().turned(body.at().quarters()), Box.mm(reach.free()))
          .ifPresent(before ->
              shapes.add(
                  area.box(
                      before,
                      2,
                      Optional.of(Ink.DC_LOW_SOFT),
                      Optional.of(new Shape.Pen(Ink.DC_LOW, 0.9, 3)))));
  }

  /// On a part with more than extra-low volts on it; over its outline.
  static void bolt(Body body, PlateArea area, Study study, List<Shape> shapes) {
    if (!OpenDoor.live(body, study)) return;
    var x = area.leftEdge(body.box()) + 3;
    var low = body.box().height() * area.scale() < LEAST_HIGH;
    var y = area.toY(body.box().bottom()) + (low ? 1 : -13);
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.MAINS),
            Optional.empty(),
            x + 4,
            y,
            x,
            y + 6,
            x + 3,
            y + 6,
            x + 1,
            y + 11,
            x + 7,
            y + 4,
            x + 4,
            y + 4));
  }
}
