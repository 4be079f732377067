package nelvar.core.compose.pattern;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.StepperDrive;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Significant;

/// A stepper motor on its drive, on a bus of 48 V unless another was said, with a homing sensor's
/// input left to its own function.
final class StepperAxis implements Pattern {
  private static final double BUS = 48;
  private static final double USUAL = 3;

  /// Above it an axis is a servo's, where nothing else is said (assumed).
  private static final double SMALL = 150;

  @Override
  public String title() {
    return "stepper on the bus";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return wish.by(Means.STEPPER)
        || (function.kind() == FunctionKind.MOVE
            && wish.unsaid()
            && wish.watts().orElse(0.0) <= SMALL);
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var volts = wish.volts().filter(v -> v <= Wish.EXTRA_LOW).orElse(BUS);
    var given = composer.io().boardCurrent();
    var amperes = wish.amperes().orElse(given.orElse(USUAL));
    var sketch = composer.sketch();
    var motor =
        sketch
            .cheapest(
                StepperMotor.class,
                m ->
                    m.leads().isEmpty()
                        && m.phaseCurrent().amperes() >= amperes * 0.99
                        && given
                            .filter(most -> amperes <= most && m.phaseCurrent().amperes() > most)
                            .isEmpty())
            .orElseThrow(() ->
                new Unmet(
                    "no stepper motor of the catalogue takes %s A"
                        .formatted(Significant.digits(amperes))));
    // What a board is set to is not kept axis by axis: its drives give what their motors are rated.
    var set =
        given.isPresent()
            ? motor.phaseCurrent().amperes()
            : Math.min(amperes, motor.phaseCurrent().amperes());
    if (given.isPresent() && wish.amperes().isEmpty())
      composer.because(
          "Steppers take what the drives on the board give, %s (assumed)."
              .formatted(motor.phaseCurrent()));
    var left = new ArrayList<Integer>();
    for (var n = 1; n <= function.wants().count(); n++) {
      var ends = composer.io().driveOnBoard(set, wish.volts());
      if (ends.isPresent()) onBoard(function, n, ends.get(), motor, composer);
      else left.add(n);
    }
    if (left.isEmpty()) return;
    var drive =
        sketch
            .cheapest(
                StepperDrive.class,
                d ->
                    !d.module()
                        && d.rating().amperes() >= set
                        && d.input().contains(new nelvar.core.units.Voltage(volts)))
            .orElseThrow(() ->
                new Unmet(
                    "no stepper drive of the catalogue gives %s A on %s V"
                        .formatted(Significant.digits(set), Significant.digits(volts))));
    for (var n : left) one(function, n, volts, set, motor, drive, composer);
    if (wish.volts().isEmpty())
      composer.because(
          "Steppers hang on a bus of 48 V: speed needs volts (assumed; 24 V is quieter and slower).");
  }

  /// The drive is on the board that runs the machine: only the motor and its cable are new.
  private static void onBoard(
      MachineFunction function,
      int number,
      List<TerminalRef> ends,
      StepperMotor motorPart,
      Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var motor =
        sketch.add(motorPart, wish.purpose(number), wish.place(), Optional.of(function.id()));
    var cores = new ArrayList<Sketch.Core>();
    for (var n = 0; n < WINDINGS.size(); n++)
      cores.add(new Sketch.Core(ends.get(n), sketch.at(motor, WINDINGS.get(n)), Ink.LINE));
    sketch.join(motor, true, cores);
  }

  private static final List<String> WINDINGS = List.of("A+", "A-", "B+", "B-");

  private static void one(
      MachineFunction function,
      int number,
      double volts,
      double set,
      StepperMotor motorPart,
      StepperDrive drivePart,
      Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var serves = Optional.of(function.id());
    var drive =
        sketch
            .add(drivePart, wish.purpose(number) + ", drive", nelvar.core.model.Place.PANEL, serves)
            .withTrip(Optional.of(new Current(set)));
    sketch.change(drive);
    var motor = sketch.add(motorPart, wish.purpose(number), wish.place(), serves);
    // A chopper takes about two thirds of its phase current from the bus (common practice).
    var fed =
        composer.rails().feed(volts, set * drivePart.chopping().fraction(), true, "axes", true);
    sketch.wire(fed.plus(), sketch.at(drive, "+"), Ink.BUS_PLUS);
    sketch.wire(sketch.at(drive, "-"), fed.zero(), Ink.BUS_ZERO);
    sketch.join(
        motor,
        true,
        WINDINGS.stream()
            .map(mark -> new Sketch.Core(sketch.at(drive, mark), sketch.at(motor, mark), Ink.LINE))
            .toList());
    Pulses.wire(drive, composer);
  }
}
