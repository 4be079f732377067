package nelvar.desktop.stage.runs;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.finding.Severity;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.documents.drawing.BundleSection;
import nelvar.documents.drawing.Drawing;

/// What the Runs stage shows, without a node.
final class RunsModel {
  private static final double CUT_WIDTH = 560;

  private RunsModel() {}

  /// Every conductor, in the order of the project.
  static List<RunRow> rows(Review review) {
    var worst = new HashMap<Id, Severity>();
    for (var entry : review.open())
      for (var thing : entry.verdict().subject().things())
        worst.merge(
            thing, entry.finding().orElseThrow().severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
    return review.project().conductors().stream()
        .map(conductor -> RunRow.of(conductor, review, worst))
        .toList();
  }

  /// A cut through a bundle, with what stands beside it.
  record Cut(Bundle bundle, String words, Drawing drawing) {}

  /// Through the bundle that was asked for, else that of the selection, else the first there is.
  static Optional<Cut> cut(Review review, Optional<Id> asked, Optional<Id> selected) {
    var study = review.study();
    return asked
        .flatMap(
            id -> review.project().bundles().stream().filter(b -> b.id().equals(id)).findFirst())
        .or(() -> selected.flatMap(study::conductor).flatMap(study::bundle))
        .or(() -> review.project().bundles().stream().findFirst())
        .map(bundle ->
            new Cut(
                bundle,
                describe(bundle, review),
                BundleSection.of(bundle, study, selected, CUT_WIDTH)));
  }

  private static String describe(Bundle bundle, Review review) {
    var around = review.project().brief().surroundings();
    var lying = review.study().lyingIn(bundle);
    Map<Boolean, Long> kinds =
        lying.stream()
            .collect(Collectors.partitioningBy(c -> c.cable().isPresent(), Collectors.counting()));
    return "%s (method %s), air %s; %d wires, %d cables; cut to scale"
        .formatted(
            bundle.method().words(),
            bundle.method(),
            bundle.inside() ? around.inside() : around.greatest(),
            kinds.getOrDefault(false, 0L),
            lying.stream().flatMap(c -> c.cable().stream()).distinct().count());
  }
}
