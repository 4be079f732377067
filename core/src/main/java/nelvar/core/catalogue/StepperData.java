package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;

/// What a maker states of a two-phase stepper motor; with six and eight leads its ohms and henries
/// are those of one half, as its rated current is.
///
/// @param holding torque at rest, both phases on, whole windings
/// @param resistance and @param inductance of one phase, or half
/// @param inertia of its rotor
/// @param fullSteps of one turn; 200 where nothing is stated
public record StepperData(
    Optional<Measure> holding,
    Optional<Resistance> resistance,
    Optional<Measure> inductance,
    Optional<Measure> inertia,
    Optional<Integer> fullSteps) {
  public static final StepperData UNKNOWN =
      new StepperData(
          Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

  public StepperData {
    unit(holding, Measure.Unit.TORQUE);
    unit(inductance, Measure.Unit.INDUCTANCE);
    unit(inertia, Measure.Unit.INERTIA);
    Part.require(
        fullSteps.filter(n -> n < 4 || n > 2000).isEmpty(),
        "a stepper motor has 4 to 2000 full steps a turn");
  }

  static void unit(Optional<Measure> value, Measure.Unit unit) {
    Part.require(
        value.filter(v -> v.unit() != unit).isEmpty(),
        "'%s' is not in %s".formatted(value.map(Measure::toString).orElse(""), unit.sign()));
  }
}
