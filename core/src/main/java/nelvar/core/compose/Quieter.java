package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Remedies;
import nelvar.core.analysis.interference.Remedy;
import nelvar.core.review.Review;

/// What helps against disturbances, each reviewed whole on a copy: what opens anything else is not
/// offered. Window and command line ask here.
public final class Quieter {
  private Quieter() {}

  /// @param effects what it does to the findings of the machine
  public record Tried(Remedy remedy, Effects effects) {}

  /// Most for its cost first; what is left when it is dropped half way.
  public static List<Tried> of(Pair pair, Review today, BooleanSupplier dropped) {
    var study = today.study();
    var all = new ArrayList<Tried>();
    for (var remedy : Remedies.of(pair, study)) {
      if (dropped.getAsBoolean()) break;
      var after = study.tried(remedy.repair().edit().apply(study.project()));
      var effects = effects(today, after);
      if (effects.opened().isEmpty()) all.add(new Tried(remedy, effects));
    }
    return List.copyOf(all);
  }

  /// The best for the worst pairs in turn, up to so many, as one step.
  public static Optional<Remedies.Best> best(Review today, int most) {
    return Remedies.best(today.study(), most, after -> effects(today, after).opened().isEmpty());
  }

  private static Effects effects(Review today, Study after) {
    return Effects.between(today, Review.findingsOnly(after));
  }
}
