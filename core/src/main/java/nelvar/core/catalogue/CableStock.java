package nelvar.core.catalogue;

import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Cable by the metre; `price` is for one metre.
///
/// @param cores number of cores, the protective one included
/// @param moving fit for a cable carrier
public record CableStock(
    String id,
    String name,
    Article article,
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
