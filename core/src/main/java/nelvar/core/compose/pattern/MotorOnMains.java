package nelvar.core.compose.pattern;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.MotorProtector;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;
import nelvar.core.units.Current;

/// A three-phase motor straight on the mains: motor protective switch, contactor, motor.
final class MotorOnMains implements Pattern {
  @Override
  public String title() {
    return "motor on a contactor";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return new Wish(function).by(Means.MOTOR)
        && composer.mains().threePhase()
        && Motors.find(function, composer.mains().between(), composer)
            .filter(found -> !composer.sketch().american())
            .isPresent();
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var found = Motors.find(function, composer.mains().between(), composer).orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) one(function, n, found, composer);
  }

  private static void one(
      MachineFunction function, int number, Motors.Linked found, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var serves = Optional.of(function.id());
    InductionMotor part = found.motor();
    var amperes = found.current().amperes();
    var protector =
        sketch
            .cheapest(
                MotorProtector.class,
                p -> p.least().amperes() <= amperes && p.greatest().amperes() >= amperes)
            .orElseThrow(() ->
                new Unmet("no motor protective switch of the catalogue is set to its current"));
    var motor =
        sketch.add(part, wish.purpose(number), wish.place(), serves).withLinkage(found.linkage());
    sketch.change(motor);
    var device =
        sketch
            .add(protector, wish.purpose(number), Place.PANEL, serves)
            .withTrip(Optional.of(new Current(amperes)));
    sketch.change(device);
    var contactor = composer.io().contactor(3, amperes, serves, wish.purpose(number));
    composer
        .mains()
        .feedThree(
            wish.purpose(number),
            composer.mains().ends(device, "1", "3", "5"),
            amperes,
            true,
            Mains.Protection.OWN);
    for (var pole : List.of(1, 3, 5))
      sketch.wire(
          sketch.at(device, String.valueOf(pole + 1)),
          sketch.at(contactor, String.valueOf(pole)),
          Ink.LINE);
    MotorCable.join(
        composer.mains().ends(contactor, "2", "4", "6"),
        composer.mains().earth(),
        motor,
        false,
        composer);
  }
}
