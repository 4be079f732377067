package nelvar.core.network;

import java.util.List;
import java.util.Optional;
import nelvar.core.formula.Discharge;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Charge that a capacitor still holds after what fed it is gone.
///
/// Only its own bleeder, and those of capacitors on the same bus, count as emptying it: loads may
/// stop at any voltage, and contacts may open. `U = U0 · e^(−t/RC)`.
///
/// @param members all devices that hold it together, the first one itself
/// @param across plus and minus; empty where it is behind no terminal
/// @param from what it was charged to before
/// @param assumed whether `from` is the most it may be, no state having been found before
/// @param capacitance all that holds charge on the same bus
/// @param bleeder empty where nothing is stated that discharges it
public record StoredCharge(
    Device device,
    List<Id> members,
    List<TerminalRef> across,
    Voltage from,
    boolean assumed,
    Capacitance capacitance,
    Optional<Resistance> bleeder) {
  /// What a person should know the time of: the limit of the standards, what is felt by wet hands,
  /// and empty.
  public static final List<Voltage> MARKS =
      List.of(new Voltage(60), new Voltage(25), new Voltage(5));

  public StoredCharge {
    members = List.copyOf(members);
    across = List.copyOf(across);
  }

  /// What stands on it so long after; all of it where nothing is stated that discharges it.
  public Voltage after(Duration time) {
    return bleeder.map(ohms -> Discharge.left(capacitance, ohms, from, time)).orElse(from);
  }

  /// How long until it has fallen to a voltage; empty where nothing is stated that discharges it.
  public Optional<Duration> until(Voltage level) {
    if (from.compareTo(level) <= 0) return Optional.of(new Duration(0));
    return bleeder.map(ohms -> Discharge.time(capacitance, ohms, from, level));
  }

  /// `-C1 was charged to 64 V: below 60 V after 0.7 s, below 25 V after 9.7 s, below 5 V after 26
  /// s`.
  public String words() {
    var was = assumed ? " may have been charged to " : " was charged to ";
    if (bleeder.isEmpty())
      return device.designation()
          + was
          + from
          + " and nothing is stated that discharges it: measure before touching";
    var text = new StringBuilder(device.designation() + was + from + ":");
    var between = " ";
    for (var mark : MARKS) {
      if (from.compareTo(mark) <= 0) continue;
      text.append(between).append("below ").append(mark);
      text.append(" after ").append(until(mark).orElseThrow());
      between = ", ";
    }
    return text.toString();
  }
}
