package nelvar.core.formula;

import nelvar.core.units.Duration;
import nelvar.core.units.Measure;

/// Speed from pulses: counted in a gate, or timed one by one.
public final class PulseCount {
  private PulseCount() {}

  /// `60 · N/(PPR · Tg)`.
  public static Measure speed(double pulses, int pulsesATurn, Duration gate) {
    return new Measure(60 * pulses / (pulsesATurn * gate.seconds()), Measure.Unit.ROTATION);
  }

  /// Of one pulse more or less.
  public static Measure resolution(int pulsesATurn, Duration gate) {
    return speed(1, pulsesATurn, gate);
  }

  /// `n² · PPR · dt/60`: of one tick more or less.
  public static Measure periodError(Measure speed, int pulsesATurn, Duration tick) {
    return new Measure(
        speed.value() * speed.value() * pulsesATurn * tick.seconds() / 60, Measure.Unit.ROTATION);
  }

  /// `60/(PPR · √(Tg · dt))`: there counting and timing are as good.
  public static Measure equallyGood(int pulsesATurn, Duration gate, Duration tick) {
    return new Measure(
        60 / (pulsesATurn * Math.sqrt(gate.seconds() * tick.seconds())), Measure.Unit.ROTATION);
  }
}
