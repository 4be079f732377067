package nelvar.desktop.stage;

import javafx.scene.Node;
import nelvar.core.review.Review;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// One stage of the job: a picture of the machine for one purpose, directly editable.
public interface Stage {
  /// As it stands in the job line.
  String name();

  Node view();

  /// Takes up a project that was opened, or an edit, selection or theme that changed.
  void show(Session session, Review review, Theme theme);

  /// Where the keyboard goes when the stage is chosen.
  Node firstFocus();

  /// Whether an entry of the review belongs to this stage.
  boolean owns(Review.Entry entry);

  /// How many things of this stage are begun and not finished, besides findings.
  default int unfinished(Review review) {
    return 0;
  }
}
