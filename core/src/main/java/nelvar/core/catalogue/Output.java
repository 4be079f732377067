package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Where a part gives power of its own making: a source for what is joined to it.
///
/// @param voltage between lines for three lines, else from line to back
/// @param rating the greatest current it can give for ever
public record Output(
    String name,
    List<String> lines,
    Optional<String> back,
    boolean alternating,
    Voltage voltage,
    Current rating) {
  /// A mains within so much of a nameplate is what the nameplate says.
  private static final double NEAR = 0.05;

  /// The same at another voltage.
  Output at(Voltage other) {
    return new Output(name, lines, back, alternating, other, rating);
  }

  /// What a winding gives that is fed with another voltage than its nameplate's.
  Output fed(Voltage with, Voltage nameplate) {
    var ratio = with.volts() / nameplate.volts();
    return Math.abs(ratio - 1) < NEAR ? this : at(voltage.times(ratio));
  }
}
