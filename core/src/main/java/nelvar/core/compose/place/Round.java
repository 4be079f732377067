package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.FreePlace;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Placement;
import nelvar.core.model.Surface;

/// Places parts round what stays: each at the free place nearest to what it is wired to, the most
/// wired first.
final class Round {
  private Round() {}

  /// @param placed what stays; what is placed is added
  /// @return the width in mm of what found no place
  static double place(Cabinet cabinet, List<Item> items, List<Placement> placed, Study study) {
    var bodies = new ArrayList<Body>();
    for (var at : placed) Bodies.body(at, study).ifPresent(bodies::add);
    for (var later : Bodies.of(study).in(cabinet)) if (later.later()) bodies.add(later);
    var left = new ArrayList<>(items);
    left.sort(
        Comparator.comparingInt(Item::rank)
            .thenComparingDouble(item -> -item.height())
            .thenComparing(item -> item.device().designation().text()));
    var over = 0.0;
    for (var item : left) {
      var wish = wish(item, bodies, study).orElse(new double[] {0, 0});
      var body = item.body(cabinet, wish[0], wish[1], study);
      var found = FreePlace.near(body, cabinet, Fits.in(cabinet, bodies), _ -> true);
      if (found.isEmpty()) {
        over += item.width();
        continue;
      }
      bodies.add(found.get());
      placed.add(found.get().at().on(item.at(cabinet, 0, item.height()).spacers()));
    }
    return over;
  }

  /// The middle of what it is wired to.
  private static Optional<double[]> wish(Item item, List<Body> bodies, Study study) {
    var x = 0.0;
    var y = 0.0;
    var wires = 0;
    for (var wire : study.at(item.device().id())) {
      var other =
          wire.from().device().equals(item.device().id())
              ? wire.to().device()
              : wire.from().device();
      for (var body : bodies)
        if (body.id().equals(other) && body.surface() == Surface.PLATE) {
          x += body.box().middleX();
          y += body.box().middleY();
          wires++;
        }
    }
    return wires == 0
        ? Optional.empty()
        : Optional.of(new double[] {Math.max(0, x / wires - item.width() / 2), y / wires});
  }
}
