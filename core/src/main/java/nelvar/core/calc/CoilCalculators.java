package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;

import java.util.List;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.formula.Discharge;
import nelvar.core.formula.InputCircuit;
import nelvar.core.standards.CopperResistance;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Coils: whether they pull in and let go, how fast, and what tames them; and the inputs signals
/// end at.
final class CoilCalculators {
  private static final Input<Voltage> SOURCE =
      Inputs.voltage("Us", "voltage at the source, at its least", "22.8V");
  private static final Input<Current> COIL = Inputs.current("I", "coil current", "208mA");
  private static final Input<Voltage> RATED =
      Inputs.voltage("Un", "rated voltage of the coil", "24V");
  private static final Input<Double> PULL_IN =
      number(
              "k",
              "least share of Un that surely pulls in: 0.85 contactors, 0.8 relays of class 1",
              0.3,
              1,
              "0.85")
          .usually("0.85");
  private static final Input<Current> LEAK =
      Inputs.current("Ileak", "current that flows when off", "1.5mA");
  private static final Input<Resistance> COIL_OHMS =
      Inputs.resistance("R", "resistance of the coil", "2.4 kΩ");
  private static final Input<Double> RELEASE =
      number(
              "k",
              "share of Un below which it surely lets go: DC 0.05 relay, 0.10 contactor; AC 0.15, 0.20",
              0.01,
              1,
              "0.05")
          .usually("0.05");
  private static final Input<Power> COIL_POWER = Inputs.power("P", "coil power", "5W");
  private static final Input<Temperature> HOT =
      quantity("T", "temperature of the coil", Kind.TEMPERATURE, -40, 200, "80C");
  private static final Input<Measure> INDUCTANCE =
      Inputs.measure("L", "inductance", Measure.Unit.INDUCTANCE, 1e-6, 1e3, "1 H");
  private static final Input<Current> FULL =
      Inputs.current("I0", "current when it is switched off", "208mA");
  private static final Input<Current> HOLD =
      Inputs.current("Ih", "current at which it lets go", "50mA");
  private static final Input<Voltage> ZENER =
      quantity(
              "Uz",
              "clamping voltage beside the diode, 0 for a diode alone",
              Kind.VOLTAGE,
              0,
              2000,
              "36V")
          .usually("0 V");
  private static final Input<Voltage> PEAK =
      Inputs.voltage("U", "peak voltage of the source", "170V");
  private static final Input<Current> BROKEN = Inputs.current("I", "current broken", "1A");
  private static final Input<Double> APPARENT =
      number("P", "holding power in VA", 0.01, 10000, "8");
  private static final Input<Measure> PER_LENGTH =
      Inputs.measure(
              "Cl",
              "capacitance of the cable: about 300 pF/m two cores, 600 three",
              Measure.Unit.CAPACITANCE_PER_LENGTH,
              1,
              1e5,
              "300 pF/m")
          .usually("300 pF/m");
  private static final Input<Resistance> PULL_UP =
      Inputs.resistance("Rpu", "pull-up resistor", "2.2 kΩ");
  private static final Input<Resistance> ENTRY =
      Inputs.resistance("Rin", "resistance of the input", "3.3 kΩ");
  private static final Input<Integer> TYPE =
      oneOf("type", "type of the input (IEC 61131-2)", List.of(1, 2, 3), String::valueOf, "1")
          .usually("1");
  private static final Input<Voltage> LOGIC = Inputs.voltage("U", "supply voltage", "24V");
  private static final Input<Voltage> FORWARD =
      quantity("Uf", "voltages across the optocoupler and the output", Kind.VOLTAGE, 0, 30, "2.2V")
          .usually("2.2 V");
  private static final Input<Current> LED = Inputs.current("I", "current wanted", "10mA");
  private static final Input<Resistance> INNER =
      quantity("Ri", "resistor inside the input", Kind.RESISTANCE, 0, 1e6, "270 Ω").usually("0 Ω");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "coil-voltage",
              "Voltage at a coil",
              "Uc",
              CoilCalculators::voltage,
              SOURCE,
              COIL,
              Inputs.LENGTH,
              Inputs.S,
              Inputs.T,
              RATED,
              PULL_IN),
          Calculator.of(
              "coil-length",
              "Greatest length to a coil",
              "l, one way",
              given -> {
                var r = CopperResistance.at20(given.of(Inputs.S));
                if (r.isEmpty())
                  return Computed.missing("the resistance table has no row for this section");
                var cold = given.sheet().table("r20", r.get(), "20 °C");
                var per =
                    given.step(
                        "r",
                        "r20 · (234.5 + T)/254.5",
                        cold.times(CopperResistance.warmed(given.of(Inputs.T))));
                var least = given.step("Umin", "k · Un", given.of(RATED).times(given.of(PULL_IN)));
                return CoilFormulas.greatestLength(given.of(SOURCE), least, per, given.of(COIL))
                    .<Computed<?>>map(
                        length -> given.answer("l", "(Us − Umin)/(2 · r · I)", length))
                    .orElseGet(() ->
                        Computed.missing("the source is below the coil's least voltage already"));
              },
              SOURCE,
              COIL,
              Inputs.S,
              Inputs.T,
              RATED,
              PULL_IN),
          Calculator.of(
              "coil-leakage",
              "Leakage that keeps a coil in",
              "U, at the coil when off",
              given -> {
                var u = given.step("U", "Ileak · R", given.of(LEAK).across(given.of(COIL_OHMS)));
                var limit = given.step("Uoff", "k · Un", given.of(RATED).times(given.of(RELEASE)));
                given.step("lets go", "U ≤ Uoff", u.compareTo(limit) <= 0 ? "yes" : "not surely");
                if (u.compareTo(limit) > 0)
                  CoilFormulas.bleeder(given.get(LEAK), given.get(COIL_OHMS), limit)
                      .ifPresent(
                          r -> given.step("bleeder", "Uoff/(Ileak − Uoff/R), across the coil", r));
                return given.answer("U", "Ileak · R", u);
              },
              LEAK,
              COIL_OHMS,
              RATED,
              RELEASE),
          Calculator.of(
              "coil-hot",
              "Current of a warm coil",
              "I",
              given -> {
                var cold =
                    given.step(
                        "R20",
                        "Un²/P",
                        CoilFormulas.ofRating(given.of(RATED), given.of(COIL_POWER)));
                var hot =
                    given.step(
                        "R",
                        "R20 · (234.5 + T)/254.5",
                        new Resistance(cold.ohms() * CopperResistance.warmed(given.of(HOT))));
                return given.answer("I", "Un/R", given.get(RATED).over(hot));
              },
              RATED,
              COIL_POWER,
              HOT),
          Calculator.of(
              "release-time",
              "Release time of a coil with a diode",
              "t",
              given ->
                  CoilFormulas.releaseTime(
                          given.of(INDUCTANCE),
                          given.of(Inputs.R),
                          given.of(FULL),
                          given.of(HOLD),
                          given.of(ZENER))
                      .<Computed<?>>map(
                          t -> given.answer("t", "L/R · ln((I0 + Uz/R)/(Ih + Uz/R))", t))
                      .orElseGet(() ->
                          Computed.missing("it lets go at a current above the one that flows")),
              INDUCTANCE,
              Inputs.R.as("R", "resistance of the coil"),
              FULL,
              HOLD,
              ZENER),
          Calculator.of(
              "snubber-leakage",
              "Current through a snubber",
              "I",
              given ->
                  given.answer(
                      "I",
                      "2π · f · C · U",
                      AlternatingCurrent.through(
                          given.of(Inputs.C), given.of(Inputs.U), given.of(Inputs.FREQUENCY))),
              Inputs.C,
              Inputs.U,
              Inputs.FREQUENCY),
          Calculator.of(
              "snubber",
              "Snubber across a contact",
              "C, against arcing",
              given -> {
                var i = given.of(BROKEN);
                given.step(
                    "R", "U/(10 · I^(1 + 50/U))", CoilFormulas.snubberResistor(given.of(PEAK), i));
                given.step(
                    "damping",
                    "0.5 to 1 µF for each A, the other school: damps the coil, leaks more",
                    CoilFormulas.damping(i));
                return given.answer("C", "I²/10 in µF", CoilFormulas.snubber(i));
              },
              BROKEN,
              PEAK),
          Calculator.of(
              "hold-in",
              "Cable that keeps an AC coil in",
              "l, greatest",
              given -> {
                var c =
                    given.step(
                        "C",
                        "500 · P/U² in µF, × 50 Hz/f",
                        CoilFormulas.holdsIn(
                            given.of(APPARENT), given.of(Inputs.U), given.of(Inputs.FREQUENCY)));
                return given.answer("l", "C/Cl", CoilFormulas.cable(c, given.of(PER_LENGTH)));
              },
              APPARENT,
              Inputs.U,
              Inputs.FREQUENCY,
              PER_LENGTH),
          Calculator.of(
              "input-pull-up",
              "Sinking output on a sinking input with a pull-up",
              "U, at the input when high",
              given -> {
                var u =
                    given.step(
                        "U",
                        "U · Rin/(Rin + Rpu)",
                        InputCircuit.pulledUp(given.of(LOGIC), given.of(ENTRY), given.of(PULL_UP)));
                var on = given.get(TYPE) == 1 ? 15 : 11;
                given.step(
                    "on",
                    "U ≥ %d V, type %d; the logic is inverted".formatted(on, given.get(TYPE)),
                    u.volts() >= on ? "yes" : "no");
                return given.answer("U", "U · Rin/(Rin + Rpu)", u);
              },
              LOGIC,
              PULL_UP,
              ENTRY,
              TYPE),
          Calculator.of(
              "input-leakage",
              "Leakage into an input",
              "U, at the input when off",
              given -> {
                var u = given.step("U", "Ileak · Rin", given.of(LEAK).across(given.of(ENTRY)));
                given.step(
                    "off",
                    "U ≤ 5 V (IEC 61131-2)",
                    u.volts() > 5 ? "not surely" : u.volts() > 4 ? "yes, with no margin" : "yes");
                return given.answer("U", "Ileak · Rin", u);
              },
              LEAK,
              ENTRY),
          Calculator.of(
              "input-resistor",
              "Resistor before an optocoupler",
              "R, to add",
              given ->
                  InputCircuit.series(
                          given.of(LOGIC), given.of(FORWARD), given.of(LED), given.of(INNER))
                      .<Computed<?>>map(r -> {
                        given.step("P", "I² · R", Discharge.power(given.get(LED).across(r), r));
                        return given.answer("R", "(U − Uf)/I − Ri", r);
                      })
                      .orElseGet(() -> Computed.missing("the resistor inside is enough already")),
              LOGIC,
              LED,
              FORWARD,
              INNER));

  private CoilCalculators() {}

  private static Computed<?> voltage(Given given) {
    var r = CopperResistance.at20(given.of(Inputs.S));
    if (r.isEmpty()) return Computed.missing("the resistance table has no row for this section");
    var per = given.sheet().table("r20", r.get(), "20 °C");
    var ohms =
        given.step(
            "R",
            "2 · l · r20 · (234.5 + T)/254.5",
            CoilFormulas.loop(
                given.of(Inputs.LENGTH), per.times(CopperResistance.warmed(given.of(Inputs.T)))));
    var u = given.of(SOURCE).less(given.of(COIL).across(ohms));
    var least = given.of(RATED).times(given.of(PULL_IN));
    given.step(
        "pulls in",
        "Us − I · R ≥ k · Un",
        u.compareTo(least) >= 0 ? "yes, it needs " + least : "not surely, it needs " + least);
    return given.answer("Uc", "Us − I · R", u);
  }
}
