package nelvar.core.analysis.supply;

import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// What is left of a rating in warm and in thin air.
///
/// Supplies: full up to 55 °C, then 2.5 % less a kelvin; drives: full up to 40 °C, then 2 % a
/// kelvin up to 50 °C. Both 1 % less for each 100 m above 1000 m (supplies above 2000 m). Typical
/// figures, no published source; a data sheet beats them.
public final class Derating {
  private Derating() {}

  private record Law(double warmFrom, double perKelvin, double thinFrom) {}

  private static final Law SUPPLY = new Law(55, 0.025, 2000);
  private static final Law DRIVE = new Law(40, 0.02, 1000);

  /// The rating at the inside temperature and the altitude of the Brief; unchanged, with no line,
  /// where nothing is lost.
  public static Explained<Current> of(Part part, Current rating, Study study) {
    var w = Working.of("Rating left");
    w.given("Irated", rating, part.name());
    var law = part.electronicSupply() ? SUPPLY : part instanceof FrequencyConverter ? DRIVE : null;
    if (law == null) return w.explain(rating);
    var around = study.project().brief().surroundings();
    var warm = Math.max(0, around.inside().celsius() - law.warmFrom) * law.perKelvin;
    var thin = Math.max(0, around.altitude().metres() - law.thinFrom) / 100 * 0.01;
    if (warm <= 0 && thin <= 0) return w.explain(rating);
    w.given("Ta", around.inside(), "inside the cabinet");
    w.given("h", around.altitude(), "above the sea");
    var left = Math.max(0, (1 - warm) * (1 - thin));
    w.table(
        "k",
        new Cited<>(Percent.ofFraction(left), Citation.practice()),
        "typical loss by warmth and height; the data sheet beats it");
    return w.explain(w.result("Ileft", "k · Irated", rating.times(left)));
  }
}
