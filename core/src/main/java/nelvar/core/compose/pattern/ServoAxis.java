package nelvar.core.compose.pattern;

import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;
import nelvar.core.units.Significant;

/// A servo motor on its drive, on a bus of 48 V.
final class ServoAxis implements Pattern {
  private static final double BUS = 48;
  private static final double USUAL = 200;

  @Override
  public String title() {
    return "servo on the bus";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.SERVO) || (function.kind() == FunctionKind.MOVE && wish.unsaid());
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var watts = wish.watts().orElse(USUAL);
    var motor =
        sketch
            .cheapest(ServoMotor.class, m -> m.power().watts() >= watts)
            .orElseThrow(() ->
                new Unmet(
                    "no servo motor of the catalogue has %s W"
                        .formatted(Significant.digits(watts))));
    Predicate<ServoDrive> carries = d -> d.rating().compareTo(motor.current()) >= 0;
    // Where the stop acts on torque inputs, one that has it comes first.
    var drive =
        sketch
            .cheapest(ServoDrive.class, d -> carries.test(d) && composer.stop().byTorqueInput(d))
            .or(() -> sketch.cheapest(ServoDrive.class, carries))
            .orElseThrow(() -> new Unmet("no servo drive of the catalogue gives its current"));
    for (var n = 1; n <= function.wants().count(); n++) one(function, n, motor, drive, composer);
  }

  private static void one(
      MachineFunction function,
      int number,
      ServoMotor motorPart,
      ServoDrive drivePart,
      Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var serves = Optional.of(function.id());
    var drive = sketch.add(drivePart, wish.purpose(number) + ", drive", Place.PANEL, serves);
    var motor = sketch.add(motorPart, wish.purpose(number), wish.place(), serves);
    var taken =
        motorPart.power().watts()
            / (motorPart.efficiency().fraction() * drivePart.efficiency().fraction());
    var cut = !composer.stop().byTorqueInput(drivePart);
    if (!cut) composer.stop().torque(drive);
    var fed = composer.rails().feed(BUS, taken / BUS, cut, "axes", true);
    sketch.wire(fed.plus(), sketch.at(drive, "+"), Ink.BUS_PLUS);
    sketch.wire(sketch.at(drive, "-"), fed.zero(), Ink.BUS_ZERO);
    composer.mains().earth(sketch.at(drive, "PE"));
    MotorCable.fromDrive(drive, motor, composer);
    Pulses.wire(drive, composer);
  }
}
