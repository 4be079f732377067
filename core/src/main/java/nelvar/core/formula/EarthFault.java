package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Voltage;

/// Loops of a fault to earth (IEC 60364-4-41, IEC 60364-6, from memory).
public final class EarthFault {
  /// Touch voltage that may stay (V, alternating current).
  private static final double TOUCH = 50;

  /// Share of the voltage the conventional method leaves behind the inlet (IEC 60364-4-41 guides).
  private static final double CONVENTIONAL = 0.8;

  /// Measured cold, a loop may have this share of what its device asks for warm (IEC 60364-6, Annex
  /// D; IEC 60204-1, A.4).
  public static final double COLD = 2.0 / 3;

  private EarthFault() {}

  /// `Zs = Ze + k · (R1 + R2)`.
  public static Resistance loop(
      Resistance upToInlet, double warming, Resistance line, Resistance protective) {
    return new Resistance(upToInlet.ohms() + warming * (line.ohms() + protective.ohms()));
  }

  /// `Cmin · U0/Zs`.
  public static Current current(double voltageFactor, Voltage toEarth, Resistance loop) {
    return new Current(voltageFactor * toEarth.volts() / loop.ohms());
  }

  /// `Cmin · U0/Ia`.
  public static Resistance greatestLoop(double voltageFactor, Voltage toEarth, Current opens) {
    return new Resistance(voltageFactor * toEarth.volts() / opens.amperes());
  }

  /// `(Zs − Ze)/(k · (r1 + r2))`; none where the loop up to the inlet uses all of it.
  public static Optional<Length> greatestLength(
      Resistance greatestLoop,
      Resistance upToInlet,
      double warming,
      ResistancePerLength line,
      ResistancePerLength protective) {
    var left = greatestLoop.ohms() - upToInlet.ohms();
    return left <= 0
        ? Optional.empty()
        : Optional.of(
            new Length(left / (warming * (line.ohmsPerMetre() + protective.ohmsPerMetre()))));
  }

  /// `2/3 · U0/Ia`.
  public static Resistance coldLimit(Voltage toEarth, Current opens) {
    return greatestLoop(COLD, toEarth, opens);
  }

  /// `50 V/IdN`.
  public static Resistance electrode(Current residual) {
    return new Resistance(TOUCH / residual.amperes());
  }

  /// `0.8 · U0/(RL + RPE)`, where the loop up to the inlet is not known.
  public static Current conventional(Voltage toEarth, Resistance line, Resistance protective) {
    return current(CONVENTIONAL, toEarth, line.plus(protective));
  }
}
