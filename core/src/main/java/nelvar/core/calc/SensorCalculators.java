package nelvar.core.calc;

import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.formula.Sensing;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;

/// What sensors see. IEC 60947-5-2 names the rated distance, its square of mild steel and 0.81 of
/// it (unchecked); factors of metals are handbook values.
final class SensorCalculators {
  private static final Input<Length> RATED =
      quantity("Sn", "rated sensing distance", Kind.LENGTH, 1e-4, 0.1, "4mm");
  private static final Input<Length> FACE =
      quantity("face", "diameter of its face", Kind.LENGTH, 1e-3, 0.2, "12mm");
  private static final Input<Length> TARGET =
      quantity("target", "side of the target", Kind.LENGTH, 1e-4, 1, "12mm");
  private static final Input<Sensing.Metal> METAL =
      word("metal", "metal of the target", Sensing.Metal.class, "steel").usually("steel");
  private static final Input<Length> WIDTH =
      quantity("w", "width of what passes, along its way", Kind.LENGTH, 1e-4, 10, "20mm");
  private static final Input<Duration> RESPONSE =
      quantity("tr", "response of sensor and input together", Kind.DURATION, 1e-7, 10, "3ms");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "sensing-distance",
              "Distance at which an inductive sensor surely sees",
              "S, at most",
              given -> {
                var rated = given.of(RATED);
                var face = given.of(FACE);
                given.step("full", "max(face, 3 · Sn)", Sensing.fullTarget(rated, face));
                return given.answer(
                    "S",
                    "0.81 · Sn · k · target/full, the last at most 1",
                    Sensing.usable(rated, given.of(METAL), given.of(TARGET), face));
              },
              RATED,
              FACE,
              TARGET,
              METAL),
          Calculator.of(
              "sensor-speed",
              "Speed at which a sensor and its input still see what passes",
              "v, at most",
              given ->
                  given.answer("v", "w/tr", Sensing.fastest(given.of(WIDTH), given.of(RESPONSE))),
              WIDTH,
              RESPONSE));

  private SensorCalculators() {}
}
