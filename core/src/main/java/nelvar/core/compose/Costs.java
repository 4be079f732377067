package nelvar.core.compose;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Project;

/// What devices and cables cost at the prices their parts state, in the project's currency; pieces
/// that are owned cost nothing. Wire is not counted.
///
/// @param amount of what has a price
/// @param unpriced devices and cables whose part states none, or whose length is not known: they
///   are not in the amount
public record Costs(double amount, int unpriced) {
  public static Costs of(Study study) {
    var project = study.project();
    var catalogue = study.catalogue();
    var amount = 0.0;
    var unpriced = 0;
    var left = new java.util.HashMap<String, Integer>();
    for (var device : project.devices()) {
      if (left.computeIfAbsent(device.part(), project.records()::owned) > 0) {
        left.merge(device.part(), -1, Integer::sum);
        continue;
      }
      var price = of(device.part(), catalogue);
      if (price.isPresent()) amount += price.get();
      else unpriced++;
    }
    for (var cable : project.cables()) {
      var price = of(cable.stock(), catalogue);
      var length = study.length(cable);
      if (price.isPresent() && length.isPresent()) amount += price.get() * length.get().metres();
      else unpriced++;
    }
    return new Costs(amount, unpriced);
  }

  /// Pieces of a part that are owned and do not stand in the machine.
  static int spare(String part, Project project) {
    var used = project.devices().stream().filter(d -> d.part().equals(part)).count();
    return (int) Math.max(0, project.records().owned(part) - used);
  }

  /// Of one, or of a metre of cable; empty where none is stated.
  static Optional<Double> of(String part, Catalogue catalogue) {
    return catalogue.find(part).flatMap(Costs::of);
  }

  static Optional<Double> of(Part part) {
    return part.price().map(price -> price.amount().doubleValue());
  }

  /// ` and 2 without a price`, or nothing.
  public static String beside(int unpriced) {
    return unpriced == 0 ? "" : " and %d without a price".formatted(unpriced);
  }
}
