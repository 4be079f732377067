package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.load.PathTo;
import nelvar.core.model.Id;
import nelvar.core.network.Live;

/// The way from the inlet to a thing and back as a strip: devices as boxes, wires as lines whose
/// width follows the current. Units are pixels.
public final class PathStrip {
  public static final double HEIGHT = 114;
  private static final double OUT = 20;
  private static final double BOX = 26;
  private static final double BACK = 97;

  private final Live live;
  private final Optional<Id> selected;
  private final Predicate<Id> proposed;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private double x = 18;

  private PathStrip(Live live, Optional<Id> selected, Predicate<Id> proposed) {
    this.live = live;
    this.selected = selected;
    this.proposed = proposed;
  }

  /// @param live the state whose currents give the lines their width
  public static Drawing of(PathTo path, Live live, Optional<Id> selected) {
    return of(path, live, selected, _ -> false);
  }

  /// @param proposed what is not there yet: dashed
  public static Drawing of(PathTo path, Live live, Optional<Id> selected, Predicate<Id> proposed) {
    var strip = new PathStrip(live, selected, proposed);
    for (var hop : path.out()) {
      switch (hop) {
        case PathTo.Hop.Through through -> strip.device(through, path.out().getLast() == hop);
        case PathTo.Hop.Wire wire -> strip.wire(wire.conductor().label().text(), wire);
        case PathTo.Hop.Run run -> strip.wire("", run);
      }
    }
    var end = strip.x - 40;
    strip.back(path.back(), end);
    return new Drawing(strip.x + 10, HEIGHT, strip.shapes, strip.spots);
  }

  private boolean isSelected(Id id) {
    return selected.filter(id::equals).isPresent();
  }

  private void device(PathTo.Hop.Through hop, boolean last) {
    var ink = Ink.of(hop.source());
    var name = hop.device().designation().text();
    var notes =
        hop.notes().stream().mapToDouble(note -> Faces.width(note, Face.TEXT, 12)).max().orElse(0);
    var width = Math.max(Faces.width(name, Face.MONO_BOLD, 13) + 22, notes + 6);
    var chosen = isSelected(hop.device().id());
    shapes.add(
        Shape.rounded(
            x,
            OUT,
            width,
            BOX,
            4,
            Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
            Optional.of(
                new Shape.Pen(
                    chosen ? Ink.ACCENT : hop.energised() ? ink : Ink.TEXT_FAINT,
                    chosen ? 2 : 1.5,
                    hop.energised() && !proposed.test(hop.device().id()) ? 0 : 4))));
    shapes.add(
        Shape.text(
            x + width / 2, OUT + 17, name, Face.MONO_BOLD, 13, Ink.TEXT, Shape.Anchor.MIDDLE));
    var y = OUT + BOX + 14;
    for (var note : hop.notes()) {
      shapes.add(
          Shape.text(x + width / 2, y, note, Face.TEXT, 12, Ink.TEXT_SOFT, Shape.Anchor.MIDDLE));
      y += 14;
    }
    spots.add(
        new Drawing.Spot(
            x,
            OUT,
            width,
            BOX + 14 * hop.notes().size(),
            hop.device().id(),
            name + " " + hop.device().purpose() + " " + String.join(", ", hop.notes())));
    x += width;
    if (last) x += 6;
  }

  private void wire(String label, PathTo.Hop hop) {
    var conductor =
        switch (hop) {
          case PathTo.Hop.Wire(var wire, _, _, _) -> wire;
          case PathTo.Hop.Run(var wires, _, _, _) -> wires.getFirst();
          case PathTo.Hop.Through _ -> throw new IllegalArgumentException("a device is not a wire");
        };
    var texts = hop.notes();
    var width =
        Math.max(
                Faces.width(label, Face.MONO, 11),
                texts.stream()
                    .mapToDouble(text -> Faces.width(text, Face.TEXT, 12))
                    .max()
                    .orElse(0))
            + 14;
    var chosen = isSelected(conductor.id());
    var current = live.current(conductor.id()).map(Live.Both::rms).orElse(0.0);
    var thickness = Math.clamp(1.5 + 1.6 * Math.log1p(current), 1.5, 9);
    shapes.add(
        Shape.line(
            x,
            OUT + BOX / 2,
            x + width,
            OUT + BOX / 2,
            new Shape.Pen(
                chosen ? Ink.ACCENT : hop.energised() ? Ink.of(hop.source()) : Ink.TEXT_FAINT,
                hop.energised() ? thickness : 2,
                hop.energised() && !proposed.test(conductor.id()) ? 0 : 5)));
    shapes.add(
        Shape.text(
            x + width / 2,
            OUT + 3,
            label,
            Face.MONO,
            11,
            chosen ? Ink.ACCENT : Ink.TEXT,
            Shape.Anchor.MIDDLE));
    var y = OUT + BOX + 14;
    for (var text : texts) {
      shapes.add(
          Shape.text(x + width / 2, y, text, Face.TEXT, 12, Ink.TEXT_SOFT, Shape.Anchor.MIDDLE));
      y += 14;
    }
    spots.add(
        new Drawing.Spot(
            x,
            OUT - 8,
            width,
            BOX + 40,
            conductor.id(),
            "wire " + label + " " + String.join(", ", texts)));
    x += width;
  }

  /// The way back runs right to left below, as one line with its wires named on it.
  private void back(List<PathTo.Hop> hops, double end) {
    var wires =
        hops.stream()
            .filter(PathTo.Hop.Wire.class::isInstance)
            .map(PathTo.Hop.Wire.class::cast)
            .toList();
    if (wires.isEmpty()) return;
    var pieces = new ArrayList<String>();
    for (var wire : wires)
      pieces.add(wire.conductor().label() + "  " + String.join(", ", wire.notes()));
    var total =
        pieces.stream().mapToDouble(piece -> Faces.width(piece, Face.TEXT, 12) + 26).sum()
            + Faces.width("back", Face.SEMIBOLD, 12)
            + 16;
    var right = Math.max(end, total + 18);
    x = Math.max(x, right + 20);
    var ink = Ink.of(wires.getFirst().source());
    var flows = wires.stream().allMatch(PathTo.Hop.Wire::energised);
    shapes.add(
        Shape.line(
            18,
            BACK,
            right - 8,
            BACK,
            new Shape.Pen(flows ? ink : Ink.TEXT_FAINT, 1.5, flows ? 0 : 5)));
    shapes.add(
        Shape.polygon(Optional.of(ink), Optional.empty(), 12, BACK, 20, BACK - 4, 20, BACK + 4));
    var at = right - 6;
    for (var i = 0; i < wires.size(); i++) {
      var width = Faces.width(pieces.get(i), Face.TEXT, 12);
      var id = wires.get(i).conductor().id();
      at -= width;
      shapes.add(
          Shape.rectangle(
              at - 5,
              BACK - 8,
              width + 10,
              16,
              Optional.of(isSelected(id) ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.empty()));
      shapes.add(
          Shape.text(
              at,
              BACK + 4,
              pieces.get(i),
              Face.TEXT,
              12,
              isSelected(id) ? Ink.ACCENT : Ink.TEXT_SOFT));
      spots.add(
          new Drawing.Spot(at - 5, BACK - 9, width + 10, 18, id, "back by wire " + pieces.get(i)));
      at -= 26;
    }
    var word = Faces.width("back", Face.SEMIBOLD, 12);
    shapes.add(
        Shape.rectangle(26, BACK - 8, word + 10, 16, Optional.of(Ink.CARD), Optional.empty()));
    shapes.add(Shape.text(31, BACK + 4, "back", Face.SEMIBOLD, 12, Ink.TEXT_SOFT));
  }
}
