package nelvar.core.analysis.sizing;

import nelvar.core.analysis.Study;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.Temperature;

/// How warm a conductor becomes with everything on that can be on together.
///
/// `Tcond = Ta + K · (234.5 + Ta)/(234.5 + Tc − K)`, `K = (Tc − Ta) · (Ib/Iz)²`: its rise grows
/// with the square of its current and with its resistance, which rises with it; at Iz it reaches
/// what its insulation stands. Iz is that at the actual air and grouping, without regard to the
/// terminals at its ends; physics, as the ampacity tables assume it.
public final class ConductorTemperature {
  /// Copper has no resistance at this temperature, °C, if its line went on (IEC 60228).
  private static final double COPPER = 234.5;

  private static final double HOTTEST = 1000;

  /// The formula in words.
  public static final String FORMULA =
      "Ta + K · (234.5 + Ta)/(234.5 + Tc − K), K = (Tc − Ta) · (Ib/Iz)²";

  private ConductorTemperature() {}

  /// @param ta air; `tc` what it reaches at Iz; `share` Ib/Iz
  public static Temperature at(Temperature ta, Temperature tc, double share) {
    var k = (tc.celsius() - ta.celsius()) * share * share;
    var left = COPPER + tc.celsius() - k;
    // So much current that resistance and heat drive each other up without end.
    if (left <= 0) return new Temperature(HOTTEST);
    return new Temperature(Math.min(HOTTEST, ta.celsius() + k * (COPPER + ta.celsius()) / left));
  }

  public static Computed<Temperature> of(Conductor conductor, Study study) {
    var surroundings = study.project().brief().surroundings();
    return Ampacity.byInsulation(conductor, study)
        .fold(
            iz -> {
              var w = Working.of("Temperature of " + conductor.label());
              var inside = Ampacity.governing(conductor, study).filter(b -> b.inside()).isPresent();
              var ta =
                  w.given(
                      "Ta",
                      inside ? InsideAir.inDucts(study) : surroundings.greatest(),
                      inside ? "air in the cabinet" : "air around the machine");
              var tc =
                  w.given(
                      "Tc",
                      Ampacity.reached(conductor.section().orElseThrow(), study),
                      "at Iz, by the table Iz is from");
              var ib = w.given("Ib", study.designCurrent(conductor), "with everything on");
              var share = ib.amperes() / w.use(iz).amperes();
              return Computed.known(w.explain(w.result("Tcond", FORMULA, at(ta, tc, share))));
            },
            Computed::missing);
  }
}
