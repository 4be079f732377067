package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Power;
import nelvar.core.units.Price;

/// Single wire by the metre; `price` is for one metre.
public record WireStock(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    CrossSection section,
    Length outerDiameter)
    implements Part {}
