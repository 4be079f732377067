package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;

/// Pieces of a part that lie in a drawer: they cost nothing any more.
///
/// @param part id of a catalogue part
/// @param pieces all that there are, those that stand in the machine too
public record Owned(String part, int pieces) {
  public Owned {
    if (pieces < 1 || pieces > 100_000)
      throw new ImpossibleQuantity("of a part one owns 1 to 100000 pieces, not " + pieces);
  }
}
