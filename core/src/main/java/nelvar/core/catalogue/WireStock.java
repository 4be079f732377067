package nelvar.core.catalogue;

import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Single wire by the metre; `price` is for one metre.
public record WireStock(
    String id, String name, Article article, CrossSection section, Length outerDiameter)
    implements Part {}
