package nelvar.desktop.stage.brief;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.load.OnMains;
import nelvar.core.analysis.thermal.InsideAir;
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
/// @param inside what is known of the air in the cabinet
/// @param places on the machine that functions name, and how far each is, where that was said
record BriefModel(
    String description,
    Brief brief,
    Drawing lines,
    List<OnMains> hanging,
    String inside,
    List<Far> places) {
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

  private static String inside(InsideAir air) {
    return switch (air.origin()) {
      case SET ->
          "What the air inside may get is yours to set: nothing stands in a cabinet yet, so nobody can say what it gets.";
      case COMPUTED ->
          "What the air inside may get is yours to set. As the Panel stands it gets %s at the top, up to %s with what the model may be off."
              .formatted(air.expected(), air.upper());
      case MEASURED ->
          "What the air inside may get is yours to set. By what was measured it gets %s at the top."
              .formatted(air.expected());
    };
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
        inside(InsideAir.of(review.study())),
        places(review.project().plan()));
  }
}
