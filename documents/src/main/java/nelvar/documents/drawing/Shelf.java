package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.network.Feed;

/// What stands in the machine and is not fed, below the river: dashed until it is.
final class Shelf {
  private static final double BOX = 118;
  private static final double HEIGHT = 34;
  private static final double GAP = 12;
  private static final double LABEL = 24;

  private Shelf() {}

  /// Devices with an intake that nothing feeds, by designation.
  static List<Device> unfed(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.state() != Feed.State.FED)
        .map(Feed::device)
        .distinct()
        .sorted(java.util.Comparator.comparing(Device::designation))
        .toList();
  }

  /// @return where it ends
  static double put(
      Study study,
      Optional<Id> selected,
      double left,
      double width,
      double top,
      List<Shape> shapes,
      List<Drawing.Spot> spots) {
    var all = unfed(study);
    if (all.isEmpty()) return top;
    var y = top + 14;
    shapes.add(Shape.line(left, y, left + width, y, new Shape.Pen(Ink.LINE, 1, 0)));
    shapes.add(
        Shape.text(
            left,
            y + 20,
            "Not fed yet: select one for the ways to feed it, or drag it onto a supply or a gate",
            Face.SEMIBOLD,
            12.5,
            Ink.TEXT));
    y += LABEL + 8;
    var x = left;
    for (var device : all) {
      if (x + BOX > left + width) {
        x = left;
        y += HEIGHT + GAP;
      }
      var chosen = selected.filter(device.id()::equals).isPresent();
      shapes.add(
          Shape.rounded(
              x,
              y,
              BOX,
              HEIGHT,
              4,
              Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.of(new Shape.Pen(chosen ? Ink.ACCENT : Ink.ERROR, 1.4, 4))));
      shapes.add(
          Shape.text(x + 8, y + 15, device.designation().text(), Face.MONO_BOLD, 12.5, Ink.TEXT));
      shapes.add(
          Shape.text(
              x + 8,
              y + 28,
              Faces.fit(name(device, study), Face.TEXT, 11.5, BOX - 16),
              Face.TEXT,
              11.5,
              Ink.TEXT_SOFT));
      spots.add(
          new Drawing.Spot(x, y, BOX, HEIGHT, device.id(), device.designation() + ", not fed yet"));
      x += BOX + GAP;
    }
    return y + HEIGHT + 6;
  }

  private static String name(Device device, Study study) {
    return device.purpose().isEmpty()
        ? study.part(device).map(part -> part.name()).orElse(device.part())
        : device.purpose();
  }
}
