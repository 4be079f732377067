package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Cable by the metre; `price` is for one metre.
///
/// @param cores number of cores, the protective one included
/// @param moving fit for a cable carrier
/// @param strokes to and fro that its maker states for a carrier with the bend it wants
public record CableStock(
    String id,
    String name,
    Article article,
    int cores,
    CrossSection section,
    boolean shielded,
    boolean moving,
    Length outerDiameter,
    Optional<Integer> strokes)
    implements Part {
  public CableStock {
    Part.require(cores >= 1 && cores <= 100, "a cable has 1 to 100 cores, not " + cores);
    Part.require(
        strokes.isEmpty() || (moving && strokes.get() > 0),
        "a cable that does not move has no strokes");
  }
}
