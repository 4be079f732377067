package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.AmericanCircuits;
import nelvar.core.formula.Derating;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.standards.Motors;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Motors and drives as loads: tables, re-linking, drive sizes, inputs, heaters.
final class MotorCalculators {

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
  private static final Input<MotorFormulas.InputSchool> SCHOOL =
      word(
              "school",
              "half: the drive's rating halved, for its capacitors and diodes; sqrt3: equal power at equal power factor; a maker's own figure beats both",
              MotorFormulas.InputSchool.class,
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
              given ->
                  given.answer("Istar", "I/√3", AlternatingCurrent.starOfDelta(given.of(DELTA))),
              DELTA),
          Calculator.of(
              "delta-at-higher-voltage",
              "A delta motor on a drive of higher voltage",
              "fbase, frequency up to which it keeps its flux",
              given -> {
                var drive = given.of(DRIVE_VOLTS);
                var delta = given.of(DELTA_VOLTS);
                given.step(
                    "P",
                    "P · U/Udelta, if it stands the speed",
                    MotorFormulas.atBaseFrequency(given.of(MOTOR), delta, drive));
                return given.answer(
                    "fbase",
                    "f · U/Udelta",
                    MotorFormulas.baseFrequency(given.of(RATED_F), delta, drive));
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
                      MotorFormulas.voltsPerHertz(given.of(DRIVE_VOLTS), given.of(RATED_F))),
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
                      MotorFormulas.speed(given.of(RATED_F), given.of(POLES), 0, 1)),
              RATED_F,
              POLES),
          Calculator.of(
              "motor-nine-lead",
              "Motor of nine leads at its lower voltage",
              "Ilow, North American dual voltage: coils in parallel",
              given ->
                  given.answer("Ilow", "2 · Ihigh", MotorFormulas.atLowerVoltage(given.of(HIGH))),
              HIGH),
          Calculator.of(
              "drive-single-phase",
              "Three-phase drive on single-phase mains",
              "In, least rating of the drive",
              given ->
                  given.answer(
                      "In",
                      given.get(SCHOOL) == MotorFormulas.InputSchool.HALF ? "2 · I" : "√3 · I",
                      given.get(SCHOOL).needed(given.of(MOTOR_CURRENT))),
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
                        MotorFormulas.taken(
                            given.of(MOTOR), given.of(ETA_MOTOR), given.of(ETA_DRIVE)));
                return given.answer(
                    "I",
                    given.get(PHASES) == 3 ? "Pin/(√3 · U · pf)" : "Pin/(U · pf)",
                    AlternatingCurrent.ofPower(
                        in, given.of(LINE), given.get(PHASES), given.of(TRUE_FACTOR), 1));
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
                    given.step(
                        "X",
                        "uk · U/(√3 · I)",
                        AlternatingCurrent.chokeReactance(
                            new Percent(given.of(SHARE)),
                            given.of(HP_VOLTS),
                            given.of(MOTOR_CURRENT)));
                return given.answer(
                    "L", "X/(2π · f)", AlternatingCurrent.inductance(x, given.of(RATED_F)));
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
                return given.answer("l", "v · tr/2", MotorFormulas.criticalCable(given.of(RISE)));
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
                if (given.of(AIR).compareTo(MotorFormulas.WARMEST) > 0)
                  return Computed.missing("above 50 °C only its data sheet can say");
                return given.answer(
                    "I",
                    "In · (1 − height) · (1 − warmth)",
                    Derating.DRIVE.of(given.of(RATING), given.get(AIR), given.of(HEIGHT)));
              },
              RATING,
              AIR,
              HEIGHT),
          Calculator.of(
              "heater",
              "Heater at another voltage",
              "P, power it gives",
              given -> {
                var fed = given.of(FED);
                var p = MotorFormulas.heater(given.of(HEATER), given.of(MADE_FOR), fed);
                given.step("I", "P · U/Ur²", AlternatingCurrent.ofPower(p, fed, 1, 1, 1));
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
                      MotorFormulas.lockedRotor(
                          given.of(LETTER), given.of(HP), given.of(HP_VOLTS))),
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
                return given.answer("Iz", "1.25 · FLC", AmericanCircuits.motorWire(i));
              },
              HP,
              NEC_VOLTS));

  private MotorCalculators() {}
}
