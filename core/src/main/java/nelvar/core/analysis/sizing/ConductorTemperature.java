package nelvar.core.analysis.sizing;

import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.Temperature;

/// How warm a conductor becomes with everything on that can be on together.
///
/// `Tcond = Ta + (Tc − Ta) · (Ib/Iz)²`: its rise grows with the square of its current, and at Iz it
/// reaches what its insulation stands. Iz is that at the actual air and grouping, without regard to
/// the terminals at its ends; physics, as the ampacity tables assume it.
public final class ConductorTemperature {
  private ConductorTemperature() {}

  public static Computed<Temperature> of(Conductor conductor, Study study) {
    var surroundings = study.project().brief().surroundings();
    return Ampacity.byInsulation(conductor, study)
        .fold(
            iz -> {
              var w = Working.of("Temperature of " + conductor.label());
              var inside = study.bundle(conductor).filter(b -> b.inside()).isPresent();
              var ta =
                  w.given(
                      "Ta",
                      inside ? surroundings.inside() : surroundings.greatest(),
                      inside ? "air in the cabinet" : "air around the machine");
              var tc =
                  w.given(
                      "Tc",
                      Ampacity.reached(conductor.section().orElseThrow(), study),
                      "at Iz, by the table Iz is from");
              var ib = w.given("Ib", study.designCurrent(conductor), "with everything on");
              var share = ib.amperes() / w.use(iz).amperes();
              return Computed.known(
                  w.explain(
                      w.result(
                          "Tcond",
                          "Ta + (Tc − Ta) · (Ib/Iz)²",
                          new Temperature(
                              Math.min(
                                  1000,
                                  ta.celsius() + (tc.celsius() - ta.celsius()) * share * share)))));
            },
            Computed::missing);
  }
}
