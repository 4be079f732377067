package nelvar.desktop.stage.brief;

import nelvar.core.model.Brief;
import nelvar.core.review.Review;
import nelvar.documents.drawing.Drawing;

/// What the Brief stage shows, without a node.
record BriefModel(String description, Brief brief, Drawing lines) {
  static BriefModel of(Brief brief, Review review) {
    var said = review.project().description();
    return new BriefModel(
        said.isEmpty()
            ? "What is it fed from, where does it stand, which schools does it follow?"
            : said,
        brief,
        PhaseBars.of(review.study()));
  }
}
