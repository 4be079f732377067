package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.formula.Axis;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.formula.MovingEnergy;
import nelvar.core.formula.SpeedCommand;
import nelvar.core.formula.Stepping;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// Settings of axes: phase current of a stepper, gearing and speed of an encoder, energy of what
/// moves or sinks, what an analogue command means. Physics and common practice, no published
/// source.
final class AxisCalculators {

  private static final Input<Current> PHASE =
      Inputs.current("I", "unipolar phase current on the nameplate", "3A");
  private static final Input<Stepping.Winding> WINDING =
      word(
              "winding",
              "half coils (unipolar), series or parallel",
              Stepping.Winding.class,
              "parallel")
          .usually("unipolar");
  private static final Input<Stepping.Scale> SCALE =
      word("scale", "what the drive's switches mean", Stepping.Scale.class, "peak").usually("rms");
  private static final Input<Percent> IDLE =
      Inputs.percent("idle", "share of the current at rest", 0, 100, "50%").usually("50 %");

  private static final Input<Integer> COUNTS =
      whole("counts", "counts of the encoder a turn", 1, 100_000_000, "10000");
  private static final Input<Integer> PULSES =
      whole("pulses", "command pulses wanted a turn", 1, 100_000_000, "2000");

  private static final Input<Frequency> INPUT_LIMIT =
      quantity("fmax", "greatest frequency of the input", Kind.FREQUENCY, 1, 1e9, "200kHz");
  private static final Input<Integer> LINES = whole("lines", "lines a turn", 1, 10_000_000, "2500");

  private static final Input<Measure> MASS =
      Inputs.measure("m", "mass", Measure.Unit.MASS, 1e-4, 1e6, "20 kg");
  private static final Input<Measure> FEED =
      Inputs.measure("v", "speed", Measure.Unit.FEED, 0.001, 1e7, "6000 mm/min");
  private static final Input<Length> DROP =
      quantity("h", "height it sinks", Kind.LENGTH, 1e-4, 1000, "0.5m");

  private static final Input<Voltage> COMMAND =
      quantity("U", "command", Kind.VOLTAGE, 0, 10, "7.5V");
  private static final Input<Measure> TOP =
      Inputs.measure("nmax", "speed at 10 V", Measure.Unit.ROTATION, 0.001, 1e6, "24000 rpm");
  private static final Input<Measure> ZERO =
      Inputs.measure("n0", "speed at 0 V", Measure.Unit.ROTATION, 0, 1e6, "0 rpm").usually("0 rpm");

  private static final Input<Voltage> UA =
      quantity("Ua", "lower command", Kind.VOLTAGE, 0, 10, "2V");
  private static final Input<Voltage> UB =
      quantity("Ub", "higher command", Kind.VOLTAGE, 0, 10, "8V");
  private static final Input<Measure> NA =
      Inputs.measure("na", "speed measured at Ua", Measure.Unit.ROTATION, 0, 1e6, "4700 rpm");
  private static final Input<Measure> NB =
      Inputs.measure("nb", "speed measured at Ub", Measure.Unit.ROTATION, 0, 1e6, "19100 rpm");

  private static final Input<Double> SLIP =
      number("slip", "slip of the motor", 0, 0.5, "0.04").usually("0");
  private static final Input<Frequency> FREQUENCY =
      quantity("f", "frequency of the drive", Kind.FREQUENCY, 0.1, 3000, "300Hz");
  private static final Input<Integer> POLES = whole("poles", "poles", 2, 100, "2").usually("4");
  private static final Input<Double> GEAR =
      number("ratio", "turns of the spindle for one of the motor", 0.001, 1000, "1").usually("1");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "stepper-setting",
              "Current to set on a stepper drive",
              "Iset",
              given -> {
                var winding = given.of(WINDING);
                var rms =
                    given.step(
                        "Irms",
                        "I · 1 in half coils, 0.707 in series, 1.414 in parallel",
                        Stepping.rms(given.of(PHASE), winding));
                given.step("heat at rest", "idle², against full", Stepping.heat(given.of(IDLE)));
                var scale = given.of(SCALE);
                return given.answer(
                    "Iset",
                    scale == Stepping.Scale.PEAK ? "√2 · Irms" : "Irms",
                    Stepping.setting(rms, scale));
              },
              PHASE,
              WINDING,
              SCALE,
              IDLE),
          Calculator.of(
              "electronic-gear",
              "Electronic gear of a servo drive",
              "numerator/denominator",
              given ->
                  given.answer(
                      "gear",
                      "counts/pulses, shortened",
                      Axis.electronicGear(given.of(COUNTS), given.of(PULSES)).toString()),
              COUNTS,
              PULSES),
          Calculator.of(
              "encoder-speed",
              "Greatest speed an input can count",
              "n",
              given ->
                  given.answer(
                      "n",
                      "60 · fmax/lines, for each channel",
                      Axis.greatestSpeed(given.of(INPUT_LIMIT), given.of(LINES))),
              INPUT_LIMIT,
              LINES),
          Calculator.of(
              "moving-energy",
              "Energy of what moves in a line",
              "E",
              given ->
                  given.answer(
                      "E", "m · v²/2", MovingEnergy.sliding(given.of(MASS), given.of(FEED))),
              MASS,
              FEED),
          Calculator.of(
              "lowering-energy",
              "Energy of what sinks",
              "E, given back by a hanging axis",
              given ->
                  given.answer(
                      "E",
                      "m · 9.81 m/s² · h",
                      MovingEnergy.lowered(given.of(MASS), given.of(DROP))),
              MASS,
              DROP),
          Calculator.of(
              "spindle-speed",
              "Speed at a command",
              "n",
              given ->
                  SpeedCommand.speed(given.of(COMMAND), given.of(ZERO), given.of(TOP))
                      .<Computed<?>>map(n -> given.answer("n", "n0 + U/10 V · (nmax − n0)", n))
                      .orElseGet(
                          () -> Computed.missing("the speed at 10 V is not above that at 0 V")),
              COMMAND,
              TOP,
              ZERO),
          Calculator.of(
              "spindle-calibration",
              "Two measured speeds of a command",
              "n at 0 V",
              given ->
                  SpeedCommand.calibrate(given.of(UA), given.of(NA), given.of(UB), given.of(NB))
                      .<Computed<?>>map(line -> {
                        given.step("g", "(nb − na)/(Ub − Ua)", line.gain());
                        given.step("n10", "speed at 10 V", line.at(new Voltage(10)));
                        return line.standsBelow()
                            .<Computed<?>>map(u0 ->
                                given.answer("U0", "−n at 0 V/g: it stands still below this", u0))
                            .orElseGet(
                                () -> given.answer("n0", "na − g · Ua", line.at(new Voltage(0))));
                      })
                      .orElseGet(() -> Computed.missing("Ub and nb must lie above Ua and na")),
              UA,
              NA,
              UB,
              NB),
          Calculator.of(
              "motor-speed",
              "Speed of a motor on a drive",
              "n, of the spindle",
              given ->
                  given.answer(
                      "n",
                      "120 · f/poles · (1 − slip) · ratio",
                      MotorFormulas.speed(
                          given.of(FREQUENCY), given.of(POLES), given.of(SLIP), given.of(GEAR))),
              FREQUENCY,
              POLES,
              SLIP,
              GEAR));

  private AxisCalculators() {}
}
