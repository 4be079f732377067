package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Measure;

/// What a maker states of a servo motor.
///
/// @param encoderLines of its encoder; each gives four counts
/// @param ratedSpeed at which it gives its power for ever
/// @param peakTorque for a moment, while it speeds up
/// @param inertia of its rotor
public record ServoData(
    Optional<Integer> encoderLines,
    Optional<Measure> ratedSpeed,
    Optional<Measure> peakTorque,
    Optional<Measure> inertia) {
  static final ServoData UNKNOWN =
      new ServoData(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

  public ServoData {
    StepperData.unit(ratedSpeed, Measure.Unit.ROTATION);
    StepperData.unit(peakTorque, Measure.Unit.TORQUE);
    StepperData.unit(inertia, Measure.Unit.INERTIA);
    Part.require(
        encoderLines.filter(n -> n < 1 || n > 10_000_000).isEmpty(),
        "an encoder has 1 to 10000000 lines a turn");
  }
}
