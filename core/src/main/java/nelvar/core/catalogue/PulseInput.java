package nelvar.core.catalogue;

import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What a drive takes its pulses with: an optocoupler behind a resistor.
///
/// @param forward of its diode
/// @param resistance before it, on the board
/// @param least current at which it surely conducts; @param greatest current it bears
/// @param frequency greatest it follows
/// @param pulse least width it sees
/// @param setUp how long direction must stand before a step
/// @param logicHigh of an input of plain logic: volts from which it sees a pulse, with next to no
///   current
public record PulseInput(
    Voltage forward,
    Resistance resistance,
    Current least,
    Current greatest,
    Frequency frequency,
    Duration pulse,
    java.util.Optional<Voltage> logicHigh,
    java.util.Optional<Duration> setUp) {
  public PulseInput {
    Part.require(
        least.compareTo(greatest) < 0,
        "a pulse input conducts from %s and bears %s: the latter must be more"
            .formatted(least, greatest));
  }
}
