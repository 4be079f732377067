package nelvar.core.formula;

import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What a two-phase stepper motor can give at speed: the lesser of what its current gives and what
/// the bus can still drive through inductance and back e.m.f.
///
/// `min(Th · I/In, p·ψ·V/Z − p·ω·ψ²·R/Z²)` with `p` pole pairs (50 for 200 full steps), `ψ = Th/(√2
/// · p · In)`, `ω = p · 2π · n/60`, `Z = √(R² + (ω·L)²)`. Sinusoidal quantities of a motor with a
/// round rotor; an estimate, ± 30 %, since iron, resonance and the chopper are left out.
public final class StepperTorque {
  /// What such an estimate is good for.
  public static final double WITHIN = 0.3;

  private StepperTorque() {}

  /// A motor as wound.
  ///
  /// @param holding torque at rest with the rated current in both phases
  /// @param rated current of a phase, effective
  public record Motor(
      Measure holding, Current rated, Resistance resistance, Measure inductance, double fullSteps) {
    double polePairs() {
      return fullSteps / 4;
    }

    /// Flux of a phase, V·s.
    public double flux() {
      return holding.value() / (Math.sqrt(2) * polePairs() * rated.amperes());
    }
  }

  /// @param set current of a phase, effective; @param speed of the motor, rpm
  public static Measure at(Motor motor, Current set, Voltage bus, double speed) {
    return torque(Math.max(0, Math.min(flat(motor, set), limited(motor, bus, speed))));
  }

  /// Where the bus begins to limit, rpm.
  public static Measure corner(Motor motor, Current set, Voltage bus) {
    var flat = flat(motor, set);
    var low = 0.0;
    var high = 1.0;
    while (limited(motor, bus, high) > flat && high < 1e5) high *= 2;
    if (high >= 1e5) return rotation(high);
    for (var n = 0; n < 60; n++) {
      var middle = (low + high) / 2;
      if (limited(motor, bus, middle) > flat) low = middle;
      else high = middle;
    }
    return rotation(low);
  }

  private static double flat(Motor motor, Current set) {
    return motor.holding().value() * set.of(motor.rated()).fraction();
  }

  /// Torque that the bus allows, N·m, the current left to itself.
  private static double limited(Motor motor, Voltage bus, double speed) {
    var p = motor.polePairs();
    var omega = p * 2 * Math.PI * speed / 60;
    var r = motor.resistance().ohms();
    var z = Math.hypot(r, omega * motor.inductance().value());
    var psi = motor.flux();
    return p * psi * bus.volts() / z - p * omega * psi * psi * r / (z * z);
  }

  private static Measure torque(double newtonMetres) {
    return new Measure(newtonMetres, Measure.Unit.TORQUE);
  }

  private static Measure rotation(double rpm) {
    return new Measure(rpm, Measure.Unit.ROTATION);
  }
}
