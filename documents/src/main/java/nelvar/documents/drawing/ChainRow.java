package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Id;

/// What stands between a command and what moves, in a row from the left to the right.
final class ChainRow {
  static final double BOX = 66;
  private static final double GAP = MotionSheet.EDGE;
  private static final double SMALL = MotionSheet.SMALL;

  private ChainRow() {}

  /// @param about what it stands for; none for what is only mechanics
  record Link(Optional<Id> about, String name, String first, String second, Ink ink) {}

  static void draw(MotionSheet sheet, List<Drawing.Spot> spots, List<Link> links, double width) {
    var each = (width - 2 * GAP - (links.size() - 1) * GAP) / links.size();
    for (var n = 0; n < links.size(); n++) {
      var link = links.get(n);
      var x = GAP + n * (each + GAP);
      if (n > 0)
        sheet.add(
            Shape.line(
                x - GAP, GAP + BOX / 2, x, GAP + BOX / 2, Shape.Pen.of(link.ink(), n > 1 ? 5 : 2)));
      sheet.add(
          Shape.rounded(
              x,
              GAP,
              each,
              BOX,
              5,
              Optional.of(Ink.CARD),
              Optional.of(Shape.Pen.of(link.ink(), 1.5))));
      sheet.middle(x + each / 2, GAP + 20, link.name(), Face.MONO_BOLD, 13, Ink.TEXT, each - 8);
      sheet.middle(x + each / 2, GAP + 39, link.first(), Face.TEXT, 13, Ink.TEXT, each - 8);
      sheet.middle(
          x + each / 2, GAP + 56, link.second(), Face.TEXT, SMALL, Ink.TEXT_SOFT, each - 8);
      link.about()
          .ifPresent(id ->
              spots.add(
                  new Drawing.Spot(
                      x,
                      GAP,
                      each,
                      BOX,
                      id,
                      link.name() + ", " + link.first() + ", " + link.second())));
    }
  }
}
