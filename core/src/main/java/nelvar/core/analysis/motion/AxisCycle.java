package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import nelvar.core.formula.Driving;
import nelvar.core.model.Returned;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;

/// One stroke of an axis at its fastest: speeding up, travelling, slowing down, waiting.
///
/// The stroke is the travel of its function, else the shortest that reaches its speed; how long it
/// waits follows from the duty of its motor. What comes back at the stop has what copper takes (2 ·
/// I² · R while it slows down) subtracted where the ohms are stated, else nothing. What lowering
/// gives back all the way is a power, small beside what the bus feeds meanwhile, and stands beside.
///
/// @param up seconds to its speed, and from it; @param cruise at it; @param rest waiting
/// @param effective torque over all of it, that warms the motor
/// @param current effective over all of it; of a servo, whose current follows its torque
/// @param returned at the end of the stroke; empty where friction takes all
/// @param lowering power that comes back while it is lowered at its fastest; none where friction is
///   greater than its weight
public record AxisCycle(
    double up,
    double cruise,
    double rest,
    double stroke,
    Measure effective,
    Optional<Current> current,
    Optional<Energy> returned,
    Power lowering) {
  private static final double LEAST = 1e-3;

  /// Empty where speed, ramp or what it moves is not said.
  public static Optional<AxisCycle> of(MotionAxis axis) {
    var loaded = AxisForces.load(axis);
    var ramp = AxisForces.ramp(axis).filter(a -> a > 0);
    var speed = speed(axis).filter(v -> v > 0);
    if (loaded.isEmpty() || ramp.isEmpty() || speed.isEmpty()) return Optional.empty();
    var load = loaded.get().load();
    var a = ramp.get();
    var v = speed.get();
    var shortest = v * v / a;
    var travel = axis.wants().travel().map(t -> t.metres()).orElse(0.0);
    var stroke = Math.max(travel, shortest);
    var up = v / a;
    var cruise = (stroke - shortest) / v;
    var duty = axis.motor().work().duty().map(Percent::fraction).filter(d -> d > 0).orElse(1.0);
    var rest = (2 * up + cruise) * (1 / duty - 1);
    var speeding = load.speedingUp(a);
    var effective =
        Driving.effective(
            List.of(
                new Driving.Spell(load.steady() + speeding, up),
                new Driving.Spell(load.steady(), cruise),
                new Driving.Spell(speeding - load.steady(), up),
                new Driving.Spell(load.holding(), rest)));
    return Optional.of(
        new AxisCycle(
            up,
            cruise,
            rest,
            stroke,
            new Measure(effective, Measure.Unit.TORQUE),
            axis.servo()
                .flatMap(servo -> servo.torque())
                .map(rated -> axis.rated().times(effective / rated.value())),
            returned(axis, load, v, a, up),
            new Power(load.returnedByLowering(v))));
  }

  /// m/s, or rad/s.
  private static Optional<Double> speed(MotionAxis axis) {
    var degrees = axis.mechanics().unit() == Mechanics.Unit.DEGREE;
    return axis.wants()
        .speed()
        .flatMap(v ->
            v.unit() == Measure.Unit.FEED && !degrees
                ? Optional.of(v.value() / 60_000)
                : v.unit() == Measure.Unit.ROTATION && degrees
                    ? Optional.of(v.value() * 2 * Math.PI / 60)
                    : Optional.empty());
  }

  private static Optional<Energy> returned(
      MotionAxis axis, Driving.Load load, double v, double a, double up) {
    var copper =
        AxisForces.motor(axis)
            .filter(_ -> axis.stepper().isPresent())
            .map(m -> {
              var i = AxisForces.current(axis).amperes();
              return 2 * i * i * m.resistance().ohms();
            })
            .orElse(0.0);
    var joules = load.returnedByStop(v, a) - copper * up;
    return joules > LEAST ? Optional.of(new Energy(joules)) : Optional.empty();
  }

  /// What its bus gets back, how fast and how often.
  public Optional<Returned> givenBack() {
    return returned.map(
        energy -> new Returned(energy, new Duration(up), new Duration(2 * up + cruise + rest)));
  }
}
