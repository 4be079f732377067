package nelvar.core.formula;

import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Motors on mains and drives.
public final class MotorFormulas {
  /// Of the wave on a motor cable, m/s (common practice).
  public static final double WAVE_SPEED = 150e6;

  /// Up to this air the derating below holds.
  public static final Temperature WARMEST = new Temperature(50);

  private MotorFormulas() {}

  /// `120 · f/poles · (1 − slip) · ratio`.
  public static Measure speed(Frequency frequency, int poles, double slip, double ratio) {
    return new Measure(120 * frequency.hertz() / poles * (1 - slip) * ratio, Measure.Unit.ROTATION);
  }

  /// `n · poles/120`.
  public static Frequency frequency(Measure speed, int poles) {
    return new Frequency(speed.value() * poles / 120);
  }

  /// `f · U/Udelta`: up to there a delta motor keeps its flux on a drive of higher voltage.
  public static Frequency baseFrequency(Frequency rated, Voltage delta, Voltage drive) {
    return new Frequency(rated.hertz() * drive.volts() / delta.volts());
  }

  /// `P · U/Udelta`, if it stands the speed.
  public static Power atBaseFrequency(Power rated, Voltage delta, Voltage drive) {
    return rated.times(drive.volts() / delta.volts());
  }

  public static Measure voltsPerHertz(Voltage voltage, Frequency frequency) {
    return new Measure(voltage.volts() / frequency.hertz(), Measure.Unit.VOLTS_PER_HERTZ);
  }

  /// Two halves in parallel: North American dual voltage, nine leads.
  public static Current atLowerVoltage(Current higher) {
    return higher.times(2);
  }

  /// What single-phase input of a three-phase drive costs, by whom.
  public enum InputSchool {
    HALF(2),
    SQRT3(Math.sqrt(3));

    private final double factor;

    InputSchool(double factor) {
      this.factor = factor;
    }

    /// What is left of the drive's rating.
    public Current left(Current rating) {
      return rating.times(1 / factor);
    }

    /// The rating a motor needs.
    public Current needed(Current motor) {
      return motor.times(factor);
    }
  }

  /// `P/(ηmotor · ηdrive)`.
  public static Power taken(Power shaft, double ofMotor, double ofDrive) {
    return shaft.times(1 / (ofMotor * ofDrive));
  }

  /// `v · tr/2`: from there the voltage at the motor doubles.
  public static Length criticalCable(Duration rise) {
    return new Length(WAVE_SPEED * rise.seconds() / 2);
  }

  /// `P · (U/Ur)²`.
  public static Power heater(Power rated, Voltage madeFor, Voltage fed) {
    return rated.times(Math.pow(fed.volts() / madeFor.volts(), 2));
  }

  /// `kVA · hp · 1000/(√3 · U)`, by code letter.
  public static Current lockedRotor(double kilovoltAmperesAHorsepower, double hp, Voltage line) {
    return AlternatingCurrent.ofApparentPower(
        new Measure(kilovoltAmperesAHorsepower * hp * 1000, Measure.Unit.APPARENT_POWER), line, 3);
  }

  /// `k · Σ I`.
  public static Current driveRating(java.util.List<Current> motors, double margin) {
    return new Current(margin * motors.stream().mapToDouble(Current::amperes).sum());
  }
}
