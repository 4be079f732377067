package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;

/// What still moves after a stop: on charge, by its weight, by its own inertia (textbook).
public final class Stopping {
  private static final double GRAVITY = 9.80665;

  /// ISO 13855:2010, 6.2 (from memory): mm/s of a hand, nearer and further than 500 mm.
  private static final double HAND = 2000;

  private static final double WALK = 1600;
  private static final double NEAR = 500;

  /// The least distance, mm; and what a hand reaches through a field that sees 40 mm at the finest.
  private static final double LEAST = 100;

  private static final double FINE = 40;
  private static final double ARM = 850;

  private Stopping() {}

  /// `C · (U1² − U2²)/(2 · P)`: capacitors under a load of constant power; no time where they stand
  /// lower already.
  public static Duration carries(Capacitance bus, Voltage from, Voltage to, Power load) {
    var high = from.volts();
    var low = to.volts();
    return new Duration(
        high <= low ? 0 : bus.farads() * (high * high - low * low) / (2 * load.watts()));
  }

  /// `g/(1 + J · (2π/lead)²/m)`: a weight that has to turn its screw and motor too.
  public static Measure gravity(Measure mass, Measure inertia, Length lead) {
    var turning = 2 * Math.PI / lead.metres();
    return new Measure(
        1000 * GRAVITY / (1 + inertia.value() * turning * turning / mass.value()),
        Measure.Unit.RAMP);
  }

  /// `v · t1 + v · t2 + g · t2²/2`: driven until its torque ends, then free until the brake bites.
  ///
  /// @param gravity as much of it as pulls
  public static Length falls(Measure feed, Duration driven, Duration free, Measure gravity) {
    var v = feed.value() / 60_000;
    var t = free.seconds();
    return new Length(v * (driven.seconds() + t) + gravity.value() / 1000 * t * t / 2);
  }

  /// `2π · n/60 · J/T`, against a constant torque.
  public static Duration coasts(Measure inertia, Measure speed, Measure torque) {
    return new Duration(2 * Math.PI * speed.value() / 60 * inertia.value() / torque.value());
  }

  /// `J · 2π · n/60 · (1/tr − 1/tc)`: what a ramp asks for beyond friction, which alone would take
  /// `tc`.
  public static Measure slowsDown(
      Measure inertia, Measure speed, Duration ramp, Optional<Duration> coasts) {
    var rate = 1 / ramp.seconds() - coasts.map(t -> 1 / t.seconds()).orElse(0.0);
    return new Measure(
        Math.max(0, 2 * Math.PI * speed.value() / 60 * inertia.value() * rate),
        Measure.Unit.TORQUE);
  }

  /// `1/(T/(J · 2π · n/60) + 1/tc)`: the shortest ramp that asks for no more than a torque.
  public static Duration slowsIn(
      Measure inertia, Measure speed, Measure torque, Optional<Duration> coasts) {
    var own = torque.value() / (2 * Math.PI * speed.value() / 60 * inertia.value());
    return new Duration(1 / (own + coasts.map(t -> 1 / t.seconds()).orElse(0.0)));
  }

  /// `P/(2π · n/60)`.
  public static Measure torque(Power power, Measure speed) {
    return new Measure(power.watts() / (2 * Math.PI * speed.value() / 60), Measure.Unit.TORQUE);
  }

  /// `n/60 · t/2`.
  public static double turns(Measure speed, Duration coasting) {
    return speed.value() / 60 * coasting.seconds() / 2;
  }

  /// `8 · (d − 14)`, at least 0, of a field that sees 40 mm or finer; 850 mm of a coarser one.
  public static Length reachesThrough(Length resolution) {
    var d = resolution.metres() * 1000;
    return Length.ofMillimetres(d > FINE ? ARM : Math.max(0, 8 * (d - 14)));
  }

  /// `K · T + C`, K of 2000 mm/s up to 500 mm, else 1600 mm/s and at least 500 mm; 100 mm at least.
  public static Length distance(Duration stops, Length resolution) {
    var through = reachesThrough(resolution).metres() * 1000;
    var walked = WALK * stops.seconds() + through;
    if (resolution.metres() * 1000 > FINE) return Length.ofMillimetres(walked);
    var near = HAND * stops.seconds() + through;
    return Length.ofMillimetres(near <= NEAR ? Math.max(LEAST, near) : Math.max(NEAR, walked));
  }
}
