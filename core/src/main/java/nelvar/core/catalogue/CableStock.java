package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Cable by the metre; `price` is for one metre.
///
/// @param cores number of cores, the protective one included
/// @param moving fit for a cable carrier
/// @param strokes to and fro that its maker states for a carrier with the bend it wants
/// @param pairs its cores lie twisted in pairs: cores 1 and 2, 3 and 4, and so on
public record CableStock(
    String id,
    String name,
    Article article,
    int cores,
    CrossSection section,
    boolean shielded,
    boolean moving,
    Length outerDiameter,
    Optional<Integer> strokes,
    Optional<Integer> pairs)
    implements Part {
  public CableStock {
    Part.require(cores >= 1 && cores <= 100, "a cable has 1 to 100 cores, not " + cores);
    Part.require(
        strokes.isEmpty() || (moving && strokes.get() > 0),
        "a cable that does not move has no strokes");
    Part.require(
        pairs.filter(n -> n < 1 || 2 * n > cores).isEmpty(),
        "a cable of %d cores has 1 to %d pairs, not %d"
            .formatted(cores, cores / 2, pairs.orElse(0)));
  }

  /// Whether it differs from the other by section alone.
  public boolean alike(CableStock other) {
    return cores == other.cores && shielded == other.shielded && pairs.equals(other.pairs);
  }

  /// The core it is twisted with; empty where it lies alone.
  public Optional<Integer> twin(int core) {
    return pairs
        .filter(n -> core >= 1 && core <= 2 * n)
        .map(_ -> core % 2 == 1 ? core + 1 : core - 1);
  }
}
