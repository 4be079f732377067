package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.standards.Motors;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Motors and drives as loads: tables, re-linking, drive sizes, inputs, heaters.
final class MotorCalculators {
  /// What single-phase input of a three-phase drive costs, by whom.
  enum InputSchool {
    HALF,
    SQRT3
  }

  private static final Input<Motors.Kind> KIND =
      word("table", "which table", Motors.Kind.class, "metric-three-phase")
          .usually("metric-three-phase");
  private static final Input<Double> SIZE =
      number("P", "rated power: kW in the metric table, hp in the others", 0.01, 1000, "5.5");
  private static final Input<Integer> TABLE_VOLTS =
      whole("U", "the table's voltage", 90, 690, "400");
  private static final Input<Current> HIGH =
      Inputs.current("Ihigh", "current at the higher voltage, coils in series", "7A");
  private static final Input<Current> DELTA = Inputs.current("I", "line current in delta", "8.5A");
  private static final Input<Frequency> RATED_F =
      quantity("f", "rated frequency", Kind.FREQUENCY, 1, 2000, "50Hz").usually("50 Hz");
  private static final Input<Voltage> DELTA_VOLTS =
      Inputs.voltage("Udelta", "rated voltage in delta", "230V");
  private static final Input<Voltage> DRIVE_VOLTS =
      Inputs.voltage("U", "greatest output voltage of the drive", "400V");
  private static final Input<Power> MOTOR = Inputs.power("P", "rated power of the motor", "2.2kW");
  private static final Input<Current> MOTOR_CURRENT =
      Inputs.current("I", "rated current of the motor", "8.5A");
  private static final Input<InputSchool> SCHOOL =
      word(
              "school",
              "half: the drive's rating halved, for its capacitors and diodes; sqrt3: equal power at equal power factor; a maker's own figure beats both",
              InputSchool.class,
              "half")
          .usually("half");
  private static final Input<Integer> POLES = whole("poles", "poles", 2, 100, "4").usually("4");
  private static final Input<Double> ETA_MOTOR =
      number("eta-motor", "efficiency of the motor", 0.1, 1, "0.83").usually("0.85");
  private static final Input<Double> ETA_DRIVE =
      number("eta-drive", "efficiency of the drive", 0.1, 1, "0.96").usually("0.96");
  private static final Input<Voltage> LINE =
      Inputs.voltage("U", "mains voltage at the drive", "230V");
  private static final Input<Double> TRUE_FACTOR =
      number("pf", "true power factor: 0.65 to 0.75 without a choke, 0.9 with one", 0.3, 1, "0.65")
          .usually("0.7");
  private static final Input<Integer> PHASES =
      oneOf("phases", "phases of its input", List.of(1, 3), String::valueOf, "1").usually("1");
  private static final Input<Double> SHARE =
      number("uk", "impedance of the choke in %", 0.5, 10, "3").usually("3");
  private static final Input<Duration> RISE =
      quantity("tr", "rise time of the drive's output", Kind.DURATION, 1e-9, 1e-3, "0.1us")
          .usually("0.1 us");
  private static final Input<Length> HEIGHT =
      quantity("h", "height above the sea", Kind.LENGTH, 0, 5000, "1500m").usually("0 m");
  private static final Input<Power> HEATER = Inputs.power("P", "rated power", "30W");
  private static final Input<Voltage> MADE_FOR =
      Inputs.voltage("Ur", "voltage it is made for", "12V");
  private static final Input<Voltage> FED = Inputs.voltage("U", "voltage it is fed with", "24V");
  private static final Input<Double> LETTER =
      number(
          "kVA",
          "locked kVA for each hp, by the code letter: G 5.6–6.29, H 6.3–7.09, J 7.1–7.99, K 8.0–8.99",
          1,
          25,
          "7.09");
  private static final Input<Double> HP = number("hp", "rated power in hp", 0.1, 500, "10");
  private static final Input<Voltage> HP_VOLTS =
      Inputs.voltage("U", "voltage between lines", "460V");

  private static final Input<Integer> NEC_VOLTS = whole("U", "the table's voltage", 90, 690, "460");
  private static final Input<Current> RATING = Inputs.current("In", "rated output current", "9.5A");
  private static final Input<Temperature> AIR = Inputs.TA.usually("40 °C");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "motor-current",
              "Full-load current of a motor by the tables",
              "I, indicative; the nameplate beats it",
              given -> {
                var kind = given.get(KIND);
                if (!kind.volts().contains(given.get(TABLE_VOLTS)))
                  return Computed.missing("this table has columns for " + kind.volts() + " V");
                return given.table(
                    "I",
                    Motors.fullLoadCurrent(
                        kind, Math.round(given.of(SIZE) * 1e4) / 1e4, given.of(TABLE_VOLTS)),
                    "rated power and voltage",
                    "this table has rows for " + kind.sizes());
              },
              SIZE,
              TABLE_VOLTS,
              KIND),
          Calculator.of(
              "star-delta",
              "A motor linked in star instead of delta",
              "Istar, line current at √3 times the voltage",
              given -> given.answer("Istar", "I/√3", given.of(DELTA).times(1 / Math.sqrt(3))),
              DELTA),
          Calculator.of(
              "delta-at-higher-voltage",
              "A delta motor on a drive of higher voltage",
              "fbase, frequency up to which it keeps its flux",
              given -> {
                var factor = given.of(DRIVE_VOLTS).volts() / given.of(DELTA_VOLTS).volts();
                given.step(
                    "P", "P · U/Udelta, if it stands the speed", given.of(MOTOR).times(factor));
                return given.answer(
                    "fbase", "f · U/Udelta", new Frequency(given.of(RATED_F).hertz() * factor));
              },
              RATED_F,
              DELTA_VOLTS,
              DRIVE_VOLTS,
              MOTOR),
          Calculator.of(
              "volts-per-hertz",
              "Ratio of voltage to frequency",
              "U/f, flux",
              given ->
                  given.answer(
                      "ratio",
                      "U/f",
                      new Measure(
                          given.of(DRIVE_VOLTS).volts() / given.of(RATED_F).hertz(),
                          Measure.Unit.VOLTS_PER_HERTZ)),
              DRIVE_VOLTS,
              RATED_F),
          Calculator.of(
              "synchronous-speed",
              "Speed of a motor without slip",
              "n",
              given ->
                  given.answer(
                      "n",
                      "120 · f/poles",
                      new Measure(
                          120 * given.of(RATED_F).hertz() / given.of(POLES),
                          Measure.Unit.ROTATION)),
              RATED_F,
              POLES),
          Calculator.of(
              "motor-nine-lead",
              "Motor of nine leads at its lower voltage",
              "Ilow, North American dual voltage: coils in parallel",
              given -> given.answer("Ilow", "2 · Ihigh", given.of(HIGH).times(2)),
              HIGH),
          Calculator.of(
              "drive-single-phase",
              "Three-phase drive on single-phase mains",
              "In, least rating of the drive",
              given ->
                  given.get(SCHOOL) == InputSchool.HALF
                      ? given.answer("In", "2 · I", given.of(MOTOR_CURRENT).times(2))
                      : given.answer("In", "√3 · I", given.of(MOTOR_CURRENT).times(Math.sqrt(3))),
              MOTOR_CURRENT,
              SCHOOL),
          Calculator.of(
              "drive-input",
              "Input current of a drive",
              "I",
              given -> {
                var in =
                    given.step(
                        "Pin",
                        "P/(ηmotor · ηdrive)",
                        new Power(
                            given.of(MOTOR).watts() / (given.of(ETA_MOTOR) * given.of(ETA_DRIVE))));
                var u = given.of(LINE).volts();
                var pf = given.of(TRUE_FACTOR);
                return given.get(PHASES) == 3
                    ? given.answer(
                        "I", "Pin/(√3 · U · pf)", new Current(in.watts() / (Math.sqrt(3) * u * pf)))
                    : given.answer("I", "Pin/(U · pf)", new Current(in.watts() / (u * pf)));
              },
              MOTOR,
              ETA_MOTOR,
              ETA_DRIVE,
              LINE,
              TRUE_FACTOR,
              PHASES),
          Calculator.of(
              "line-choke",
              "Line choke of a drive",
              "L, of each phase",
              given -> {
                var x =
                    given.of(SHARE)
                        / 100
                        * given.of(HP_VOLTS).volts()
                        / (Math.sqrt(3) * given.of(MOTOR_CURRENT).amperes());
                given.step("X", "uk · U/(√3 · I)", new Resistance(x));
                return given.answer(
                    "L",
                    "X/(2π · f)",
                    new Measure(
                        x / (2 * Math.PI * given.of(RATED_F).hertz()), Measure.Unit.INDUCTANCE));
              },
              SHARE,
              HP_VOLTS,
              MOTOR_CURRENT,
              RATED_F),
          Calculator.of(
              "motor-cable",
              "Motor cable at which the voltage doubles",
              "l, critical length",
              given -> {
                given
                    .sheet()
                    .assumed("v", "150 m/µs", "speed of the wave on a cable, common practice");
                return given.answer(
                    "l", "v · tr/2", new Length(150e6 * given.of(RISE).seconds() / 2));
              },
              RISE),
          Calculator.of(
              "drive-derating",
              "A drive in warm or thin air",
              "I, what is left of its rating",
              given -> {
                given
                    .sheet()
                    .table(
                        "k",
                        new Cited<>(
                            "1 % each 100 m above 1000 m, 2 % each K above 40 °C",
                            Citation.practice()),
                        "typical; the data sheet beats it");
                var high = Math.max(0, given.of(HEIGHT).metres() - 1000) / 100 * 0.01;
                var warm = Math.max(0, given.of(AIR).celsius() - 40) * 0.02;
                if (given.get(AIR).celsius() > 50)
                  return Computed.missing("above 50 °C only its data sheet can say");
                return given.answer(
                    "I",
                    "In · (1 − height) · (1 − warmth)",
                    given.of(RATING).times((1 - high) * (1 - warm)));
              },
              RATING,
              AIR,
              HEIGHT),
          Calculator.of(
              "heater",
              "Heater at another voltage",
              "P, power it gives",
              given -> {
                var factor = Math.pow(given.of(FED).volts() / given.of(MADE_FOR).volts(), 2);
                var p = given.of(HEATER).times(factor);
                given.step("I", "P · U/Ur²", new Current(p.watts() / given.get(FED).volts()));
                return given.answer("P", "P · (U/Ur)²", p);
              },
              HEATER,
              MADE_FOR,
              FED),
          Calculator.of(
              "locked-rotor-na",
              "Locked-rotor current by code letter",
              "Ilocked",
              given ->
                  given.answer(
                      "Ilocked",
                      "kVA · hp · 1000/(√3 · U)",
                      new Current(
                          given.of(LETTER)
                              * given.of(HP)
                              * 1000
                              / (Math.sqrt(3) * given.of(HP_VOLTS).volts()))),
              LETTER,
              HP,
              HP_VOLTS),
          Calculator.of(
              "motor-wire-na",
              "Wire of a motor branch, North American",
              "Iz, least ampacity (NEC 430.22)",
              given -> {
                if (!Motors.Kind.THREE_PHASE.volts().contains(given.get(NEC_VOLTS)))
                  return Computed.missing(
                      "the table has columns for " + Motors.Kind.THREE_PHASE.volts() + " V");
                var flc =
                    Motors.fullLoadCurrent(
                        Motors.Kind.THREE_PHASE,
                        Math.round(given.of(HP) * 1e4) / 1e4,
                        given.of(NEC_VOLTS));
                if (flc.isEmpty())
                  return Computed.missing(
                      "the table of three-phase motors has no row for this power");
                var i = given.sheet().table("FLC", flc.get(), "full-load current by the table");
                return given.answer("Iz", "1.25 · FLC", i.times(1.25));
              },
              HP,
              NEC_VOLTS));

  private MotorCalculators() {}
}
