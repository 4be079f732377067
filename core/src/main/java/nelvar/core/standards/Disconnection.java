package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// How soon a circuit must open on a fault to earth, by the earthing system and the voltage to
/// earth.
public final class Disconnection {
  private static final Table TIMES = Table.load("iec-60364-4-41-2005/disconnection-time.tsv");

  public enum Earthing {
    TN,
    TT
  }

  private Disconnection() {}

  /// Of final circuits up to 32 A (63 A with sockets); empty where disconnection against shock is
  /// not asked for.
  public static Optional<Cited<Duration>> finalCircuit(
      Earthing system, Voltage toEarth, boolean direct) {
    if (toEarth.volts() <= 50) return Optional.empty();
    return TIMES.cited(toEarth.volts(), system + (direct ? " DC" : " AC"), Duration::new);
  }

  /// Of distribution circuits and of others above the final circuits' limit: 5 s in TN, 1 s in TT
  /// (411.3.2.3 and 411.3.2.4).
  public static Cited<Duration> distribution(Earthing system) {
    return new Cited<>(
        new Duration(system == Earthing.TN ? 5 : 1),
        nelvar.core.trail.Citation.recalled(
            "IEC 60364-4-41:2005+A1:2017", system == Earthing.TN ? "411.3.2.3" : "411.3.2.4"));
  }
}
