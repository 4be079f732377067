package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Single wire by the metre; `price` is for one metre.
public record WireStock(
    String id, String name, Article article, CrossSection section, Length outerDiameter)
    implements Part {
  /// The first of this section in the catalogue.
  public static Optional<WireStock> of(CrossSection section, Catalogue catalogue) {
    return catalogue.of(WireStock.class).filter(wire -> wire.section().equals(section)).findFirst();
  }
}
