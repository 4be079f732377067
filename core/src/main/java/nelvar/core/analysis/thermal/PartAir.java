package nelvar.core.analysis.thermal;

import java.util.ArrayList;
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
/// the height, the plumes of several as one; 70 % of what a part gives off leaves by air (assumed).
/// A fan that mixes the air blows plumes away.
///
/// @param expected what is to be expected
/// @param upper the warm edge of the band: what verdicts and derating are made with
public record PartAir(Temperature expected, Temperature upper, double plume, Trail trail) {
  static final double CONVECTED = 0.7;

  /// What gives off less has no plume that the law of turbulent ones holds for.
  public static final double LEAST_WATTS = 5;

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
    var plume = air.stirred() ? 0 : plumes(body, air, study, w);
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
    var heat = 0.0;
    var height = 0.0;
    var area = 0.0;
    var names = new ArrayList<String>();
    for (var hot : Bodies.of(study).in(air.cabinet())) {
      if (hot.surface() != body.surface() || hot.surface() == Surface.OUTSIDE || hot.later())
        continue;
      if (hot.id().equals(body.id())) continue;
      var watts = air.heat(hot.id()).map(h -> h.inside().watts()).orElse(0.0);
      if (plume(hot, watts, body).isEmpty()) continue;
      var share = Math.clamp(across(hot, body) / hot.box().width(), 0, 1);
      heat += watts * share;
      height += watts * share * above(hot, body);
      area += hot.box().width() * hot.depth().orElse(USUAL_DEPTH) * share;
      names.add(hot.name());
    }
    if (heat <= 0) return 0;
    var above = Length.ofMillimetres(height / heat);
    w.given("below", String.join(", ", names), "what of them stands under it counts");
    w.result("Pbelow", "sum", new Power(heat));
    w.result("z", "mean height above them, by heat", above);
    return w.result(
            "plume",
            "Heskestad 1984, 70 % by air",
            Plume.rise(
                new Power(heat * CONVECTED),
                above,
                new Length(Math.sqrt(4 * area / 1e6 / Math.PI))))
        .value();
  }

  /// How far it stands under another, the spread of its plume with it, mm.
  private static double across(Body hot, Body body) {
    var spread = Plume.spread(Length.ofMillimetres(above(hot, body))).metres() * 1000;
    return hot.box().grown(0, spread, 0, spread).across(body.box());
  }

  private static double above(Body hot, Body body) {
    return hot.box().top() - body.box().bottom();
  }

  /// What the plume of a hot body adds at another; empty where it passes it by.
  public static Optional<Double> plume(Body hot, double watts, Body body) {
    var above = above(hot, body);
    if (watts < LEAST_WATTS || above < 0 || across(hot, body) <= 0) return Optional.empty();
    return Optional.of(plume(watts, hot.box().width(), hot.depth().orElse(0.0), above));
  }

  /// The same of a part that is not placed yet: what rises so far above it, K.
  ///
  /// @param depth mm; 0 where nobody knows
  /// @param above mm
  public static double plume(double watts, double width, double depth, double above) {
    var diameter =
        Plume.diameter(
            Length.ofMillimetres(width), Length.ofMillimetres(depth > 0 ? depth : USUAL_DEPTH));
    return Plume.rise(new Power(watts * CONVECTED), Length.ofMillimetres(above), diameter).value();
  }
}
