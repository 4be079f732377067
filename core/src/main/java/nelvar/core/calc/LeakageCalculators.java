package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;

import java.util.List;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.Coupling;
import nelvar.core.formula.EarthFault;
import nelvar.core.formula.FaultHeating;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// What flows through capacitors to earth, when residual-current devices open, and fault
/// calculations of other schools: the conventional method, the insulated-cable formula of North
/// America, an earth-fault current as a multiple of the device.
final class LeakageCalculators {
  private static final Input<Capacitance> TO_EARTH =
      quantity("C", "capacitor from a line to earth", Kind.CAPACITANCE, 1e-12, 1, "4.7nF");
  private static final Input<Measure> PER_METRE =
      Inputs.measure(
              "c",
              "capacitance of the cable to its shield, 100 to 300 pF/m",
              Measure.Unit.CAPACITANCE_PER_LENGTH,
              1,
              1e5,
              "200 pF/m")
          .usually("200 pF/m");
  private static final Input<Length> CABLE =
      quantity("l", "length of the motor cable", Kind.LENGTH, 0.01, 1000, "10m");
  private static final Input<Voltage> STEP =
      Inputs.voltage("dU", "voltage step of the drive, its bus voltage", "560V");
  private static final Input<Duration> RISE =
      quantity("tr", "rise time of the step", Kind.DURATION, 1e-9, 1e-3, "0.1us").usually("0.1 us");

  private static final Input<Current> RESIDUAL = Inputs.current("I", "residual current", "150mA");
  private static final Input<Current> RATED =
      Inputs.current("IdN", "rated residual current", "30mA");
  private static final Input<String> DELAY =
      oneOf(
              "type",
              "general or selective (S)",
              List.of("general", "selective"),
              String::valueOf,
              "general")
          .usually("general");

  private static final Input<Resistance> LINE =
      Inputs.resistance("RL", "resistance of the line conductor, hot", "0.6 Ω");
  private static final Input<Resistance> PE =
      Inputs.resistance("RPE", "resistance of the protective conductor, hot", "0.6 Ω");

  private static final Input<Duration> TIME =
      quantity("t", "time of the fault", Kind.DURATION, 0.001, 5, "0.1s");
  private static final Input<Temperature> FROM =
      quantity("Ti", "temperature before", Kind.TEMPERATURE, -40, 200, "75C").usually("75 °C");
  private static final Input<Temperature> TO =
      quantity("Tf", "temperature the insulation stands", Kind.TEMPERATURE, 0, 400, "150C")
          .usually("150 °C");
  private static final Input<Double> TIMES =
      number("k", "multiple of the rating, 4 to 5 in use", 1, 20, "5").usually("5");
  private static final Input<Current> DEVICE = Inputs.current("In", "rating of the device", "20A");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "capacitor-leakage",
              "Leakage of a capacitor to earth",
              "I",
              given ->
                  given.answer(
                      "I",
                      "2π · f · C · U0",
                      AlternatingCurrent.through(
                          given.of(TO_EARTH), given.of(Inputs.U0), given.of(Inputs.FREQUENCY))),
              TO_EARTH,
              Inputs.U0,
              Inputs.FREQUENCY),
          Calculator.of(
              "cable-leakage",
              "Current a motor cable takes at every pulse",
              "I, peak, to the shield",
              given -> {
                var c =
                    given.step(
                        "C", "c · l", Coupling.ofCable(given.of(PER_METRE), given.of(CABLE)));
                return given.answer(
                    "I", "C · dU/tr", Coupling.charging(c, given.of(STEP), given.of(RISE)));
              },
              PER_METRE,
              CABLE,
              STEP,
              RISE),
          Calculator.of(
              "rcd-time",
              "When a residual-current device opens",
              "t, latest (IEC 61008-1)",
              LeakageCalculators::opens,
              RESIDUAL,
              RATED,
              DELAY),
          Calculator.of(
              "fault-current-conventional",
              "Fault current, conventional method",
              "Ik, where the loop up to the inlet is not known",
              given -> {
                var line = given.of(LINE);
                var protective = given.of(PE);
                given.step("R", "RL + RPE", line.plus(protective));
                return given.answer(
                    "Ik",
                    "0.8 · U0/R: a fifth is lost before the inlet",
                    EarthFault.conventional(given.of(Inputs.U0), line, protective));
              },
              LINE,
              PE,
              Inputs.U0),
          Calculator.of(
              "fault-heat-na",
              "Fault a wire stands, North American",
              "I, greatest (ICEA P-32-382)",
              LeakageCalculators::insulatedCable,
              Inputs.S,
              TIME,
              FROM,
              TO),
          Calculator.of(
              "ground-fault-na",
              "Ground-fault current to aim at, North American",
              "I, least; common practice, the code gives no number",
              given -> given.answer("I", "k · In", given.of(DEVICE).times(given.of(TIMES))),
              DEVICE,
              TIMES));

  private LeakageCalculators() {}

  /// General: 0.3 s at IdN, 0.15 s at twice, 0.04 s at five times; selective: 0.5, 0.2 and 0.15 s
  /// (IEC 61008-1, from memory).
  private static Computed<?> opens(Given given) {
    var times = given.of(RESIDUAL).amperes() / given.of(RATED).amperes();
    var selective = given.of(DELAY).equals("selective");
    given.step("multiple", "I/IdN", times);
    if (times < 0.5) return Computed.missing("below half of its rating it must not open");
    if (times < 1) return Computed.missing("between half and all of its rating it may open or not");
    var seconds =
        times >= 5
            ? selective ? 0.15 : 0.04
            : times >= 2 ? selective ? 0.2 : 0.15 : selective ? 0.5 : 0.3;
    return Computed.known(
        given
            .sheet()
            .explain(
                given
                    .sheet()
                    .table(
                        "t",
                        new Cited<>(
                            new Duration(seconds), Citation.recalled("IEC 61008-1", "Table 1")),
                        given.get(DELAY))));
  }

  /// `(I/A)² · t = 0.0297 · log10((Tf + 234)/(Ti + 234))`, A in circular mils (ICEA P-32-382, from
  /// memory).
  private static Computed<?> insulatedCable(Given given) {
    var from = given.of(FROM);
    var to = given.of(TO);
    if (to.compareTo(from) <= 0) return Computed.missing("Tf is not above Ti");
    var mils = given.step("A", "area in circular mils", given.of(Inputs.S).circularMils());
    var k =
        given
            .sheet()
            .table(
                "k",
                new Cited<>(
                    FaultHeating.insulatedCable(from, to),
                    Citation.recalled("ICEA P-32-382", "formula for copper")),
                "0.0297 · log10((Tf + 234)/(Ti + 234))");
    return given.answer(
        "I", "A · √(k/t)", FaultHeating.insulatedCableFault(mils, k, given.of(TIME)));
  }
}
