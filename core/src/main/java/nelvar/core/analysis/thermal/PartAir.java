package nelvar.core.analysis.thermal;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.formula.Plume;
import nelvar.core.model.Surface;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;

/// The air that one part stands in: that of the cabinet at its height, and the plumes of hot parts
/// below it.
///
/// A plume counts where the part stands above the hot one and within its width, spread by 12 % of
/// the height; 70 % of what a part gives off leaves by air (assumed). A fan that mixes the air
/// blows plumes away.
///
/// @param expected what is to be expected
/// @param upper the warm edge of the band: what verdicts and derating are made with
public record PartAir(Temperature expected, Temperature upper, double plume, Trail trail) {
  static final double CONVECTED = 0.7;

  /// Where less rises nobody feels it.
  private static final double LEAST_WATTS = 2;

  /// Deep enough for what has no depth that is known.
  private static final double USUAL_DEPTH = 100;

  public static PartAir of(Body body, CabinetAir air, Study study) {
    var w = Working.of("Air at " + body.name());
    var around = w.given("Ta", air.around(), "around the cabinet");
    var height = Math.clamp(air.height(body), 0, 1);
    var rise =
        w.result(
                "ΔT",
                "of the air at %.0f %% of the height".formatted(height * 100),
                new Measure(air.rise(height), Measure.Unit.TEMPERATURE_RISE))
            .value();
    var plume = air.mixed() ? 0 : plumes(body, air, study, w);
    var expected =
        w.result(
            "T",
            plume > 0 ? "Ta + ΔT + plumes" : "Ta + ΔT",
            new Temperature(around.celsius() + rise + plume));
    var upper =
        w.result("Tupper", "Ta + %.2f · rise".formatted(1 + air.band()), air.upper(rise + plume));
    return new PartAir(expected, upper, plume, w.explain(expected).trail());
  }

  private static double plumes(Body body, CabinetAir air, Study study, Working w) {
    var sum = 0.0;
    for (var hot : Bodies.of(study).in(air.cabinet())) {
      if (hot.surface() != body.surface() || hot.surface() == Surface.OUTSIDE || hot.later())
        continue;
      if (hot.id().equals(body.id())) continue;
      var watts = air.heat(hot.id()).map(h -> h.inside().watts()).orElse(0.0);
      if (watts < LEAST_WATTS) continue;
      var one = plume(hot, watts, body);
      if (one.isEmpty()) continue;
      var kelvin =
          w.result(
              "plume" + hot.name(),
              "Heskestad, %s %.0f mm below".formatted(new Power(watts), above(hot, body)),
              new Measure(one.get(), Measure.Unit.TEMPERATURE_RISE));
      sum += kelvin.value();
    }
    return sum;
  }

  private static double above(Body hot, Body body) {
    return hot.box().top() - body.box().bottom();
  }

  /// What the plume of a hot body adds at another; empty where it passes it by.
  static Optional<Double> plume(Body hot, double watts, Body body) {
    var above = above(hot, body);
    if (above < 0) return Optional.empty();
    var spread = Plume.spread(Length.ofMillimetres(above)).metres() * 1000;
    if (hot.box().grown(0, spread, 0, spread).across(body.box()) <= 0) return Optional.empty();
    var diameter =
        Plume.diameter(
            Length.ofMillimetres(hot.box().width()),
            Length.ofMillimetres(hot.depth().orElse(USUAL_DEPTH)));
    return Optional.of(
        Plume.rise(new Power(watts * CONVECTED), Length.ofMillimetres(above), diameter).value());
  }
}
