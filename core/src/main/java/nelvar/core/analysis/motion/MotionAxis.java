package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.catalogue.DriveSteps;
import nelvar.core.catalogue.PulseInput;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.catalogue.StepperData;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Setting;
import nelvar.core.model.Wants;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Measure;
import nelvar.core.units.Voltage;

/// One motor that turns by pulses, with all that makes one unit of its axis one unit.
///
/// @param function whose words say what it moves; empty for a motor that serves none
/// @param drive the device that gives its current; a board with drives on it is its own controller
/// @param board what gives the pulses, with its pin where one is known
/// @param name of the axis: its function, else its motor
/// @param stepper or @param servo the motor
/// @param settable of its drive
/// @param input what its drive takes pulses with, where it states so
/// @param set current of a phase the drive is set to, effective; empty where it is not known
/// @param bus of the drive
/// @param others all settings of its drive and its controller
/// @param sharedBy motors that move the same load
/// @param carried mass of motors of other functions that it carries (`carries =SPN`), kg
/// @param company motors side by side, or one behind the other, on its drive, itself among them
public record MotionAxis(
    String name,
    Optional<MachineFunction> function,
    Device motor,
    Optional<StepperMotor> stepper,
    Optional<ServoMotor> servo,
    Current rated,
    Device drive,
    Device board,
    Optional<PinLink> step,
    Mechanics mechanics,
    DriveSteps settable,
    Optional<PulseInput> input,
    Optional<Current> set,
    Optional<Voltage> bus,
    int sharedBy,
    double carried,
    Company company,
    AxisSettings settings,
    List<Setting> others) {
  /// Motors on one drive.
  ///
  /// @param parallel that share its current; @param series that share its volts
  public record Company(int parallel, int series) {
    static final Company ALONE = new Company(1, 1);
  }

  public MotionAxis {
    others = List.copyOf(others);
  }

  /// What its builder wants of it.
  public Wants wants() {
    return function.map(MachineFunction::wants).orElse(Wants.NOTHING);
  }

  /// What it moves, with what it carries.
  public Optional<Measure> mass() {
    return carried > 0
        ? Optional.of(
            new Measure(
                carried + wants().mass().map(Measure::value).orElse(0.0), Measure.Unit.MASS))
        : wants().mass();
  }

  /// Full steps of one turn of the motor; 200 where nothing is stated. A servo turns by as many
  /// pulses as its drive is set to: it has no steps of its own.
  public int fullSteps() {
    return servo.isPresent() ? 1 : stated().fullSteps().orElse(USUAL_FULL_STEPS);
  }

  /// What is stated of its stepper motor.
  public StepperData stated() {
    return stepper.map(StepperMotor::stated).orElse(StepperData.UNKNOWN);
  }

  /// Inertia of its rotor.
  public Optional<Measure> rotor() {
    return servo.flatMap(m -> m.stated().inertia()).or(() -> stated().inertia());
  }

  /// What a full step, or a turn, is divided by in the drive: *Microsteps*, or of a servo *Pulses a
  /// turn*.
  public String divides() {
    return servo.isPresent() ? AxisSettings.PULSES : AxisSettings.MICROSTEPS;
  }

  /// 1.8 degrees, the commonest.
  public static final int USUAL_FULL_STEPS = 200;

  /// The greatest rate of pulses: what the controller gives, what the drive follows.
  public Optional<Frequency> greatestRate() {
    var given = step.flatMap(link -> link.pin().frequency());
    var taken = input.map(PulseInput::frequency);
    return given.map(f -> taken.filter(t -> t.compareTo(f) < 0).orElse(f)).or(() -> taken);
  }
}
