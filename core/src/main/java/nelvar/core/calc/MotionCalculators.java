package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;

import java.util.List;
import nelvar.core.formula.Axis;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.formula.MovingEnergy;
import nelvar.core.formula.PulseCount;
import nelvar.core.formula.SpeedCommand;
import nelvar.core.formula.Stepping;
import nelvar.core.trail.Computed;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Settings that make an axis or a spindle move right, and the energy it gives back.
final class MotionCalculators {
  private static final Input<Double> STEPS =
      number("steps", "full steps a turn: 360°/step angle", 4, 10000, "200").usually("200");
  private static final Input<Double> MICRO = number("micro", "microsteps", 1, 1024, "10");
  private static final Input<Double> RATIO =
      number("ratio", "motor turns for one turn of the screw or pulley", 0.001, 1000, "1")
          .usually("1");
  private static final Input<Length> LEAD =
      quantity(
          "lead",
          "travel a turn: pitch · starts, teeth · pitch, or π · d",
          Kind.LENGTH,
          1e-5,
          10,
          "5mm");
  private static final Input<Measure> FEED =
      Inputs.measure("feed", "feed", Measure.Unit.FEED, 0.001, 1e7, "6000 mm/min");
  private static final Input<Measure> SCALE =
      Inputs.measure(
          "spm", "steps per mm", Measure.Unit.STEPS_PER_LENGTH, 0.001, 1e6, "400 steps/mm");
  private static final Input<Frequency> CONTROLLER =
      quantity("fmax", "greatest step rate of the controller", Kind.FREQUENCY, 1, 1e8, "100kHz")
          .usually("100 kHz");
  private static final Input<Measure> INDUCTANCE =
      Inputs.measure(
          "L", "inductance of a phase, as connected", Measure.Unit.INDUCTANCE, 1e-6, 10, "2.5mH");
  private static final Input<Voltage> NAMEPLATE =
      Inputs.voltage("Ur", "rated current · resistance of a phase", "3.15V");
  private static final Input<Current> PHASE = Inputs.current("I", "phase current", "4.2A");
  private static final Input<Integer> MOTORS =
      whole("motors", "motors alike", 1, 100, "3").usually("1");
  private static final Input<Voltage> BUS = Inputs.voltage("U", "supply voltage", "48V");
  private static final Input<Integer> LINES = whole("lines", "lines a turn", 1, 10_000_000, "2500");
  private static final Input<Measure> RPM =
      Inputs.measure("n", "speed", Measure.Unit.ROTATION, 0.001, 1e6, "3000 rpm");
  private static final Input<Duration> STOP =
      quantity("t", "time of the stop", Kind.DURATION, 0.001, 3600, "0.2s");
  private static final Input<Voltage> ON =
      Inputs.voltage("Uon", "voltage at which the chopper acts", "390V");
  private static final Input<Current> CHOPPER =
      Inputs.current("Imax", "greatest current of the chopper", "20A");
  private static final Input<Energy> ENERGY =
      quantity("E", "energy of one stop", Kind.ENERGY, 1e-6, 1e8, "493 J");
  private static final Input<Capacitance> C = Inputs.C.as("C", "capacitors of the bus");
  private static final Input<Voltage> BEFORE = Inputs.voltage("U1", "bus voltage", "325V");
  private static final Input<Duration> CYCLE =
      quantity("cycle", "time from stop to stop", Kind.DURATION, 0.01, 1e6, "5s");
  private static final Input<Measure> MASS =
      Inputs.measure("m", "mass moved", Measure.Unit.MASS, 1e-4, 1e6, "100 kg");
  private static final Input<Measure> TOP =
      Inputs.measure("nmax", "speed at 10 V", Measure.Unit.ROTATION, 0.001, 1e6, "24000 rpm");
  private static final Input<Measure> ZERO =
      Inputs.measure("n0", "speed at 0 V", Measure.Unit.ROTATION, 0, 1e6, "0 rpm").usually("0 rpm");
  private static final Input<Integer> BITS = whole("bits", "bits of the output", 2, 24, "8");
  private static final Input<Resistance> SOURCE =
      Inputs.resistance("Rs", "resistance of the source", "100 Ω");
  private static final Input<Resistance> ENTRY =
      Inputs.resistance("Rin", "resistance of the input", "10 kΩ");
  private static final Input<Voltage> OFFSET =
      quantity("dU", "lift of the common wire", Kind.VOLTAGE, 1e-6, 10, "50mV");
  private static final Input<Integer> POLES =
      whole("poles", "poles of the motor", 2, 100, "2").usually("2");
  private static final Input<Integer> COUNTED =
      whole("N", "pulses counted", 0, 1_000_000_000, "120");
  private static final Input<Duration> GATE =
      quantity("Tg", "gate time", Kind.DURATION, 1e-6, 1e4, "0.5s").usually("1 s");
  private static final Input<Integer> PPR =
      whole("PPR", "pulses a turn", 1, 10_000_000, "8").usually("1");
  private static final Input<Duration> TICK =
      quantity("dt", "tick of the timer", Kind.DURATION, 1e-9, 1, "1us").usually("1 us");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "steps-per-mm",
              "Steps per millimetre",
              "spm",
              given ->
                  given.answer(
                      "spm",
                      "steps · micro · ratio/lead",
                      Axis.stepsPerLength(
                          given.of(STEPS), given.of(MICRO), given.of(RATIO), given.of(LEAD))),
              STEPS,
              MICRO,
              RATIO,
              LEAD),
          Calculator.of(
              "step-rate",
              "Step rate of an axis",
              "f, at this feed",
              given -> {
                var rate =
                    given.step(
                        "f", "feed/60 · spm", Axis.stepRate(given.of(FEED), given.of(SCALE)));
                var limit =
                    given.step("limit", "0.8 · fmax", Axis.usableRate(given.of(CONTROLLER)));
                given.step(
                    "fits",
                    "f ≤ 0.8 · fmax",
                    rate.compareTo(limit) <= 0
                        ? "yes"
                        : "no: fewer microsteps, or a faster controller");
                return given.answer("f", "feed/60 · spm", rate);
              },
              FEED,
              SCALE,
              CONTROLLER),
          Calculator.of(
              "stepper-supply",
              "Supply voltage of a stepper",
              "U, greatest by its inductance (common practice)",
              given -> {
                var inductance = given.of(INDUCTANCE);
                given.step("quiet", "65 % of it, a quiet choice", Stepping.quietSupply(inductance));
                given.step(
                    "by nameplate",
                    "4 to 20 · Ur, the other school",
                    Stepping.byNameplate(given.of(NAMEPLATE)));
                return given.answer("U", "32 · √(L in mH)", Stepping.greatestSupply(inductance));
              },
              INDUCTANCE,
              NAMEPLATE.usually("3 V")),
          Calculator.of(
              "stepper-current",
              "Supply current of steppers",
              "I, parallel or half coils (common practice)",
              given -> {
                var sum = given.step("ΣI", "motors · I", given.of(PHASE).times(given.of(MOTORS)));
                given.step(
                    "series", "0.33 · ΣI, coils in series", Stepping.supplyCurrent(sum, true));
                return given.answer("I", "0.67 · ΣI", Stepping.supplyCurrent(sum, false));
              },
              PHASE,
              MOTORS),
          Calculator.of(
              "stepper-corner",
              "Speed at which a stepper loses torque",
              "n, back e.m.f. left out",
              given ->
                  given.answer(
                      "n",
                      "60 · U/(2 · L · I · steps)",
                      Stepping.corner(
                          given.of(BUS), given.of(INDUCTANCE), given.of(PHASE), given.of(STEPS))),
              BUS,
              INDUCTANCE,
              PHASE,
              STEPS),
          Calculator.of(
              "microstep-torque",
              "Torque of one microstep",
              "share of the holding torque",
              given ->
                  given.answer(
                      "share", "sin(90°/micro)", Stepping.microstepTorque(given.of(MICRO))),
              MICRO),
          Calculator.of(
              "encoder",
              "Counts of an encoder",
              "counts per mm of travel",
              given -> {
                var turn = given.step("counts", "4 · lines", Axis.counts(given.of(LINES)));
                return given.answer(
                    "cpm",
                    "counts · ratio/lead",
                    Axis.countsPerLength(turn, given.of(RATIO), given.of(LEAD)));
              },
              LINES,
              RATIO,
              LEAD),
          Calculator.of(
              "encoder-frequency",
              "Frequency of an encoder channel",
              "f, of one channel",
              given -> {
                var f = Axis.channel(given.of(RPM), given.of(LINES));
                given.step("counts", "4 · f", new Frequency(4 * f.hertz()));
                given.step("edge", "1/(4 · f), between edges", Axis.edge(f));
                return given.answer("f", "n/60 · lines", f);
              },
              LINES,
              RPM),
          Calculator.of(
              "kinetic-energy",
              "Energy of what turns",
              "E",
              given -> given.answer("E", "J · ω²/2, ω = 2π · n/60", energy(given)),
              Inputs.INERTIA,
              RPM),
          Calculator.of(
              "braking-resistor",
              "Braking resistor",
              "R, greatest, for a stop of constant torque",
              given -> {
                var e = given.step("E", "J · ω²/2, ω = 2π · n/60", energy(given));
                var peak =
                    given.step(
                        "P",
                        "2 · E/t, at the start of the stop",
                        MovingEnergy.peak(e, given.of(STOP)));
                var least =
                    given.step(
                        "Rmin",
                        "Uon/Imax, what the chopper stands",
                        MovingEnergy.leastResistor(given.of(ON), given.of(CHOPPER)));
                var most = MovingEnergy.resistor(given.get(ON), peak);
                return most.compareTo(least) < 0
                    ? Computed.missing(
                        "this stop asks for at most %s, but the chopper stands no less than %s: stop more slowly, or take a larger drive"
                            .formatted(most, least))
                    : given.answer("R", "Uon²/P", most);
              },
              Inputs.INERTIA,
              RPM,
              STOP,
              ON,
              CHOPPER),
          Calculator.of(
              "braking-power",
              "Mean power of a braking resistor",
              "P, mean; rate it 2 to 3 times that",
              given -> {
                if (given.of(ON).compareTo(given.of(BEFORE)) <= 0)
                  return Computed.missing("the chopper acts below the bus voltage");
                var kept =
                    given.step(
                        "EC",
                        "C · (Uon² − U1²)/2, what the bus takes up",
                        MovingEnergy.takenUp(given.of(C), given.get(BEFORE), given.get(ON)));
                return given.answer(
                    "P",
                    "(E − EC)/cycle",
                    MovingEnergy.mean(given.of(ENERGY), kept, given.of(CYCLE)));
              },
              ENERGY,
              C,
              BEFORE,
              ON,
              CYCLE),
          Calculator.of(
              "screw-inertia",
              "Inertia of a load on a screw",
              "J, seen by the screw",
              given ->
                  given.answer(
                      "J", "m · (lead/2π)²", Axis.screwInertia(given.of(MASS), given.of(LEAD))),
              MASS,
              LEAD),
          Calculator.of(
              "spindle-volts",
              "Speed command of a spindle",
              "U, of 0 to 10 V",
              given -> {
                if (given.get(TOP).compareTo(given.of(ZERO)) <= 0)
                  return Computed.missing("the speed at 10 V is not above the speed at 0 V");
                return SpeedCommand.volts(given.of(RPM), given.get(ZERO), given.of(TOP))
                    .<Computed<?>>map(volts -> {
                      given.step(
                          "f",
                          "n · poles/120",
                          MotorFormulas.frequency(given.get(RPM), given.of(POLES)));
                      return given.answer("U", "10 V · (n − n0)/(nmax − n0)", volts);
                    })
                    .orElseGet(() ->
                        Computed.missing("the speed lies outside what 0 to 10 V can command"));
              },
              RPM.as("n", "speed wanted"),
              TOP,
              ZERO,
              POLES),
          Calculator.of(
              "spindle-resolution",
              "Finest step of a speed command",
              "n, one step",
              given ->
                  given.answer(
                      "n",
                      "nmax/(2^bits − 1)",
                      SpeedCommand.resolution(given.of(TOP), given.of(BITS))),
              TOP,
              BITS),
          Calculator.of(
              "analogue-loading",
              "Error of a loaded analogue output",
              "error, too low by",
              given -> {
                var share = SpeedCommand.loadingError(given.of(SOURCE), given.of(ENTRY));
                given.step(
                    "dn",
                    "error · nmax",
                    new Measure(share.fraction() * given.of(TOP).value(), Measure.Unit.ROTATION));
                return given.answer("error", "Rs/(Rs + Rin)", share);
              },
              SOURCE,
              ENTRY,
              TOP),
          Calculator.of(
              "analogue-offset",
              "Speed error of a lifted common",
              "n, error",
              given ->
                  given.answer(
                      "dn",
                      "dU/10 V · nmax",
                      SpeedCommand.offsetError(given.of(OFFSET), given.of(TOP))),
              OFFSET,
              TOP),
          Calculator.of(
              "speed-by-count",
              "Speed from pulses in a gate",
              "n",
              given -> {
                var gate = given.of(GATE);
                var ppr = given.of(PPR);
                given.step("resolution", "60/(PPR · Tg)", PulseCount.resolution(ppr, gate));
                return given.answer(
                    "n", "60 · N/(PPR · Tg)", PulseCount.speed(given.of(COUNTED), ppr, gate));
              },
              COUNTED,
              GATE,
              PPR),
          Calculator.of(
              "speed-by-period",
              "Error of a speed from the time between pulses",
              "dn, one tick",
              given -> {
                var speed = given.of(RPM);
                var ppr = given.of(PPR);
                var tick = given.of(TICK);
                given.step(
                    "equal",
                    "60/(PPR · √(Tg · dt)), speed at which counting is as good",
                    PulseCount.equallyGood(ppr, given.of(GATE), tick));
                return given.answer(
                    "dn", "n² · PPR · dt/60", PulseCount.periodError(speed, ppr, tick));
              },
              RPM,
              PPR,
              TICK,
              GATE));

  private MotionCalculators() {}

  private static Energy energy(Given given) {
    return MovingEnergy.turning(given.of(Inputs.INERTIA), given.of(RPM));
  }
}
