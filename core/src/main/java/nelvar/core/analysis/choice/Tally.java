package nelvar.core.analysis.choice;

import java.util.LinkedHashSet;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.protection.Replacement;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.WireStock;
import nelvar.core.model.Id;
import nelvar.core.units.CrossSection;

/// What the devices and wires in question cost and how many different ones they are.
record Tally(double cost, int kinds) {
  static Tally of(Study study, Choosing.Scope scope) {
    var choosing = new Choosing(study, Goal.LEAST_COST, scope, false);
    var cost = 0.0;
    var kinds = new LinkedHashSet<String>();
    var cables = new LinkedHashSet<Id>();
    for (var protecting : ProtectiveDevices.all(study)) {
      var device = protecting.device().device();
      if (protecting.feeds().stream().noneMatch(scope::holds)
          || study.part(device).filter(Replacement::chosen).isEmpty()) continue;
      var part = study.part(device).orElseThrow();
      cost += price(part);
      kinds.add(part.id());
    }
    for (var wire : study.project().conductors()) {
      if (!wire.carriesWork() || wire.section().isEmpty() || !choosing.scoped(wire)) continue;
      if (wire.cable().isPresent()) {
        var stock = study.cable(wire).map(cable -> cable.stock()).orElse("");
        kinds.add(stock);
        if (cables.add(wire.cable().get()))
          cost +=
              study.length(wire).map(l -> l.metres()).orElse(0.0)
                  * study
                      .catalogue()
                      .find(stock)
                      .filter(CableStock.class::isInstance)
                      .map(Tally::price)
                      .orElse(0.0);
      } else {
        kinds.add(wire.section().get().toString());
        cost +=
            study.length(wire).map(l -> l.metres()).orElse(0.0)
                * perMetre(wire.section().get(), study);
      }
    }
    return new Tally(cost, kinds.size());
  }

  static double perMetre(CrossSection section, Study study) {
    return study.once(
        List.of("per metre", section),
        () ->
            WireStock.of(section, study.catalogue())
                .map(Tally::price)
                // Copper without a price in the catalogue: 0.15 a metre and mm², assumed.
                .orElse(0.15 * section.squareMillimetres()));
  }

  private static double price(Part part) {
    return part.price().map(p -> p.amount().doubleValue()).orElse(0.0);
  }
}
