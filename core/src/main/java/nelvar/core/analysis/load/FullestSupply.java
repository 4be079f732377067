package nelvar.core.analysis.load;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.network.Source;

/// The electronic supply that gives most of its rating with everything on.
///
/// @param share of its rating, 1 is all of it
public record FullestSupply(Source source, double share) {
  public static Optional<FullestSupply> of(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.part(source.device()).filter(Part::electronicSupply).isPresent())
        .map(source ->
            new FullestSupply(
                source, study.designCurrent(source).amperes() / source.output().rating().amperes()))
        .max(java.util.Comparator.comparingDouble(FullestSupply::share));
  }
}
