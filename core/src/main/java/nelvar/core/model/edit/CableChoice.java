package nelvar.core.model.edit;

import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Cable;
import nelvar.core.units.CrossSection;

/// Finds the cable that is like another but for its section.
final class CableChoice {
  private CableChoice() {}

  /// The same cable in another section; refused where the catalogue has none.
  static Cable sized(Cable cable, CrossSection section, Catalogue catalogue) {
    var now = catalogue.find(cable.stock()).map(CableStock.class::cast).orElseThrow();
    if (now.section().equals(section)) return cable;
    return catalogue
        .of(CableStock.class)
        .filter(c -> c.alike(now) && c.section().equals(section))
        .findFirst()
        .map(stock -> cable.withStock(stock.id()))
        .orElseThrow(() ->
            new EditRefused(
                "the catalogue has no cable like %s with %s: add one of your own first"
                    .formatted(now.name(), section)));
  }
}
