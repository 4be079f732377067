package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// A bus behind a transformer, a bridge and capacitors, by hand; under load the engine's own
/// computation (`network.solve.CapacitorInput`) is asked.
public final class LinearBus {
  private LinearBus() {}

  /// `√2 · Us · (1 + reg) · (1 + line) − Uf`, without load at high mains.
  public static Voltage peak(
      Voltage secondary, Percent regulation, Percent highMains, Voltage diodes) {
    return behindRectifier(
        secondary.times((1 + regulation.fraction()) * (1 + highMains.fraction())), diodes);
  }

  /// `√2 · U − Uf`.
  public static Voltage behindRectifier(Voltage rms, Voltage diodes) {
    return new Voltage(Math.max(0, Math.sqrt(2) * rms.volts() - diodes.volts()));
  }

  /// `I/(2 · f · C)`, the upper bound.
  public static Voltage ripple(Current load, Capacitance bank, Frequency mains) {
    return new Voltage(load.amperes() / (2 * mains.hertz() * bank.farads()));
  }

  /// `ΔU = I/C · (1/(2f) − arccos(1 − ΔU/Upk)/(2π·f))`, by iteration: the charging time counted.
  /// None where the bank runs empty between two peaks.
  public static Optional<Voltage> rippleBetweenPeaks(
      Current load, Capacitance bank, Voltage peak, Frequency mains) {
    var bound = ripple(load, bank, mains).volts();
    if (bound >= peak.volts()) return Optional.empty();
    var f = mains.hertz();
    var slope = load.amperes() / bank.farads();
    var ripple = bound;
    for (var round = 0; round < 200; round++)
      ripple =
          (ripple
                  + slope
                      * (1 / (2 * f) - Math.acos(1 - ripple / peak.volts()) / (2 * Math.PI * f)))
              / 2;
    return Optional.of(new Voltage(ripple));
  }

  /// `0.08 · I/Upk`: the rule of 80 000 µF·V/A (common practice).
  public static Capacitance smoothing(Current load, Voltage peak) {
    return new Capacitance(0.08 * load.amperes() / peak.volts());
  }

  /// `2 · √2 · Us`, blocked by each diode.
  public static Voltage blocked(Voltage secondary) {
    return secondary.times(2 * Math.sqrt(2));
  }

  /// `U · I`.
  public static Measure apparent(Voltage voltage, Current current) {
    return new Measure(voltage.volts() * current.amperes(), Measure.Unit.APPARENT_POWER);
  }

  /// `√2 · Us/Rw`: greatest charging current through the winding.
  public static Current inrush(Voltage secondary, Resistance winding) {
    return new Current(Math.sqrt(2) * secondary.volts() / winding.ohms());
  }

  /// Volts and amperes of a load that takes constant power over a resistance.
  public record Working(Voltage voltage, Current current) {}

  /// `(Us + √(Us² − 4 · P · R))/2`; none above [#mostThrough].
  public static Optional<Working> constantPower(Voltage source, Power taken, Resistance loop) {
    var us = source.volts();
    var root = us * us - 4 * taken.watts() * loop.ohms();
    if (root < 0) return Optional.empty();
    var u = (us + Math.sqrt(root)) / 2;
    return Optional.of(new Working(new Voltage(u), new Current(taken.watts() / u)));
  }

  /// `Us²/(4 · R)`.
  public static Power mostThrough(Voltage source, Resistance loop) {
    return new Power(source.volts() * source.volts() / (4 * loop.ohms()));
  }
}
