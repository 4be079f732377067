package nelvar.core.calc;

import static nelvar.core.calc.Input.quantity;

import java.util.List;
import nelvar.core.formula.Stopping;
import nelvar.core.trail.Computed;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Voltage;

/// What still moves after a stop, and how far away a hand has to be.
final class StopCalculators {
  private static final Input<Voltage> CHARGED =
      Inputs.voltage("U1", "voltage of the bus when its feed opens", "566V");
  private static final Input<Voltage> GIVES_UP =
      Inputs.voltage("U2", "voltage at which the drive gives up", "360V");
  private static final Input<Measure> MASS =
      Inputs.measure("m", "mass that hangs", Measure.Unit.MASS, 1e-3, 1e6, "14 kg");
  private static final Input<Measure> TURNING =
      Inputs.measure(
              "J",
              "moment of inertia of screw and motor, 0 where it hangs by a rope or belt alone",
              Measure.Unit.INERTIA,
              0,
              1e3,
              "0.00006 kgm2")
          .usually("0 kgm2");
  private static final Input<Length> LEAD =
      quantity("lead", "travel a turn", Kind.LENGTH, 1e-4, 10, "10mm").usually("10 mm");
  private static final Input<Measure> FEED =
      Inputs.measure(
          "feed", "speed downwards at the stop", Measure.Unit.FEED, 0, 1e7, "6000 mm/min");
  private static final Input<Duration> DRIVEN =
      quantity("t1", "time until its torque ends", Kind.DURATION, 0, 60, "0.05s").usually("0 s");
  private static final Input<Duration> FREE =
      quantity(
          "t2",
          "from there until the brake bites: 0.06 to 0.15 s with a diode on its coil",
          Kind.DURATION,
          0,
          60,
          "0.1s");
  private static final Input<Measure> BRAKED =
      Inputs.measure(
          "T",
          "torque that brakes it, friction alone where nothing else does",
          Measure.Unit.TORQUE,
          1e-6,
          1e5,
          "5 Nm");
  private static final Input<Duration> STOPS =
      quantity(
          "T",
          "time from the hand to standstill: sensing, relays, drive, brake, run-out",
          Kind.DURATION,
          0.001,
          60,
          "0.25s");
  private static final Input<Length> RESOLUTION =
      quantity("d", "finest thing it sees", Kind.LENGTH, 0.001, 0.2, "14mm").usually("14 mm");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "bus-carries",
              "How long a drive goes on by its capacitors",
              "t, torque after its feed has opened",
              given ->
                  given.of(GIVES_UP).compareTo(given.of(CHARGED)) >= 0
                      ? Computed.missing("it gives up above the voltage it begins with")
                      : given.answer(
                          "t",
                          "C · (U1² − U2²)/(2 · P)",
                          Stopping.carries(
                              given.of(Inputs.C),
                              given.of(CHARGED),
                              given.of(GIVES_UP),
                              given.of(Inputs.P))),
              Inputs.C,
              CHARGED,
              GIVES_UP,
              Inputs.P),
          Calculator.of(
              "falls",
              "How far an axis falls before its brake bites",
              "s, without friction",
              given -> {
                var pulls =
                    given.step(
                        "g",
                        "9.81 m/s²/(1 + J · (2π/lead)²/m)",
                        Stopping.gravity(given.of(MASS), given.of(TURNING), given.of(LEAD)));
                return given.answer(
                    "s",
                    "v · (t1 + t2) + g · t2²/2",
                    Stopping.falls(given.of(FEED), given.of(DRIVEN), given.of(FREE), pulls));
              },
              MASS,
              TURNING,
              LEAD,
              FEED,
              DRIVEN,
              FREE),
          Calculator.of(
              "coasts",
              "How long something coasts",
              "t, to standstill",
              given -> {
                var t =
                    Stopping.coasts(
                        given.of(Inputs.INERTIA), given.of(Inputs.SPEED), given.of(BRAKED));
                given.step("turns", "n/60 · t/2", Stopping.turns(given.of(Inputs.SPEED), t));
                return given.answer("t", "2π · n/60 · J/T", t);
              },
              Inputs.INERTIA,
              Inputs.SPEED,
              BRAKED),
          Calculator.of(
              "hand-distance",
              "How far away a hand has to be kept",
              "S, from a light curtain (ISO 13855:2010, 6.2, from memory)",
              given -> {
                given.step(
                    "C",
                    "8 · (d − 14 mm), 850 mm above 40 mm",
                    Stopping.reachesThrough(given.of(RESOLUTION)));
                return given.answer(
                    "S",
                    "2000 mm/s · T + C up to 500 mm, else 1600 mm/s · T + C",
                    Stopping.distance(given.of(STOPS), given.of(RESOLUTION)));
              },
              STOPS,
              RESOLUTION));

  private StopCalculators() {}
}
