package nelvar.core.compose.pattern;

import java.util.Comparator;
import java.util.Optional;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.formula.Derating;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// A three-phase motor on a drive: run by a relay's dry contact, speed by an analogue output.
final class MotorOnDrive implements Pattern {
  @Override
  public String title() {
    return "motor on a drive";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.DRIVE)
        || wish.by(Means.MOTOR)
        || function.kind() == FunctionKind.TURN
        || function.kind() == FunctionKind.PUMP;
  }

  /// What the drive gives on this mains: no more than it gets.
  private static Voltage volts(FrequencyConverter drive, Composer composer) {
    var mains =
        drive.phases() == 3
            ? composer.mains().between()
            : composer.mains().twoWire(drive.input()).orElseThrow();
    return mains.volts() < 0.95 * drive.output().volts() ? mains : drive.output();
  }

  /// What is left of its rating in the cabinet's air, A.
  private static double left(FrequencyConverter drive, Composer composer) {
    var around = composer.sketch().brief().surroundings();
    return Derating.DRIVE.of(drive.rating(), around.inside(), around.altitude()).amperes();
  }

  /// Semiconductor fuses are not listed for branches in the North American school.
  private static boolean allowed(FrequencyConverter drive, Composer composer) {
    return !composer.sketch().american()
        || drive.inputDevice().flatMap(FrequencyConverter.InputDevice::fuse).isEmpty();
  }

  private static boolean reaches(FrequencyConverter drive, InductionMotor motor) {
    return motor
        .frequency()
        .filter(f -> drive.greatestFrequency().filter(most -> most.compareTo(f) >= 0).isEmpty())
        .isEmpty();
  }

  /// Where no drive of any size takes these mains, three phases of them would not help either.
  private static String beyond(Composer composer) {
    if (composer.mains().threePhase()) return "";
    return composer
            .sketch()
            .catalogue()
            .of(FrequencyConverter.class)
            .anyMatch(drive -> composer.mains().feeds(drive.phases(), drive.input()))
        ? ": so much needs three phases"
        : ": none takes it; mains of 208 V and more do, or an own part with its data";
  }

  private record Pair(FrequencyConverter drive, Motors.Linked motor) {}

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var pair =
        composer
            .sketch()
            .catalogue()
            .of(FrequencyConverter.class)
            .filter(drive -> composer.mains().feeds(drive.phases(), drive.input()))
            .filter(drive ->
                wish.volts().isEmpty()
                    || wish.volts().get() <= Wish.EXTRA_LOW
                    || Math.abs(drive.output().volts() / wish.volts().get() - 1) < 0.06)
            .flatMap(drive ->
                Motors.find(function, volts(drive, composer), composer)
                    .filter(motor ->
                        left(drive, composer) >= motor.current().amperes()
                            && allowed(drive, composer)
                            && drive.motorPower().compareTo(motor.motor().power()) >= 0
                            && reaches(drive, motor.motor()))
                    .map(motor -> new Pair(drive, motor))
                    .stream())
            .min(
                // Three phases share the current evenly; then the least motor, then the price.
                Comparator.comparing(
                        (Pair p) -> composer.mains().threePhase() && p.drive().phases() != 3)
                    .thenComparing(p -> p.motor().motor().power())
                    .thenComparing(p ->
                        composer.stop().wantsTorqueInputs() && p.drive().torqueInput().isEmpty())
                    .thenComparing(
                        p -> p.drive().price().map(price -> price.amount()).orElseThrow())
                    .thenComparing(p -> p.drive().id()))
            .orElseThrow(() ->
                new Unmet(
                    "no drive and motor of the catalogue give %s on %s%s"
                        .formatted(
                            wish.watts()
                                .map(watts -> Significant.digits(watts / 1000) + " kW")
                                .orElse("that"),
                            composer.sketch().brief().supply().voltage(),
                            beyond(composer))));
    for (var n = 1; n <= function.wants().count(); n++) one(function, n, pair, composer);
    if (wish.by(Means.MOTOR))
      composer.because(
          "%s: no motor straight on %s, so a drive makes its volts."
              .formatted(function.designation(), composer.sketch().brief().supply().voltage()));
  }

  private static void one(MachineFunction function, int number, Pair pair, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var serves = Optional.of(function.id());
    var part = pair.drive();
    var linked = pair.motor();
    var motor =
        sketch
            .add(linked.motor(), wish.purpose(number), wish.place(), serves)
            .withLinkage(linked.linkage());
    sketch.change(motor);
    var drive = sketch.add(part, wish.purpose(number) + ", drive", Place.PANEL, serves);
    var taken =
        linked.motor().power().watts() / (0.75 * part.efficiency().fraction() * part.powerFactor());
    var mains = composer.mains();
    var cut = !composer.stop().byTorqueInput(part);
    if (!cut) composer.stop().torque(drive);
    var protection =
        part.inputDevice().flatMap(FrequencyConverter.InputDevice::fuse).isPresent()
            ? Mains.Protection.SEMICONDUCTOR
            : Mains.Protection.USUAL;
    if (part.phases() == 3)
      mains.feedThree(
          drive.purpose(),
          mains.ends(drive, "L1", "L2", "L3"),
          taken / (Math.sqrt(3) * mains.between().volts()),
          cut,
          protection);
    else
      mains.feedTwoWire(
          drive.purpose(),
          sketch.at(drive, "L"),
          sketch.at(drive, "N"),
          part.input(),
          taken / mains.twoWire(part.input()).orElseThrow().volts(),
          cut,
          protection);
    mains.earth(sketch.at(drive, "PE"));
    mains.polluted();
    MotorCable.fromDrive(drive, motor, composer);
    commands(part, sketch.at(drive, "RUN").device(), function, wish.purpose(number), composer);
  }

  private static void commands(
      Part part,
      nelvar.core.model.Id drive,
      MachineFunction function,
      String purpose,
      Composer composer) {
    var sketch = composer.sketch();
    var device = sketch.device(drive);
    if (part.terminals().stream().noneMatch(t -> t.name().equals("RUN"))) return;
    var run = composer.io().contact(Optional.of(function.id()), purpose + ", run");
    sketch.wire(run.a(), sketch.at(device, "COM"), Ink.CONTROL);
    sketch.wire(run.b(), composer.stop().run(sketch.at(device, "RUN")), Ink.CONTROL);
    var speed = composer.io().speak();
    sketch.wire(speed.signal(), sketch.at(device, "AI"), Ink.SIGNAL);
    sketch.wire(speed.zero(), sketch.at(device, "AI0"), Ink.SIGNAL);
  }
}
