package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.several;

import java.util.List;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.Axis;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.formula.LinearBus;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.formula.Stepping;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What fits beside a motor, a coil, a transformer: links for the mains at hand, sizes of drives
/// and of suppressors. Common practice where no source is named.
final class LinkCalculators {

  /// A supply within this share of a nameplate voltage counts as that voltage (IEC 60038, ± 10 %).
  private static final double TOLERANCE = 0.1;

  private static final Input<Voltage> MAINS =
      Inputs.voltage("U", "voltage between lines of the mains, or of the drive", "400V");
  private static final Input<Voltage> DELTA =
      Inputs.voltage("Udelta", "rated voltage in delta, the lower of the nameplate", "230V");
  private static final Input<Current> DELTA_CURRENT =
      Inputs.current("Idelta", "rated current in delta", "8.5A");
  private static final Input<List<Current>> MOTORS =
      several(Inputs.current("I", "rated currents of the motors", "4.9A"), "4.9A, 1.9A");
  private static final Input<Double> MARGIN =
      number("k", "margin, 1.0 to 1.1", 1, 2, "1.1").usually("1.1");
  private static final Input<Voltage> RMS =
      Inputs.voltage("U", "mains voltage, between lines where three-phase", "400V");
  private static final Input<Measure> LOAD_INERTIA =
      Inputs.measure(
          "J", "moment of inertia of the load", Measure.Unit.INERTIA, 1e-9, 1e5, "0.09 kgm2");
  private static final Input<Double> RATIO =
      number("ratio", "turns of the motor for one of the load", 0.001, 1000, "3");
  private static final Input<Percent> IDLE =
      Inputs.percent("idle", "current at rest, of the current set", 1, 100, "50%").usually("50 %");
  private static final Input<Measure> COIL =
      Inputs.measure("L", "inductance of the coil", Measure.Unit.INDUCTANCE, 1e-6, 1000, "1 H");
  private static final Input<Current> HELD =
      Inputs.current("I0", "current when it is switched off", "208mA");
  private static final Input<Frequency> OFTEN =
      quantity("f", "how often it is switched off", Kind.FREQUENCY, 1e-4, 1e5, "2Hz")
          .usually("1 Hz");
  private static final Input<Voltage> ACROSS =
      Inputs.voltage("U", "rated voltage of the coil", "24V");
  private static final Input<Double> ABOVE =
      number("k", "above the rated voltage, 1.1 to 1.25", 1.05, 2, "1.25").usually("1.25");
  private static final Input<Double> REVERSE =
      number("k", "times the rated voltage, 2 to 3", 1.5, 50, "3").usually("3");
  private static final Input<Voltage> SECONDARY =
      Inputs.voltage("Us", "secondary voltage, r.m.s.", "48V");
  private static final Input<Resistance> WINDING =
      Inputs.resistance("Rw", "resistance of the winding, as seen from the secondary", "0.2 Ω");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "motor-links",
              "Links of a motor at the mains at hand",
              "star or delta, and its current",
              LinkCalculators::links,
              MAINS,
              DELTA,
              DELTA_CURRENT),
          Calculator.of(
              "drive-size",
              "Output current a drive needs",
              "I, least; each of several motors has its own overload relay",
              given ->
                  given.answer(
                      "I",
                      "k · Σ I",
                      MotorFormulas.driveRating(given.of(MOTORS), given.of(MARGIN))),
              MOTORS,
              MARGIN),
          Calculator.of(
              "bus-voltage",
              "Direct voltage behind a rectifier",
              "Udc, at rest",
              given ->
                  given.answer(
                      "Udc", "√2 · U", LinearBus.behindRectifier(given.of(RMS), new Voltage(0))),
              RMS),
          Calculator.of(
              "reflected-inertia",
              "Inertia of a load as a motor feels it",
              "J, at the motor",
              given -> {
                var ratio = given.of(RATIO);
                return given.answer(
                    "Jm", "J/ratio²", Axis.reflectedInertia(given.of(LOAD_INERTIA), ratio));
              },
              LOAD_INERTIA,
              RATIO),
          Calculator.of(
              "stepper-idle",
              "Heat of a stepper at rest",
              "share of the heat at full current",
              given -> given.answer("heat", "idle²", Stepping.heat(given.of(IDLE))),
              IDLE),
          Calculator.of(
              "coil-energy",
              "Power a coil's suppressor takes up",
              "P, mean",
              given -> {
                var held = given.of(HELD);
                var energy =
                    given.step("E", "L · I0²/2", CoilFormulas.energy(given.of(COIL), held));
                return given.answer("P", "E · f", CoilFormulas.mean(energy, given.of(OFTEN)));
              },
              COIL,
              HELD,
              OFTEN),
          Calculator.of(
              "coil-varistor",
              "Varistor across a coil",
              "Ur, least rated voltage",
              given -> given.answer("Ur", "k · U", given.of(ACROSS).times(given.of(ABOVE))),
              ACROSS,
              ABOVE),
          Calculator.of(
              "coil-diode",
              "Diode across a coil",
              "Urrm, least reverse voltage; its current is the coil's",
              given -> given.answer("Urrm", "k · U", given.of(ACROSS).times(given.of(REVERSE))),
              ACROSS,
              REVERSE),
          Calculator.of(
              "winding-inrush",
              "Charging current of a linear supply",
              "Ipk, greatest, through the winding",
              given ->
                  given.answer(
                      "Ipk",
                      "√2 · Us/Rw",
                      LinearBus.inrush(given.of(SECONDARY), given.of(WINDING))),
              SECONDARY,
              WINDING));

  private LinkCalculators() {}

  /// Delta where the mains have the lower voltage, star where they have √3 times it.
  private static Computed<?> links(Given given) {
    var u = given.of(MAINS).volts();
    var low = given.of(DELTA).volts();
    var star = given.step("Ustar", "√3 · Udelta", new Voltage(AlternatingCurrent.SQRT3 * low));
    var delta = given.of(DELTA_CURRENT);
    if (Math.abs(u - low) <= TOLERANCE * low)
      return given.answer("links", "U = Udelta", "delta, " + delta);
    if (Math.abs(u - star.volts()) <= TOLERANCE * star.volts())
      return given.answer(
          "links", "U = Ustar; I = Idelta/√3", "star, " + AlternatingCurrent.starOfDelta(delta));
    return Computed.missing(
        "the motor is made for %s in delta and %s in star: at %s neither fits, only a drive that is set to one of them"
            .formatted(given.get(DELTA), star, given.get(MAINS)));
  }
}
