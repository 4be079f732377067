package nelvar.documents.drawing;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Noise;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.runs.Disc;
import nelvar.core.analysis.runs.Fill;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.space.Box;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;

/// What a drawn duct shows along its length: how full it is, or the worst margin of what lies in
/// it.
///
/// @param noise the margin and not how full
/// @param names places on the picture that names stand on
/// @param late drawn over everything else
record DuctBand(
    Study study, boolean noise, Collection<Box> names, List<Shape> shapes, List<Shape> late) {
  private static final double SMALL = 11;

  void draw(Bundle bundle, Cabinet.Duct duct, Box box, PlateArea area) {
    if (noise) margin(duct, box, area);
    else profile(bundle, duct, box, area);
  }

  /// The worst that gets in in it, over all of it.
  private void margin(Cabinet.Duct duct, Box box, PlateArea area) {
    var pair = Noise.of(study).in(duct.id());
    if (pair.isEmpty()) return;
    var standing = pair.get().standing();
    if (standing != Pair.Standing.QUIET)
      shapes.add(area.box(box, 1, Optional.of(MarginInks.soft(standing)), Optional.empty()));
    says(
        MarginInks.words(pair.get().margin()),
        standing == Pair.Standing.QUIET ? Ink.TEXT : MarginInks.strong(standing),
        duct,
        box,
        area);
  }

  private void profile(Bundle bundle, Cabinet.Duct duct, Box box, PlateArea area) {
    var fill = Fill.of(bundle, study);
    if (fill.isEmpty()) return;
    var room = Box.mm(duct.width()) * Box.mm(duct.depth());
    var most = fill.get().most().percent().fraction();
    var cuts = Lying.of(study).cuts(bundle);
    var end = duct.vertical() ? box.bottom() : box.right();
    for (var i = 0; i < cuts.size(); i++) {
      var from = Math.max(cuts.get(i).at(), duct.vertical() ? box.top() : box.left());
      var to = i + 1 < cuts.size() ? Math.min(cuts.get(i + 1).at(), end) : end;
      if (to <= from) continue;
      var share = Disc.of(cuts.get(i).wires(), study).stream().mapToDouble(Disc::area).sum() / room;
      var thick = Math.min(1, share) * Box.mm(duct.width());
      var full =
          duct.vertical()
              ? new Box(box.left(), from, thick, to - from)
              : new Box(from, box.bottom() - thick, to - from, thick);
      shapes.add(
          area.box(
              full,
              0,
              Optional.of(share > most ? Ink.WARNING_SOFT : Ink.FILLED),
              Optional.empty()));
    }
    says(
        String.format(Locale.ROOT, "%.0f %%", fill.get().filled().value().percent()),
        fill.get().holds() ? Ink.TEXT : Ink.WARNING,
        duct,
        box,
        area);
  }

  /// At an end, or in the middle, where no name stands.
  private void says(String says, Ink ink, Cabinet.Duct duct, Box box, PlateArea area) {
    var wide = box.width() * area.scale();
    if (duct.vertical() && wide < 24) return;
    var letters = Faces.width(says, Face.TEXT, SMALL);
    var y =
        duct.vertical()
            ? area.toY(box.top()) + 12
            : area.toY(box.top()) + Math.min(13, box.height() * area.scale() / 2 + 4);
    var middle = area.toX(box.middleX()) - letters / 2;
    var places =
        duct.vertical()
            ? List.of(middle)
            : List.of(area.toX(box.right()) - 4 - letters, area.toX(box.left()) + 4, middle);
    places.stream()
        .filter(x -> names.stream().noneMatch(name -> covers(name, x, y, letters)))
        .findFirst()
        .ifPresent(x -> {
          late.add(
              Shape.rounded(
                  x - 2, y - 10, letters + 4, 13, 2, Optional.of(Ink.DUCT), Optional.empty()));
          late.add(Shape.text(x, y, says, Face.TEXT, SMALL, ink));
        });
  }

  static boolean covers(Box name, double x, double y, double wide) {
    return x < name.right() && x + wide > name.left() && y - 9 < name.bottom() && y > name.top();
  }
}
