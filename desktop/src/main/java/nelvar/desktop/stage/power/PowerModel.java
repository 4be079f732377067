package nelvar.desktop.stage.power;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.load.PowerTree;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.model.Id;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.core.units.Power;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.River;
import nelvar.documents.drawing.TimeCurrentChart;

/// What the Power stage shows, without a node: which picture, and the words beside its title.
record PowerModel(Picture picture, Drawing drawing, String summary) {
  private static final Drawing EMPTY = new Drawing(10, 10, List.of(), List.of());

  enum Picture {
    /// Nothing is fed yet: what to do first is said instead.
    NOTHING,
    RIVER,
    CURVES
  }

  /// @param dry loads behind contactors as when a stop has opened them
  record View(
      boolean amps, boolean dry, boolean curves, Optional<Id> selected, Optional<Live> tried) {}

  static PowerModel of(Review review, View view) {
    var study = review.study();
    if (study.network().feeds().isEmpty())
      return new PowerModel(
          Picture.NOTHING,
          River.of(review, new River.View(false, false, view.selected(), Optional.empty())),
          "Nothing is fed yet");
    if (view.curves()) {
      var chain = chain(study, view.selected());
      return new PowerModel(
          Picture.CURVES,
          chain.map(found -> TimeCurrentChart.of(found, 800, 470, 13)).orElse(EMPTY),
          chain
              .map(found -> "the devices before " + found.feed().device().designation())
              .orElse("Select a load, wire or device behind a breaker or fuse."));
    }
    return new PowerModel(
        Picture.RIVER,
        River.of(review, new River.View(view.amps(), view.dry(), view.selected(), view.tried())),
        summary(study));
  }

  private static String summary(Study study) {
    var watts = PowerTree.of(study).stream().mapToDouble(root -> root.power().watts()).sum();
    return "%s with everything on, %s in the most loaded line"
        .formatted(
            new Power(watts),
            InletLoad.of(study).map(load -> load.value().toString()).orElse("no inlet"));
  }

  /// Of the selection; without one, of the first device there is.
  private static Optional<ProtectionChain> chain(Study study, Optional<Id> selected) {
    return selected
        .flatMap(id -> ProtectionChain.about(id, study))
        .or(() ->
            selected.isPresent()
                ? Optional.empty()
                : ProtectionChain.all(study).stream().findFirst());
  }
}
