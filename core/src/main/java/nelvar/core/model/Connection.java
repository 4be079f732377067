package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// How one of several inlets hangs on the site, where that differs from what the Brief says of all.
///
/// @param upstream rating of the device before this inlet; the Brief's where nothing is said
/// @param cord what lies between the socket, where the site's impedance is stated, and this inlet
public record Connection(Optional<Current> upstream, Optional<Cord> cord) {
  /// As the Brief says, with no cord.
  public static final Connection USUAL = new Connection(Optional.empty(), Optional.empty());

  /// @param length of one conductor, there
  public record Cord(CrossSection section, Length length) {}

  public Connection {
    if (upstream.isPresent() && upstream.get().amperes() <= 0)
      throw new ImpossibleQuantity("the device before an inlet is rated for more than 0 A");
  }
}
