package nelvar.core.analysis.runs;

import java.util.Optional;
import nelvar.core.formula.CarrierChain;
import nelvar.core.model.Bundle;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// How long a cable carrier is, and how much room it takes.
public final class Carriers {
  private Carriers() {}

  public static Optional<Bundle.Carrier> of(Bundle bundle) {
    return bundle.form().flatMap(Bundle.Form::carrier);
  }

  /// Empty for what is no carrier, or one whose travel nobody said.
  public static Optional<Length> length(Bundle bundle) {
    return of(bundle).map(it -> chain(it).value());
  }

  public static Explained<Length> chain(Bundle.Carrier carrier) {
    var w = Working.of("Length of the carrier");
    var travel = w.given("S", carrier.travel(), "travel");
    var off = w.given("Δ", carrier.fixedOff(), "fixed end off the middle of the travel");
    var radius = w.given("R", carrier.bendRadius(), "bend radius of its links");
    var pitch = w.given("t", carrier.pitch(), "pitch of a link");
    return w.explain(
        w.result("L", "S/2 + Δ + π · R + 2 · t", CarrierChain.length(travel, off, radius, pitch)));
  }
}
