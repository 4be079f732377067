package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Power;
import nelvar.core.units.Price;

/// Cable by the metre; `price` is for one metre.
///
/// @param cores number of cores, the protective one included
/// @param moving fit for a cable carrier
public record CableStock(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    int cores,
    CrossSection section,
    boolean shielded,
    boolean moving,
    Length outerDiameter)
    implements Part {
  public CableStock {
    Part.require(cores >= 1 && cores <= 100, "a cable has 1 to 100 cores, not " + cores);
  }
}
