package nelvar.desktop.stage.brief;

import java.util.List;
import nelvar.core.analysis.load.OnMains;
import nelvar.core.model.Brief;
import nelvar.core.review.Review;
import nelvar.documents.drawing.Drawing;

/// What the Brief stage shows, without a node.
///
/// @param hanging what hangs on the mains
record BriefModel(String description, Brief brief, Drawing lines, List<OnMains> hanging) {
  static BriefModel of(Brief brief, Review review) {
    var said = review.project().description();
    return new BriefModel(
        said.isEmpty()
            ? "What is it fed from, where does it stand, which schools does it follow?"
            : said,
        brief,
        PhaseBars.of(review.study()),
        OnMains.of(review.study()));
  }
}
