package nelvar.core.compose.pattern;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Heater;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// A heater: on direct current over a relay, on the mains over a contactor, with a thermal cut-out
/// of its own at it, in its lead, as long as one carries it. It stays on at a stop: nothing moves.
final class Heating implements Pattern {
  private static final double USUAL = 100;
  private static final double MUCH = 600;

  @Override
  public String title() {
    return "heater on a contactor";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.HEAT || new Wish(function).by(Means.HEATER);
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var volts = wish.volts().orElseGet(() -> usual(wish, composer));
    for (var n = 1; n <= function.wants().count(); n++)
      if (volts <= Wish.EXTRA_LOW) direct(function, n, volts, composer);
      else onMains(function, n, volts, composer);
  }

  /// Mains to neutral; between lines where that is no more than 250 V and much is asked for, or
  /// where the mains to neutral is none for heaters.
  private static double usual(Wish wish, Composer composer) {
    var mains = composer.sketch().brief().supply().voltage();
    var neutral = mains.toNeutral().volts();
    var between = mains.between().volts();
    var much = wish.watts().orElse(USUAL) > MUCH && between <= 250;
    return neutral <= 250 && !much ? (double) Math.round(neutral) : between;
  }

  private static Heater part(MachineFunction function, double volts, Composer composer) {
    var watts = new Wish(function).watts().orElse(USUAL);
    return composer
        .sketch()
        .cheapest(
            Heater.class,
            h -> h.madeFor().volts() == volts && Math.abs(h.power().watts() / watts - 1) < 0.01)
        .orElseGet(() -> (Heater) composer.sketch().made(Made.heater(volts, watts)));
  }

  private static void direct(
      MachineFunction function, int number, double volts, Composer composer) {
    var wish = new Wish(function);
    var part = part(function, volts, composer);
    var heater =
        composer.sketch().add(part, wish.purpose(number), wish.place(), Optional.of(function.id()));
    var fed =
        composer
            .io()
            .output(
                volts,
                part.power().watts() / volts,
                false,
                Optional.of(function.id()),
                wish.purpose(number));
    var cut = cutOut(function, number, part.power().watts() / volts, volts, false, composer);
    if (cut.isEmpty()) {
      TwoWires.join(heater, "1", "2", fed, composer);
      return;
    }
    var sketch = composer.sketch();
    sketch.join(
        heater,
        false,
        List.of(
            new Sketch.Core(fed.plus(), sketch.at(cut.get(), "11"), Ink.CONTROL),
            new Sketch.Core(fed.zero(), sketch.at(heater, "2"), Ink.CONTROL)));
    sketch.beside(sketch.at(cut.get(), "12"), sketch.at(heater, "1"), Ink.CONTROL);
  }

  /// Empty where no cut-out carries so much: then the coil wants one, and the review says so.
  private static Optional<Device> cutOut(
      MachineFunction function,
      int number,
      double amperes,
      double volts,
      boolean alternating,
      Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var part =
        sketch.cheapest(
            ControlSwitch.class,
            s ->
                s.watches().equals(Optional.of(ControlSwitch.Watched.TEMPERATURE))
                    && s.closedContacts() > 0
                    && s.contacts()
                        .filter(rating -> carries(rating, amperes, volts, alternating))
                        .isPresent());
    part.ifPresent(_ ->
        composer.because(
            "Each heater has a thermal cut-out of its own in its lead, which opens when it gets too hot whatever the program does; its temperature is to be chosen."));
    return part.map(cut ->
        sketch.add(
            cut, wish.purpose(number) + ", too hot", wish.place(), Optional.of(function.id())));
  }

  private static boolean carries(
      ContactRating rating, double amperes, double volts, boolean alternating) {
    return alternating
        ? rating.ac1().amperes() >= amperes
        : rating.direct(new Voltage(volts)).filter(d -> d.dc1().amperes() >= amperes).isPresent();
  }

  private static void onMains(
      MachineFunction function, int number, double volts, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var part = part(function, volts, composer);
    var range = new VoltageRange(new Voltage(volts * 0.9), new Voltage(volts * 1.1));
    if (!composer.mains().feedsTwoWire(range))
      throw new Unmet(
          "a heater of %s V has no such mains here; it would need a transformer"
              .formatted(Math.round(volts)));
    var amperes = part.power().watts() / volts;
    var heater = sketch.add(part, wish.purpose(number), wish.place(), Optional.of(function.id()));
    var contactor =
        composer.io().contactor(2, amperes, Optional.of(function.id()), wish.purpose(number));
    composer
        .mains()
        .feedTwoWire(
            wish.purpose(number),
            sketch.at(contactor, "1"),
            sketch.at(contactor, "3"),
            range,
            amperes,
            false,
            Mains.Protection.USUAL);
    var cut = cutOut(function, number, amperes, volts, true, composer);
    cut.ifPresent(
        device -> sketch.beside(sketch.at(device, "12"), sketch.at(heater, "L"), Ink.LINE));
    sketch.join(
        heater,
        false,
        List.of(
            new Sketch.Core(
                sketch.at(contactor, "2"),
                cut.map(device -> sketch.at(device, "11")).orElseGet(() -> sketch.at(heater, "L")),
                Ink.LINE),
            new Sketch.Core(sketch.at(contactor, "4"), sketch.at(heater, "N"), Ink.NEUTRAL),
            new Sketch.Core(composer.mains().earth(), sketch.at(heater, "PE"), Ink.PROTECTIVE)));
  }
}
