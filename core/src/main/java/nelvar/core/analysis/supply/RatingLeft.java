package nelvar.core.analysis.supply;

import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.formula.Derating;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// What is left of a rating in the air of the Brief.
public final class RatingLeft {
  private RatingLeft() {}

  /// The rating at the inside temperature and the altitude of the Brief; unchanged, with no line,
  /// where nothing is lost.
  public static Explained<Current> of(Part part, Current rating, Study study) {
    var w = Working.of("Rating left");
    w.given("Irated", rating, part.name());
    var law =
        part.electronicSupply()
            ? Derating.SUPPLY
            : part instanceof FrequencyConverter ? Derating.DRIVE : null;
    if (law == null) return w.explain(rating);
    var around = study.project().brief().surroundings();
    var left = law.left(around.inside(), around.altitude());
    if (left.compareTo(Percent.WHOLE) >= 0) return w.explain(rating);
    w.given("Ta", around.inside(), "inside the cabinet");
    w.given("h", around.altitude(), "above the sea");
    w.table(
        "k",
        new Cited<>(left, Citation.practice()),
        "typical loss by warmth and height; the data sheet beats it");
    return w.explain(
        w.result("Ileft", "k · Irated", law.of(rating, around.inside(), around.altitude())));
  }
}
