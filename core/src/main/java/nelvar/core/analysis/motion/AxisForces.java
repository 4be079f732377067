package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.formula.Driving;
import nelvar.core.formula.StepperTorque;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What a stepper axis asks of its motor and what the motor can give at that speed.
public final class AxisForces {
  /// Of a screw or belt, where nothing is stated; common practice.
  static final double USUAL_EFFICIENCY = 0.9;

  /// Torque in reserve that is asked for: what is left out of the estimate is as much again. Common
  /// practice.
  public static final double RESERVE = 2;

  private AxisForces() {}

  /// The motor as it is joined. What is stated of one half: in series twice the ohms, four times
  /// the henries; in parallel half the ohms; both with the holding torque of the whole winding, of
  /// which one half alone gives 0.71.
  public static Optional<StepperTorque.Motor> motor(MotionAxis axis) {
    var data = axis.stated();
    if (data.holding().isEmpty() || data.resistance().isEmpty() || data.inductance().isEmpty())
      return Optional.empty();
    var joined = joined(axis);
    return Optional.of(
        new StepperTorque.Motor(
            new Measure(data.holding().get().value() * joined.torque(), Measure.Unit.TORQUE),
            axis.rated(),
            new Resistance(data.resistance().get().ohms() * joined.ohms()),
            new Measure(
                data.inductance().get().value() * joined.henries(), Measure.Unit.INDUCTANCE),
            axis.fullSteps()));
  }

  /// Against one half, and against the whole winding.
  private record Joined(double ohms, double henries, double torque) {}

  private static Joined joined(MotionAxis axis) {
    var halves = axis.stepper().filter(StepperMotor::halves);
    if (halves.isEmpty()) return new Joined(1, 1, 1);
    var share = axis.rated().of(halves.get().phaseCurrent()).fraction();
    return share < 0.9
        ? new Joined(2, 4, 1)
        : share > 1.1 ? new Joined(0.5, 1, 1) : new Joined(1, 1, Math.sqrt(0.5));
  }

  /// At a speed of the motor, on a bus.
  public static Optional<Measure> gives(MotionAxis axis, Voltage bus, double rpm) {
    if (axis.servo().isPresent()) return axis.servo().flatMap(servo -> servo.torque());
    return motor(axis).map(motor -> StepperTorque.at(motor, current(axis), own(axis, bus), rpm));
  }

  /// Of the volts of a drive those of one motor: motors one behind the other share them.
  public static Voltage own(MotionAxis axis, Voltage bus) {
    return new Voltage(bus.volts() / axis.company().series());
  }

  /// What the drive is set to, of motors side by side their share, no more than what the motor is
  /// rated for.
  public static Current current(MotionAxis axis) {
    return axis.set()
        .map(set -> set.times(1.0 / axis.company().parallel()))
        .filter(set -> set.compareTo(axis.rated()) < 0)
        .orElse(axis.rated());
  }

  /// What moving asks for.
  ///
  /// @param asked with the ramp and without it, N·m; @param felt inertia at the motor
  /// @param returned N·m that come back while it slows down, nothing where friction takes them
  /// @param leftOut what nobody says of it
  public record Asked(
      double asked,
      double steady,
      double speedingUp,
      double felt,
      double returned,
      boolean usualEfficiency,
      List<String> leftOut) {
    public Asked {
      leftOut = List.copyOf(leftOut);
    }
  }

  /// What is moved, as its motor feels it, with what nobody says of it; empty where nothing is said
  /// that asks for any torque.
  public record Loaded(Driving.Load load, List<String> leftOut) {}

  public static Optional<Loaded> load(MotionAxis axis) {
    var mechanics = axis.mechanics();
    var travel = mechanics.perMotorTurn();
    if (travel.isEmpty()) return Optional.empty();
    var degrees = mechanics.unit() == Mechanics.Unit.DEGREE;
    var mass = axis.mass().map(Measure::value);
    var leftOut = new ArrayList<String>();
    var rotor = axis.rotor().map(Measure::value);
    if (rotor.isEmpty()) leftOut.add("the inertia of the rotor");
    if (mass.isEmpty() && mechanics.inertia().isEmpty()) leftOut.add("what is moved");
    if (mechanics.friction().isEmpty() && !degrees) leftOut.add("friction");
    if (mechanics.ramp().isEmpty()) leftOut.add("the ramp");
    var pulls = !degrees && (mass.isPresent() || mechanics.friction().isPresent());
    if (!pulls && mechanics.inertia().isEmpty()) return Optional.empty();
    var atMotor =
        rotor.orElse(0.0)
            + mechanics.inertia().map(j -> j / mechanics.ratio() / mechanics.ratio()).orElse(0.0);
    // A table that turns has its lever in radians: one turn is 2π of them.
    var perTurn = degrees ? Math.toRadians(travel.get()) : travel.get() / 1000;
    return Optional.of(
        new Loaded(
            new Driving.Load(
                degrees ? 0 : mass.orElse(0.0) / axis.sharedBy(),
                degrees ? 0 : mechanics.friction().orElse(0.0),
                atMotor,
                perTurn,
                mechanics.efficiency().orElse(USUAL_EFFICIENCY),
                mechanics.vertical()),
            leftOut));
  }

  /// What a hanging load asks of a brake at the motor; empty where nothing hangs.
  static Optional<Measure> holding(MotionAxis axis) {
    return load(axis)
        .map(l -> l.load().holding())
        .filter(t -> t > 0)
        .map(t -> new Measure(t, Measure.Unit.TORQUE));
  }

  /// Acceleration of the load, m/s² or rad/s².
  static Optional<Double> ramp(MotionAxis axis) {
    var degrees = axis.mechanics().unit() == Mechanics.Unit.DEGREE;
    return axis.mechanics().ramp().map(a -> degrees ? Math.toRadians(a) : a / 1000);
  }

  public static Optional<Asked> asked(MotionAxis axis) {
    return load(axis)
        .map(loaded -> {
          var load = loaded.load();
          var ramp = ramp(axis).orElse(0.0);
          var up = ramp > 0 ? load.speedingUp(ramp) : 0;
          return new Asked(
              load.steady() + up,
              load.steady(),
              up,
              load.felt(),
              ramp > 0 ? load.returned(ramp) : 0,
              axis.mechanics().efficiency().isEmpty(),
              loaded.leftOut());
        });
  }
}
