package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;

/// A plug or socket of a part with the terminal at each of its places, row by row; empty where
/// nothing is at a place.
///
/// @param keyed whether it goes in one way only; empty where that is not stated
public record PlugFace(
    String name, List<Optional<String>> places, int rows, Optional<Boolean> keyed) {
  public PlugFace {
    places = List.copyOf(places);
  }

  public int ways() {
    return places.size();
  }
}
