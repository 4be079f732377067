package nelvar.desktop.stage.motion;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.MotionPicture;

/// What the Motion stage shows, without a node.
///
/// @param axes all of them; @param shown the one that is looked at
/// @param drawing of that one
/// @param rows what is to be set for it
record MotionModel(
    List<MotionAxis> axes,
    Optional<MotionAxis> shown,
    Drawing drawing,
    List<SettingsSheet.Row> rows,
    String summary) {
  private static final Drawing EMPTY = new Drawing(10, 10, List.of(), List.of());
  private static final double WIDTH = 836;
  private static final double LITTLE = 600;
  private static final double HEIGHT = 452;

  MotionModel {
    axes = List.copyOf(axes);
    rows = List.copyOf(rows);
  }

  /// @param selected what is selected in the window; @param last the axis that was looked
  ///   at; @param narrow whether there is little room
  static MotionModel of(
      Review review, Optional<Id> selected, Optional<String> last, boolean narrow) {
    var axes = MotionAxes.of(review.study());
    var shown =
        selected
            .flatMap(id -> MotionAxes.of(review.study(), id).stream().findFirst())
            // A controller is that of all axes: the one that was looked at stays.
            .filter(axis -> last.isEmpty() || !selected.equals(Optional.of(axis.board().id())))
            .or(() -> axes.stream().filter(a -> last.equals(Optional.of(a.name()))).findFirst())
            .or(() -> axes.stream().findFirst());
    return new MotionModel(
        axes,
        shown,
        shown.map(axis -> MotionPicture.of(axis, narrow ? LITTLE : WIDTH, HEIGHT)).orElse(EMPTY),
        shown.map(SettingsSheet::of).orElse(List.of()),
        summary(axes));
  }

  private static String summary(List<MotionAxis> axes) {
    var rows = axes.stream().flatMap(axis -> SettingsSheet.of(axis).stream()).toList();
    var open =
        rows.stream().filter(row -> row.standing() != SettingsSheet.Standing.ENTERED).count();
    return axes.isEmpty()
        ? ""
        : "what must be set so that one is one: %d of %d values entered"
            .formatted(rows.size() - open, rows.size());
  }
}
