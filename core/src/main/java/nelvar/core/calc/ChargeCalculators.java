package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;

import java.util.List;
import nelvar.core.formula.Discharge;
import nelvar.core.formula.LinearBus;
import nelvar.core.formula.MovingEnergy;
import nelvar.core.network.solve.CapacitorInput;
import nelvar.core.trail.Computed;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Stored charge, and linear supplies made of a transformer, a bridge and capacitors.
final class ChargeCalculators {
  private static final Input<Voltage> START = Inputs.voltage("U0", "voltage at first", "325V");
  private static final Input<Voltage> END =
      Inputs.voltage("Ue", "voltage it must fall to", "60V").usually("60 V");
  private static final Input<Duration> IN_TIME = Inputs.TIME.usually("5 s");
  private static final Input<Voltage> SECONDARY =
      Inputs.voltage("Us", "secondary voltage, r.m.s., at rated load", "48V");
  private static final Input<Percent> REGULATION =
      Inputs.percent("reg", "rise without load", 0, 60, "5%").usually("5 %");
  private static final Input<Percent> HIGH =
      Inputs.percent("line", "mains above nominal", 0, 30, "10%").usually("10 %");
  private static final Input<Voltage> DIODES =
      quantity(
              "Uf",
              "drop of the diodes in the way, 1.4 V without load, 2 V loaded",
              Kind.VOLTAGE,
              0,
              10,
              "1.4V")
          .usually("1.4 V");
  private static final Input<Voltage> OPEN =
      Inputs.voltage("U0", "secondary voltage without load, r.m.s.", "50V");
  private static final Input<Resistance> WINDING =
      Inputs.resistance("R", "resistance of the winding, the primary's share with it", "0.2 Ω");
  private static final Input<Voltage> LOADED_DIODES =
      quantity("Uf", "drop of the diodes in the way", Kind.VOLTAGE, 0, 10, "2V").usually("2 V");
  private static final Input<Current> LOAD = Inputs.current("I", "direct current taken", "10A");
  private static final Input<Voltage> PEAK = Inputs.voltage("Upk", "peak voltage", "65.9V");
  private static final Input<Capacitance> BANK =
      quantity("C", "capacitors together", Kind.CAPACITANCE, 1e-9, 100, "22mF");
  private static final Input<Energy> RETURNED =
      quantity("E", "energy that comes back", Kind.ENERGY, 1e-6, 1e8, "493 J");
  private static final Input<Percent> SHARE =
      Inputs.percent("eta", "share of it that reaches the bus", 1, 100, "100%").usually("100 %");
  private static final Input<Double> RMS_FACTOR =
      number("k", "r.m.s. of the secondary against the direct current, 1.6 to 1.8", 1, 3, "1.8")
          .usually("1.8");

  private static final Input<Voltage> BUS = Inputs.voltage("U1", "bus voltage before", "325V");
  private static final Input<Voltage> TRIP =
      Inputs.voltage("Utrip", "voltage at which the drive trips", "400V");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "bleed-resistor",
              "Bleed resistor",
              "R, greatest",
              given -> {
                var u0 = given.of(START);
                if (given.of(END).compareTo(u0) >= 0)
                  return Computed.missing("the voltage at first is no higher than the end");
                var r = Discharge.within(given.of(IN_TIME), given.of(Inputs.C), u0, given.of(END));
                given.step("P", "U0²/R", Discharge.power(u0, r));
                return given.answer("R", "t/(C · ln(U0/Ue))", r);
              },
              Inputs.C,
              START,
              END,
              IN_TIME),
          Calculator.of(
              "discharge-time",
              "Time a capacitor stays charged",
              "t, until Ue",
              given -> {
                if (given.of(END).compareTo(given.of(START)) >= 0)
                  return Computed.missing("the voltage at first is no higher than the end");
                var t =
                    Discharge.time(
                        given.of(Inputs.C), given.of(Inputs.R), given.of(START), given.of(END));
                given.step(
                    "worst",
                    "1.26 · t, with C + 20 % and R + 5 %",
                    new Duration(1.26 * t.seconds()));
                return given.answer("t", "R · C · ln(U0/Ue)", t);
              },
              Inputs.C,
              Inputs.R,
              START,
              END),
          Calculator.of(
              "charge",
              "Charge and energy of a capacitor",
              "Q; up to 60 µC needs no discharge (IEC 60204-1, 6.2.4)",
              given -> {
                var c = given.of(Inputs.C);
                var u = given.of(Inputs.U);
                given.step("E", "C · U²/2", Discharge.energy(c, u));
                return given.answer("Q", "C · U", Discharge.charge(c, u));
              },
              Inputs.C,
              Inputs.U),
          Calculator.of(
              "linear-peak",
              "Highest voltage of a linear supply",
              "Upk, without load at high mains",
              given ->
                  given.answer(
                      "Upk",
                      "√2 · Us · (1 + reg) · (1 + line) − Uf",
                      LinearBus.peak(
                          given.of(SECONDARY),
                          given.of(REGULATION),
                          given.of(HIGH),
                          given.of(DIODES))),
              SECONDARY,
              REGULATION,
              HIGH,
              DIODES),
          Calculator.of(
              "ripple",
              "Ripple of a linear supply",
              "ΔU, peak to peak, the upper bound",
              given ->
                  given.answer(
                      "ΔU",
                      "I/(2 · f · C)",
                      LinearBus.ripple(given.of(LOAD), given.of(BANK), given.of(Inputs.FREQUENCY))),
              LOAD,
              BANK,
              Inputs.FREQUENCY),
          Calculator.of(
              "ripple-refined",
              "Ripple of a linear supply, refined",
              "ΔU, peak to peak, the charging time counted",
              ChargeCalculators::refined,
              LOAD,
              BANK,
              PEAK,
              Inputs.FREQUENCY),
          Calculator.of(
              "linear-supply",
              "A linear supply under load",
              "U, mean of the bus, with its ripple and the current of the winding",
              ChargeCalculators::linear,
              OPEN,
              WINDING,
              LOAD,
              BANK,
              LOADED_DIODES,
              Inputs.FREQUENCY),
          Calculator.of(
              "smoothing-capacitor",
              "Capacitors of a linear supply",
              "C, by the rule of 80 000 µF·V/A (common practice)",
              given -> {
                given.step("rating", "1.25 · Upk, voltage rating", given.of(PEAK).times(1.25));
                return given.answer(
                    "C", "0.08 · I/Upk", LinearBus.smoothing(given.of(LOAD), given.get(PEAK)));
              },
              LOAD,
              PEAK),
          Calculator.of(
              "linear-transformer",
              "Transformer and bridge of a linear supply",
              "S, apparent power",
              given -> {
                var i = given.step("Isec", "k · I", given.of(LOAD).times(given.of(RMS_FACTOR)));
                given.step("Ibridge", "1.5 · I, rating of the bridge", given.get(LOAD).times(1.5));
                given.step(
                    "PIV",
                    "2 · √2 · Us, blocking voltage of each diode",
                    LinearBus.blocked(given.get(SECONDARY)));
                return given.answer("S", "Us · Isec", LinearBus.apparent(given.of(SECONDARY), i));
              },
              SECONDARY,
              LOAD,
              RMS_FACTOR),
          Calculator.of(
              "bus-rise",
              "Rise of a bus by returned energy",
              "U2, voltage afterwards",
              given ->
                  given.answer(
                      "U2",
                      "√(U1² + 2 · eta · E/C)",
                      MovingEnergy.busAfter(
                          given.of(BUS),
                          new Energy(given.of(RETURNED).joules() * given.of(SHARE).fraction()),
                          given.of(BANK))),
              RETURNED,
              BANK,
              BUS,
              SHARE),
          Calculator.of(
              "bus-bank",
              "Capacitors that take up returned energy",
              "C, least",
              given ->
                  MovingEnergy.bank(
                          new Energy(given.of(RETURNED).joules() * given.of(SHARE).fraction()),
                          given.of(BUS),
                          given.of(TRIP))
                      .<Computed<?>>map(c -> given.answer("C", "2 · eta · E/(Utrip² − U1²)", c))
                      .orElseGet(
                          () -> Computed.missing("the trip voltage is not above the bus voltage")),
              RETURNED,
              BUS,
              TRIP,
              SHARE));

  private ChargeCalculators() {}

  /// By the same computation as the engine.
  private static Computed<?> linear(Given given) {
    var bus =
        CapacitorInput.of(
            given.of(OPEN).volts(),
            given.of(WINDING).ohms(),
            given.of(LOADED_DIODES).volts(),
            given.of(BANK).farads(),
            given.of(Inputs.FREQUENCY).hertz(),
            given.of(LOAD).amperes());
    if (bus.mean() <= 0)
      return Computed.missing("this winding does not hold a bus at that load: take less of it");
    given.step("ΔU", "peak to peak, charging through R", new Voltage(bus.ripple()));
    given.step("Ir.m.s.", "in the winding", new Current(bus.rms()));
    return given.answer(
        "U", "mean, C · dv/dt = (e − Uf − v)/R − I while charging", new Voltage(bus.mean()));
  }

  /// `ΔU = I/C · (1/(2f) − arccos(1 − ΔU/Upk)/(2π·f))`, by iteration.
  private static Computed<?> refined(Given given) {
    var load = given.of(LOAD);
    var bank = given.of(BANK);
    var mains = given.of(Inputs.FREQUENCY);
    var peak = given.of(PEAK);
    return LinearBus.rippleBetweenPeaks(load, bank, peak, mains)
        .<Computed<?>>map(ripple -> {
          given.step("bound", "I/(2 · f · C)", LinearBus.ripple(load, bank, mains));
          given.step("Umean", "Upk − ΔU/2", peak.less(ripple.times(0.5)));
          return given.answer("ΔU", "I/C · (1/(2 · f) − arccos(1 − ΔU/Upk)/(2π · f))", ripple);
        })
        .orElseGet(() ->
            Computed.missing("the capacitors run empty between two peaks: take more of them"));
  }
}
