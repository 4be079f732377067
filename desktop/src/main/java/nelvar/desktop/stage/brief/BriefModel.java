package nelvar.desktop.stage.brief;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.load.OnMains;
import nelvar.core.model.Brief;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Place;
import nelvar.core.model.Plan;
import nelvar.core.review.Review;
import nelvar.core.units.Length;
import nelvar.documents.drawing.Drawing;

/// What the Brief stage shows, without a node.
///
/// @param hanging what hangs on the mains
/// @param places on the machine that functions name, and how far each is, where that was said
record BriefModel(
    String description, Brief brief, Drawing lines, List<OnMains> hanging, List<Far> places) {
  record Far(String name, Optional<Length> distance) {}

  private static List<Far> places(Plan plan) {
    return Stream.concat(
            plan.functions().stream().flatMap(f -> f.wants().place().stream()),
            plan.places().stream().map(MachinePlace::name))
        .map(name -> name.toLowerCase(java.util.Locale.ROOT))
        .distinct()
        .filter(name -> Place.said(name) == Place.MACHINE)
        .map(name -> new Far(name, plan.distance(name)))
        .toList();
  }

  static BriefModel of(Brief brief, Review review) {
    var said = review.project().description();
    return new BriefModel(
        said.isEmpty()
            ? "What is it fed from, where does it stand, which schools does it follow?"
            : said,
        brief,
        PhaseBars.of(review.study()),
        OnMains.of(review.study()),
        places(review.project().plan()));
  }
}
