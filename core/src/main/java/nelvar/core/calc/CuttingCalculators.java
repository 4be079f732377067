package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.formula.Axis;
import nelvar.core.formula.Cutting;
import nelvar.core.formula.Ntc;
import nelvar.core.formula.StepperTorque;
import nelvar.core.formula.WindingJoins;
import nelvar.core.formula.WindingOhms;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Significant;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Cutting, travel measured against travel commanded, torque of steppers, ohms of windings.
/// Mechanics and circuit laws; common practice where a number is not computed.
final class CuttingCalculators {
  private static final Input<Measure> FEED =
      Inputs.measure("vf", "feed", Measure.Unit.FEED, 0.1, 1e6, "2400 mm/min");
  private static final Input<Measure> SPEED =
      Inputs.measure("n", "speed of the cutter", Measure.Unit.ROTATION, 1, 1e6, "18000 rpm");
  private static final Input<Integer> EDGES = whole("z", "cutting edges", 1, 100, "2");
  private static final Input<Length> DEPTH =
      quantity("ap", "depth of the cut, along the tool", Kind.LENGTH, 1e-5, 1, "3mm");
  private static final Input<Length> WIDTH =
      quantity("ae", "width of the cut, across the tool", Kind.LENGTH, 1e-5, 1, "6mm");
  private static final Input<Cutting.Material> MATERIAL =
      word("material", "what is cut", Cutting.Material.class, "aluminium");
  private static final Input<Percent> EFFICIENCY =
      Inputs.percent("eta", "of the spindle", 1, 100, "80%").usually("80 %");

  private static final Input<Power> AT_EDGE =
      Inputs.power("P", "power at the edge, without the losses of the spindle", "576W");
  private static final Input<Length> ACROSS =
      quantity("d", "diameter of the cutter", Kind.LENGTH, 1e-4, 1, "6mm");

  private static final Input<Double> STEPS =
      number("k", "steps per unit that are entered", 1e-6, 1e9, "40");
  private static final Input<Double> TOLD =
      number("told", "travel that was commanded", 1e-6, 1e7, "100");
  private static final Input<Double> WENT =
      number("went", "travel that was measured", 1e-6, 1e7, "99.5");
  private static final Input<Double> TOLD_FAR =
      number("told2", "another one commanded", 1e-6, 1e7, "300");
  private static final Input<Double> WENT_FAR =
      number("went2", "what was measured of it", 1e-6, 1e7, "300.8");

  private static final Input<Measure> HOLDING =
      Inputs.measure("Th", "holding torque", Measure.Unit.TORQUE, 1e-3, 1e3, "3.1 Nm");
  private static final Input<Current> RATED =
      Inputs.current("In", "rated current of a phase", "4.2A");
  private static final Input<Resistance> OHMS = Inputs.resistance("R", "of a phase", "0.9 Ω");
  private static final Input<Measure> HENRIES =
      Inputs.measure("L", "of a phase", Measure.Unit.INDUCTANCE, 1e-6, 1, "3.8 mH");
  private static final Input<Voltage> BUS = Inputs.voltage("U", "of the drive", "48V");
  private static final Input<Measure> MOTOR_SPEED =
      Inputs.measure("n", "speed of the motor", Measure.Unit.ROTATION, 1, 1e5, "700 rpm");

  private static final Input<Resistance> PHASE = Inputs.resistance("R", "of one phase", "3 Ω");
  private static final Input<WindingOhms.Joined> JOINED =
      word("joined", "how the phases are joined", WindingOhms.Joined.class, "star");
  private static final Input<Integer> GROUPS =
      whole("groups", "coil groups of a phase in parallel", 1, 20, "1").usually("1");

  private static final Input<WindingJoins.Winding> LEADS =
      word("leads", "how many, and how wound", WindingJoins.Winding.class, "nine_star");
  private static final Input<WindingJoins.Volts> VOLTS =
      word("volts", "which of its two voltages", WindingJoins.Volts.class, "low");

  private static final Input<Resistance> NOMINAL = Inputs.resistance("R25", "at 25 °C", "10 kΩ");
  private static final Input<Double> BETA = number("B", "of its curve, K", 1000, 10_000, "3435");
  private static final Input<Temperature> AT =
      quantity("T", "temperature", Kind.TEMPERATURE, -100, 400, "100C");
  private static final Input<Resistance> PULL_UP =
      Inputs.resistance("Rp", "pull-up of the board", "4.7 kΩ");
  private static final Input<Voltage> SUPPLY =
      Inputs.voltage("Us", "what the pull-up hangs on", "3.3V");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "cutting-power",
              "Power that cutting asks of a spindle",
              "P at its nameplate",
              given -> {
                var material = given.of(MATERIAL);
                given.step(
                    "kc",
                    "specific cutting force, common practice, from memory",
                    Significant.plain(material.specificForce(), "N/mm²"));
                return given.answer(
                    "P",
                    "ap · ae · vf · kc/(60 · eta)",
                    Cutting.power(
                        given.of(DEPTH),
                        given.of(WIDTH),
                        given.of(FEED),
                        material,
                        given.of(EFFICIENCY)));
              },
              DEPTH,
              WIDTH,
              FEED,
              MATERIAL,
              EFFICIENCY),
          Calculator.of(
              "chip-load",
              "What one edge takes off",
              "fz",
              given ->
                  given.answer(
                      "fz",
                      "vf/(n · z)",
                      Cutting.chip(given.of(FEED), given.of(SPEED), given.of(EDGES))),
              FEED,
              SPEED,
              EDGES),
          Calculator.of(
              "cutting-force",
              "Force along the edge of a cutter",
              "F, on tool and axis",
              given ->
                  given.answer(
                      "F",
                      "P/(π · d · n)",
                      Significant.plain(
                          Cutting.force(given.of(AT_EDGE), given.of(ACROSS), given.of(SPEED)),
                          "N")),
              AT_EDGE,
              ACROSS,
              SPEED),
          Calculator.of(
              "travel-correction",
              "Steps corrected by a measured travel",
              "k as it is to be",
              given ->
                  given.answer(
                      "k",
                      "k · told/went",
                      Axis.corrected(given.of(STEPS), given.of(TOLD), given.of(WENT))),
              STEPS,
              TOLD,
              WENT),
          Calculator.of(
              "two-lengths",
              "Scale and offset of an axis, of two lengths",
              "scale, and what is off each time",
              given ->
                  Axis.line(given.of(TOLD), given.of(WENT), given.of(TOLD_FAR), given.of(WENT_FAR))
                      .<Computed<?>>map(line ->
                          given.answer(
                              "axis",
                              "(went2 − went)/(told2 − told); what is left of the first",
                              "scale %s, offset %s"
                                  .formatted(
                                      AxisSteps.typed(line.scale()),
                                      AxisSteps.typed(line.offset()))))
                      .orElseGet(() ->
                          Computed.missing(
                              "both lengths are the same, or the longer one was measured shorter")),
              TOLD,
              WENT,
              TOLD_FAR,
              WENT_FAR),
          Calculator.of(
              "stepper-torque",
              "Torque of a stepper motor at speed, ± 30 %",
              "T, an estimate",
              given ->
                  given.answer(
                      "T",
                      "min(Th, p·ψ·U/Z − p·ω·ψ²·R/Z²)",
                      StepperTorque.at(
                          new StepperTorque.Motor(
                              given.of(HOLDING),
                              given.of(RATED),
                              given.of(OHMS),
                              given.of(HENRIES),
                              200),
                          given.of(RATED),
                          given.of(BUS),
                          given.of(MOTOR_SPEED).value())),
              HOLDING,
              RATED,
              OHMS,
              HENRIES,
              BUS,
              MOTOR_SPEED),
          Calculator.of(
              "lead-ohms",
              "Ohms between two leads of a three-phase motor",
              "R as an ohmmeter reads it",
              given ->
                  given.answer(
                      "R",
                      "2 · R in star, 2/3 · R in delta, over the groups",
                      WindingOhms.betweenLeads(
                          WindingOhms.inParallel(given.of(PHASE), given.of(GROUPS)),
                          given.of(JOINED))),
              PHASE,
              JOINED,
              GROUPS),
          Calculator.of(
              "winding-joins",
              "Which leads of a motor are joined",
              "by the usual numbers of its leads",
              given ->
                  given.answer(
                      "joins",
                      "as leads are usually numbered, from memory; the motor's own card decides",
                      WindingJoins.of(given.of(LEADS), given.of(VOLTS))),
              LEADS,
              VOLTS),
          Calculator.of(
              "thermistor-volts",
              "Volts a thermistor leaves beside its pull-up",
              "U at the pin",
              given -> {
                var r =
                    given.step(
                        "R",
                        "R25 · e^(B · (1/T − 1/298.15 K))",
                        Ntc.resistance(given.of(NOMINAL), given.of(BETA), given.of(AT)));
                return given.answer(
                    "U", "Us · R/(R + Rp)", Ntc.read(given.of(SUPPLY), given.of(PULL_UP), r));
              },
              NOMINAL,
              BETA,
              AT,
              PULL_UP,
              SUPPLY));

  private CuttingCalculators() {}
}
