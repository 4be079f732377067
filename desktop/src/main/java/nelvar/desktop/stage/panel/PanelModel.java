package nelvar.desktop.stage.panel;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.RoomLeft;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.finding.Severity;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.documents.drawing.PlatePicture;

/// What the Panel stage shows, without a node.
///
/// @param cabinets all there are, for the tabs
/// @param cabinet the one that is looked at; empty where nothing is laid out
/// @param shown its picture
/// @param selected the body that is selected
record PanelModel(
    List<Cabinet> cabinets,
    Optional<Cabinet> cabinet,
    Optional<PlatePicture.Shown> shown,
    Optional<Body> selected,
    PlatePicture.Lens lens,
    String summary) {
  PanelModel {
    cabinets = List.copyOf(cabinets);
  }

  /// @param last the cabinet looked at before
  /// @param inside its door is seen from inside
  static PanelModel of(
      Review review,
      Optional<Id> selection,
      Optional<Id> last,
      PlatePicture.Lens lens,
      boolean inside,
      double width,
      double height) {
    var study = review.study();
    var cabinets = study.project().layout().cabinets();
    var body = selection.flatMap(id -> Bodies.of(study).of(id));
    var cabinet =
        body.flatMap(b -> study.project().layout().cabinet(b.at().cabinet()))
            .or(() -> selection.flatMap(id -> holding(cabinets, id)))
            .or(() -> last.flatMap(id -> study.project().layout().cabinet(id)))
            .or(() -> cabinets.stream().findFirst());
    var shown =
        cabinet.map(
            c -> PlatePicture.of(study, c, lens, selection, worst(review), inside, width, height));
    return new PanelModel(
        cabinets, cabinet, shown, body, lens, cabinet.map(c -> summary(c, study)).orElse(""));
  }

  private static Optional<Cabinet> holding(List<Cabinet> cabinets, Id id) {
    return cabinets.stream()
        .filter(c ->
            c.id().equals(id)
                || c.device().filter(id::equals).isPresent()
                || c.rail(id).isPresent()
                || c.duct(id).isPresent())
        .findFirst();
  }

  /// Of findings of this stage.
  private static Map<Id, Severity> worst(Review review) {
    var all = new HashMap<Id, Severity>();
    for (var entry : review.open())
      if (entry.rule().job() == nelvar.core.analysis.Job.PANEL)
        entry
            .finding()
            .ifPresent(finding ->
                finding
                    .subject()
                    .thing()
                    .ifPresent(id ->
                        all.merge(id, finding.severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b)));
    return all;
  }

  private static String summary(Cabinet cabinet, Study study) {
    var air = CabinetAir.of(cabinet, study);
    return "%s free, %s at the top"
        .formatted(RoomLeft.of(cabinet, Bodies.of(study).in(cabinet)), air.hottest());
  }
}
