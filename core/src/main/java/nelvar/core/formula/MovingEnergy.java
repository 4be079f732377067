package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Energy of what moves, and where it goes when it stops: into the bus, a resistor, a clamp.
public final class MovingEnergy {
  private static final double GRAVITY = 9.80665;

  private MovingEnergy() {}

  /// `J · ω²/2`.
  public static Energy turning(Measure inertia, Measure speed) {
    var omega = 2 * Math.PI * speed.value() / 60;
    return new Energy(inertia.value() * omega * omega / 2);
  }

  /// `m · v²/2`.
  public static Energy sliding(Measure mass, Measure feed) {
    var v = feed.value() / 60_000;
    return new Energy(mass.value() * v * v / 2);
  }

  /// `m · g · h`.
  public static Energy lowered(Measure mass, Length height) {
    return new Energy(mass.value() * GRAVITY * height.metres());
  }

  /// `2 · E/t`: at the start of a stop of constant torque.
  public static Power peak(Energy energy, Duration stop) {
    return new Power(2 * energy.joules() / stop.seconds());
  }

  /// `U²/P`.
  public static Resistance resistor(Voltage threshold, Power power) {
    return new Resistance(threshold.volts() * threshold.volts() / power.watts());
  }

  /// `U/Imax`: what a chopper stands.
  public static Resistance leastResistor(Voltage threshold, Current greatest) {
    return new Resistance(threshold.volts() / greatest.amperes());
  }

  /// `C · (U2² − U1²)/2`.
  public static Energy takenUp(Capacitance bus, Voltage before, Voltage after) {
    var high = after.volts();
    var low = before.volts();
    return new Energy(Math.max(0, bus.farads() * (high * high - low * low) / 2));
  }

  /// `(E − EC)/cycle`, nothing where the bus takes all of it.
  public static Power mean(Energy energy, Energy takenUp, Duration cycle) {
    return new Power(Math.max(0, energy.joules() - takenUp.joules()) / cycle.seconds());
  }

  /// `√(U1² + 2 · E/C)`.
  public static Voltage busAfter(Voltage before, Energy returned, Capacitance bus) {
    var u1 = before.volts();
    return new Voltage(Math.min(1e6, Math.sqrt(u1 * u1 + 2 * returned.joules() / bus.farads())));
  }

  /// `2 · E/(U2² − U1²)`; none where the bus may not rise.
  public static Optional<Capacitance> bank(Energy returned, Voltage before, Voltage limit) {
    var rise = limit.volts() * limit.volts() - before.volts() * before.volts();
    return rise <= 0
        ? Optional.empty()
        : Optional.of(new Capacitance(2 * returned.joules() / rise));
  }
}
