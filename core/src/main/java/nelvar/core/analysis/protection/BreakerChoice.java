package nelvar.core.analysis.protection;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// The circuit-breaker for a branch: least rating that carries the load, gentlest curve that stands
/// its inrush.
public final class BreakerChoice {
  /// What is kept in stock: Z and K are asked for by name.
  private static final List<TripCurve> USUAL = List.of(TripCurve.B, TripCurve.C, TripCurve.D);

  private BreakerChoice() {}

  /// The peak of an inrush against the r.m.s. value a magnetic trip is marked with: divided by √2
  /// (common practice).
  public static Current effective(Current peak) {
    return peak.times(1 / Math.sqrt(2));
  }

  /// @param inrush instantaneous peak at switching on; empty or zero where there is none
  /// @return the choice with its working; empty where no standard rating up to 63 A does
  public static Optional<Explained<ProtectiveDevice.Breaker>> propose(
      Current design, Optional<Current> inrush) {
    for (var rating : TripCurve.ratings()) {
      if (rating.compareTo(design) < 0) continue;
      for (var curve : USUAL) {
        var surge = inrush.map(BreakerChoice::effective).orElse(new Current(0));
        if (curve.holds(rating).value().compareTo(surge) < 0) continue;
        var w = Working.of("Circuit-breaker");
        w.given("Ib", design, "design current");
        if (inrush.isPresent() && inrush.get().amperes() > 0) {
          w.given("Ipeak", inrush.get(), "at switching on");
          w.result("Ieff", "Ipeak/√2", surge);
          w.table("Ihold", curve.holds(rating), "curve " + curve + ", still lets pass");
        }
        return Optional.of(
            w.explain(
                w.result(
                    "In",
                    "least standard rating ≥ Ib whose curve lets Ieff pass",
                    "",
                    new ProtectiveDevice.Breaker(rating, curve))));
      }
    }
    return Optional.empty();
  }
}
