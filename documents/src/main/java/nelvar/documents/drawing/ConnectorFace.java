package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.PlugFace;

/// A connector as one sees it from the side it is mounted on: its places row by row, place 1 with a
/// corner, the key where it has one. Units are pixels.
public final class ConnectorFace {
  private static final double CELL = 46;
  private static final double HEIGHT = 38;
  private static final double EDGE = 8;
  private static final int MOST = 16;

  private ConnectorFace() {}

  /// @param under a few words below each mark, by terminal: the wire, its colour
  /// @param chosen the terminal that is looked at
  public static Drawing of(PlugFace face, Map<String, String> under, Optional<String> chosen) {
    return of(face, under, chosen, false);
  }

  /// The same from behind, where its wires go in: left and right change places.
  public static Drawing wiringSide(
      PlugFace face, Map<String, String> under, Optional<String> chosen) {
    return of(face, under, chosen, true);
  }

  private static Drawing of(
      PlugFace face, Map<String, String> under, Optional<String> chosen, boolean behind) {
    var shapes = new ArrayList<Shape>();
    var columns = Math.min(MOST, Math.ceilDiv(face.ways(), face.rows()));
    var rows = Math.ceilDiv(face.ways(), columns);
    var width = columns * CELL + 2 * EDGE;
    var height = rows * HEIGHT + 2 * EDGE + 16;
    shapes.add(
        Shape.text(
            EDGE,
            12,
            face.name()
                + face.keyed()
                    .map(keyed -> keyed ? ", keyed" : ", no key: can be turned")
                    .orElse(""),
            Face.SEMIBOLD,
            12,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.rounded(
            2,
            17,
            width - 4,
            height - 19,
            4,
            Optional.of(Ink.CARD),
            Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 1.5))));
    if (face.keyed().orElse(false))
      shapes.add(
          Shape.rectangle(width / 2 - 10, 14, 20, 6, Optional.of(Ink.TEXT_SOFT), Optional.empty()));
    for (var n = 0; n < face.ways(); n++) place(face, n, columns, behind, under, chosen, shapes);
    return new Drawing(
        Math.max(
            width,
            EDGE + Faces.width(face.name() + ", no key: can be turned", Face.SEMIBOLD, 12) + 4),
        height,
        shapes,
        List.of());
  }

  private static void place(
      PlugFace face,
      int n,
      int columns,
      boolean behind,
      Map<String, String> under,
      Optional<String> chosen,
      List<Shape> shapes) {
    var row = n / columns;
    var column = n - row * columns;
    var x = EDGE + (behind ? columns - 1 - column : column) * CELL;
    var y = 16 + EDGE + row * HEIGHT;
    var mark = face.places().get(n);
    var here = mark.isPresent() && mark.equals(chosen);
    shapes.add(
        Shape.rectangle(
            x + 1,
            y + 1,
            CELL - 2,
            HEIGHT - 2,
            Optional.of(here ? Ink.ACCENT_SOFT : Ink.PAPER),
            Optional.of(Shape.Pen.of(here ? Ink.ACCENT : Ink.LINE, here ? 2 : 1))));
    if (n == 0)
      shapes.add(
          Shape.polygon(
              Optional.of(Ink.ACCENT),
              Optional.empty(),
              x + 1,
              y + 1,
              x + 10,
              y + 1,
              x + 1,
              y + 10));
    shapes.add(
        Shape.text(
            x + CELL - 4,
            y + 11,
            String.valueOf(n + 1),
            Face.TEXT,
            10,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
    if (mark.isEmpty()) return;
    var name = mark.get().substring(mark.get().lastIndexOf('.') + 1);
    shapes.add(
        Shape.text(
            x + CELL / 2,
            y + 22,
            Faces.fit(name, Face.MONO_BOLD, 11, CELL - 4),
            Face.MONO_BOLD,
            11,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
    var below = under.getOrDefault(mark.get(), "");
    if (!below.isEmpty())
      shapes.add(
          Shape.text(
              x + CELL / 2,
              y + 33,
              Faces.fit(below, Face.TEXT, 10, CELL - 4),
              Face.TEXT,
              10,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
  }
}
