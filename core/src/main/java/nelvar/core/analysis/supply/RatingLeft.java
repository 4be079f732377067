package nelvar.core.analysis.supply;

import nelvar.core.analysis.Study;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.formula.Derating;
import nelvar.core.model.Device;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// What is left of a rating in the air of the Brief.
public final class RatingLeft {
  private RatingLeft() {}

  /// The rating in the air where the device stands and at the altitude of the Brief; unchanged,
  /// with no line, where nothing is lost.
  public static Explained<Current> of(Part part, Current rating, Device device, Study study) {
    var w = Working.of("Rating left");
    w.given("Irated", rating, part.name());
    var law =
        part.electronicSupply()
            ? Derating.SUPPLY
            : part instanceof FrequencyConverter ? Derating.DRIVE : null;
    if (law == null) return w.explain(rating);
    law = part.article().fitting().flatMap(Fitting::fullTo).map(law::fullTo).orElse(law);
    var around = study.project().brief().surroundings();
    var air = InsideAir.judged(device, study);
    var left = law.left(air, around.altitude());
    if (left.compareTo(Percent.WHOLE) >= 0) return w.explain(rating);
    w.given("Ta", air, InsideAir.said(device, study));
    w.given("h", around.altitude(), "above the sea");
    w.table(
        "k",
        new Cited<>(left, Citation.practice()),
        "typical loss by warmth and height; the data sheet beats it");
    return w.explain(w.result("Ileft", "k · Irated", law.of(rating, air, around.altitude())));
  }
}
