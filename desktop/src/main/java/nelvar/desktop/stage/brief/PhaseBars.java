package nelvar.desktop.stage.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.units.Current;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;

/// What the machine takes from each line of the mains, against the device upstream: how evenly it
/// is spread.
final class PhaseBars {
  private static final double WIDTH = 336;
  private static final double BAR = 216;
  private static final double LEFT = 34;

  private PhaseBars() {}

  static Drawing of(Study study) {
    var shapes = new ArrayList<Shape>();
    var inlet = InletLoad.inlet(study);
    if (inlet.isEmpty()) {
      shapes.add(
          Shape.text(
              0,
              20,
              "There is no mains inlet among the devices yet.",
              Face.TEXT,
              13,
              Ink.TEXT_SOFT));
      return new Drawing(WIDTH, 30, shapes, List.of());
    }
    var sums = study.currents().given(inlet.get());
    var limit = inlet.get().output().rating();
    var y = 26.0;
    for (var i = 0; i < sums.size(); i++) {
      var name = inlet.get().terminals().get(i).terminal();
      var neutral = name.equals("N");
      var design = new Current(sums.get(i).design());
      var running = new Current(sums.get(i).running());
      var over = design.compareTo(limit) > 0;
      shapes.add(Shape.text(0, y + 13, name, Face.MONO_BOLD, 12, Ink.TEXT));
      shapes.add(
          Shape.rectangle(
              LEFT, y, BAR, 17, Optional.of(Ink.PAPER), Optional.of(Shape.Pen.of(Ink.LINE, 1))));
      shapes.add(
          Shape.rectangle(
              LEFT,
              y,
              BAR * Math.min(1, design.amperes() / limit.amperes()),
              17,
              Optional.of(over ? Ink.ERROR_SOFT : neutral ? Ink.LINE : Ink.MAINS_SOFT),
              Optional.empty()));
      shapes.add(
          Shape.rectangle(
              LEFT,
              y + 6,
              BAR * Math.min(1, running.amperes() / limit.amperes()),
              5,
              Optional.of(over ? Ink.ERROR : neutral ? Ink.TEXT_FAINT : Ink.MAINS),
              Optional.empty()));
      shapes.add(
          Shape.text(
              LEFT + BAR + 8,
              y + 13,
              "%s, mean %s".formatted(design, running),
              Face.TEXT,
              12,
              over ? Ink.ERROR : Ink.TEXT));
      y += 26;
    }
    shapes.add(Shape.line(LEFT + BAR, 18, LEFT + BAR, y - 4, Shape.Pen.of(Ink.TEXT, 1.5)));
    shapes.add(
        Shape.text(
            LEFT + BAR, 13, "upstream " + limit, Face.TEXT, 12, Ink.TEXT_SOFT, Shape.Anchor.END));
    shapes.add(
        Shape.text(
            LEFT,
            y + 8,
            "wide: all on together    thin: mean, with duty",
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    return new Drawing(WIDTH, y + 16, shapes, List.of());
  }
}
