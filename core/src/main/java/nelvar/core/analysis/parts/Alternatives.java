package nelvar.core.analysis.parts;

import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;

/// Other parts of the same kind that fit on the same wires.
final class Alternatives {
  private Alternatives() {}

  /// Same kind, same terminals, same number of phases; of sensors and the like, the same family
  /// first (by shared id stem).
  static Stream<Part> like(Part part, Study study) {
    var stem =
        part.id().split("-")[0]
            + "-"
            + (part.id().split("-").length > 1 ? part.id().split("-")[1] : "");
    return study
        .catalogue()
        .of(part.getClass().asSubclass(Part.class))
        .map(Part.class::cast)
        .filter(next -> !next.id().equals(part.id()) && next.terminals().equals(part.terminals()))
        .sorted(java.util.Comparator.comparing((Part next) -> !next.id().startsWith(stem)));
  }
}
