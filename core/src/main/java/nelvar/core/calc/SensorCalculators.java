package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.formula.PulseWidth;
import nelvar.core.formula.Sensing;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

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

  private static final Input<Double> ANGLE =
      number("alpha", "width of the mark, degrees", 0.01, 360, "10");
  private static final Input<Voltage> FULL =
      quantity("U", "volts of the pulses", Kind.VOLTAGE, 0.1, 60, "10V");
  private static final Input<Frequency> PULSES =
      quantity("f", "frequency of the pulses", Kind.FREQUENCY, 1, 1e6, "1kHz");
  private static final Input<Resistance> FILTER_R =
      quantity("R", "resistor of the filter", Kind.RESISTANCE, 1, 1e7, "10kohm");
  private static final Input<Capacitance> FILTER_C =
      quantity("C", "capacitor of the filter", Kind.CAPACITANCE, 1e-12, 0.1, "1uF");

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
              RESPONSE),
          Calculator.of(
              "mark-time",
              "How long a mark on something that turns is seen",
              "t",
              given ->
                  given.answer(
                      "t",
                      "α/(6 · n)",
                      Sensing.seen(given.of(ANGLE), given.of(Inputs.SPEED).value())),
              ANGLE,
              Inputs.SPEED),
          Calculator.of(
              "pwm-filter",
              "Ripple and settling of pulses of set width behind one R and one C",
              "ripple, peak to peak",
              given -> {
                given.step(
                    "settles",
                    "4.6 · R · C, to 1 %",
                    PulseWidth.settles(given.of(FILTER_R), given.of(FILTER_C)));
                return given.answer(
                    "ripple",
                    "U · tanh(1/(4 · f · R · C)), at half width",
                    PulseWidth.ripple(
                        given.of(FULL), given.of(PULSES), given.of(FILTER_R), given.of(FILTER_C)));
              },
              FULL,
              PULSES,
              FILTER_R,
              FILTER_C));

  private SensorCalculators() {}
}
