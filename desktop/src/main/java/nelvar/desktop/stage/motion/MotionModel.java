package nelvar.desktop.stage.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.AxisStretch;
import nelvar.core.analysis.motion.DialedMotor;
import nelvar.core.analysis.motion.DriveSheet;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.documents.drawing.DialPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.DrivePicture;
import nelvar.documents.drawing.MotionPicture;

/// What the Motion stage shows, without a node.
///
/// @param tabs everything that can be looked at
/// @param axis the axis that is looked at, or @param driven the motor on a frequency converter, or
/// @param dialed the motor on the mains behind a dial
/// @param drawing of that one
/// @param rows what is to be set for it; @param lines the same with what a drive keeps
record MotionModel(
    List<Tab> tabs,
    Optional<MotionAxis> axis,
    Optional<DrivenMotor> driven,
    Optional<DialedMotor> dialed,
    Drawing drawing,
    List<SettingsSheet.Row> rows,
    List<DriveSheet.Line> lines,
    String summary) {
  private static final Drawing EMPTY = new Drawing(10, 10, List.of(), List.of());
  private static final double WIDTH = 836;
  private static final double LITTLE = 600;
  private static final double HEIGHT = 452;

  /// @param motor what is selected with it; @param tip what it is called
  record Tab(String name, Id motor, Optional<String> tip) {}

  MotionModel {
    tabs = List.copyOf(tabs);
    rows = List.copyOf(rows);
    lines = List.copyOf(lines);
  }

  Optional<Device> motor() {
    return axis.map(MotionAxis::motor)
        .or(() -> driven.map(d -> d.motors().getFirst()))
        .or(() -> dialed.map(DialedMotor::motor));
  }

  /// The name of what is looked at.
  Optional<String> shown() {
    return axis.map(MotionAxis::name)
        .or(() -> driven.map(DrivenMotor::name))
        .or(() -> dialed.map(DialedMotor::name));
  }

  /// @param selected what is selected in the window; @param last the axis that was looked
  ///   at; @param narrow whether there is little room
  static MotionModel of(
      Review review, Optional<Id> selected, Optional<String> last, boolean narrow) {
    var study = review.study();
    var axes = MotionAxes.of(study);
    var drives = DrivenMotor.all(study);
    var tabs = new ArrayList<Tab>();
    for (var axis : axes)
      tabs.add(new Tab(axis.name(), axis.motor().id(), axis.function().map(f -> f.name())));
    for (var driven : drives)
      tabs.add(
          new Tab(
              driven.name(),
              driven.motors().getFirst().id(),
              driven.function().map(f -> f.name())));
    var dials = DialedMotor.all(study);
    for (var one : dials)
      tabs.add(new Tab(one.name(), one.motor().id(), one.function().map(f -> f.name())));
    var shown =
        selected
            .flatMap(id -> meant(review, id))
            // A controller is that of all axes: the one that was looked at stays.
            .filter(name ->
                last.isEmpty()
                    || axes.stream().noneMatch(a -> selected.equals(Optional.of(a.board().id()))))
            .or(() -> last.filter(name -> tabs.stream().anyMatch(t -> t.name().equals(name))))
            .or(() -> tabs.stream().map(Tab::name).findFirst());
    var axis = axes.stream().filter(a -> shown.equals(Optional.of(a.name()))).findFirst();
    var driven =
        axis.isPresent()
            ? Optional.<DrivenMotor>empty()
            : drives.stream().filter(d -> shown.equals(Optional.of(d.name()))).findFirst();
    var dialed =
        axis.isPresent() || driven.isPresent()
            ? Optional.<DialedMotor>empty()
            : dials.stream().filter(d -> shown.equals(Optional.of(d.name()))).findFirst();
    var wide = narrow ? LITTLE : WIDTH;
    var lines = driven.map(d -> DriveSheet.of(d, study)).orElse(List.of());
    return new MotionModel(
        tabs,
        axis,
        driven,
        dialed,
        axis.map(a -> MotionPicture.of(a, AxisStretch.of(a, study), wide, HEIGHT))
            .or(() -> driven.map(d -> DrivePicture.of(d, study, wide, HEIGHT)))
            .or(() -> dialed.map(d -> DialPicture.of(d, wide, HEIGHT)))
            .orElse(EMPTY),
        axis.map(a -> SettingsSheet.of(a, study))
            .or(() -> dialed.map(d -> List.of(d.row())))
            .orElseGet(() -> lines.stream().map(DriveSheet.Line::row).toList()),
        lines,
        summary(SettingsSheet.all(study)));
  }

  private static Optional<String> meant(Review review, Id selected) {
    return MotionAxes.of(review.study(), selected).stream()
        .map(MotionAxis::name)
        .findFirst()
        .or(() ->
            DrivenMotor.all(review.study()).stream()
                .filter(d ->
                    d.drive().id().equals(selected)
                        || d.motors().stream().anyMatch(m -> m.id().equals(selected))
                        || d.function().filter(f -> f.id().equals(selected)).isPresent())
                .map(DrivenMotor::name)
                .findFirst())
        .or(() ->
            DialedMotor.all(review.study()).stream()
                .filter(d -> d.motor().id().equals(selected) || d.protector().id().equals(selected))
                .map(DialedMotor::name)
                .findFirst());
  }

  private static String summary(List<SettingsSheet.Row> rows) {
    var open =
        rows.stream().filter(row -> row.standing() != SettingsSheet.Standing.ENTERED).count();
    return rows.isEmpty()
        ? ""
        : "what must be set so that one is one: %d of %d values entered"
            .formatted(rows.size() - open, rows.size());
  }
}
