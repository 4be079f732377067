package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Energy;
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
  private static final double GRAVITY = 9.80665;

  /// How the windings of a stepper are joined, against the rating of one unipolar half.
  enum Winding {
    UNIPOLAR(1),
    SERIES(Math.sqrt(0.5)),
    PARALLEL(Math.sqrt(2));

    private final double factor;

    Winding(double factor) {
      this.factor = factor;
    }
  }

  /// What the scale of a drive means.
  enum Scale {
    RMS,
    PEAK
  }

  private static final Input<Current> PHASE =
      Inputs.current("I", "unipolar phase current on the nameplate", "3A");
  private static final Input<Winding> WINDING =
      word("winding", "half coils (unipolar), series or parallel", Winding.class, "parallel")
          .usually("unipolar");
  private static final Input<Scale> SCALE =
      word("scale", "what the drive's switches mean", Scale.class, "peak").usually("rms");
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
                        given.of(PHASE).times(winding.factor));
                var share = given.of(IDLE).fraction();
                given.step(
                    "heat at rest", "idle², against full", Percent.ofFraction(share * share));
                return given.of(SCALE) == Scale.PEAK
                    ? given.answer("Iset", "√2 · Irms", rms.times(Math.sqrt(2)))
                    : given.answer("Iset", "Irms", rms);
              },
              PHASE,
              WINDING,
              SCALE,
              IDLE),
          Calculator.of(
              "electronic-gear",
              "Electronic gear of a servo drive",
              "numerator/denominator",
              given -> {
                var counts = given.of(COUNTS);
                var pulses = given.of(PULSES);
                var common = gcd(counts, pulses);
                return given.answer(
                    "gear",
                    "counts/pulses, shortened",
                    "%d/%d".formatted(counts / common, pulses / common));
              },
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
                      new Measure(
                          60 * given.of(INPUT_LIMIT).hertz() / given.of(LINES),
                          Measure.Unit.ROTATION)),
              INPUT_LIMIT,
              LINES),
          Calculator.of(
              "moving-energy",
              "Energy of what moves in a line",
              "E",
              given -> {
                var v = given.of(FEED).value() / 60_000;
                return given.answer(
                    "E", "m · v²/2", new Energy(given.of(MASS).value() * v * v / 2));
              },
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
                      new Energy(given.of(MASS).value() * GRAVITY * given.of(DROP).metres())),
              MASS,
              DROP),
          Calculator.of(
              "spindle-speed",
              "Speed at a command",
              "n",
              given -> {
                var n0 = given.of(ZERO).value();
                var top = given.of(TOP).value();
                if (top <= n0)
                  return Computed.missing("the speed at 10 V is not above that at 0 V");
                return given.answer(
                    "n",
                    "n0 + U/10 V · (nmax − n0)",
                    new Measure(
                        n0 + given.of(COMMAND).volts() / 10 * (top - n0), Measure.Unit.ROTATION));
              },
              COMMAND,
              TOP,
              ZERO),
          Calculator.of(
              "spindle-calibration",
              "Two measured speeds of a command",
              "n at 0 V",
              given -> {
                var span = given.of(UB).volts() - given.of(UA).volts();
                var rise = given.of(NB).value() - given.of(NA).value();
                if (span <= 0 || rise <= 0)
                  return Computed.missing("Ub and nb must lie above Ua and na");
                var gain =
                    given.step(
                        "g",
                        "(nb − na)/(Ub − Ua)",
                        new Measure(rise / span, Measure.Unit.SPEED_PER_VOLT));
                var zero = given.get(NA).value() - gain.value() * given.get(UA).volts();
                given.step(
                    "n10",
                    "speed at 10 V",
                    new Measure(Math.max(0, zero + 10 * gain.value()), Measure.Unit.ROTATION));
                return zero < 0
                    ? given.answer(
                        "U0",
                        "−n at 0 V/g: it stands still below this",
                        new Voltage(-zero / gain.value()))
                    : given.answer("n0", "na − g · Ua", new Measure(zero, Measure.Unit.ROTATION));
              },
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
                      new Measure(
                          120
                              * given.of(FREQUENCY).hertz()
                              / given.of(POLES)
                              * (1 - given.of(SLIP))
                              * given.of(GEAR),
                          Measure.Unit.ROTATION)),
              FREQUENCY,
              POLES,
              SLIP,
              GEAR));

  private AxisCalculators() {}

  private static int gcd(int a, int b) {
    return b == 0 ? a : gcd(b, a % b);
  }
}
