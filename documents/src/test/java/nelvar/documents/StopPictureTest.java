package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.Scenario;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Id;
import nelvar.core.units.Duration;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import nelvar.documents.drawing.ShockPicture;
import nelvar.documents.drawing.StopMatrixPicture;
import nelvar.documents.drawing.StopPicture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StopPictureTest {
  private static Study study() {
    return Study.of(Machines.planted(), CatalogueFile.standard());
  }

  private static void within(Drawing drawing) {
    for (var shape : drawing.shapes())
      if (shape instanceof Shape.Label label) {
        assertThat(label.x()).as(label.text()).isBetween(0.0, drawing.width());
        assertThat(label.y()).as(label.text()).isBetween(0.0, drawing.height());
      }
    for (var spot : drawing.spots())
      assertThat(spot.y() + spot.height()).isLessThanOrEqualTo(drawing.height() + 1);
  }

  /// Every lane stands once, says what it ends as, and none lies over another.
  @ParameterizedTest
  @ValueSource(doubles = {400, 786, 1600})
  void eachLaneStandsOnce(double width) {
    var study = study();
    for (var act : Scenario.all(study)) {
      var rehearsal = StopRehearsal.of(act.at(new Duration(0)), new Duration(60), study);
      var lanes = Courses.of(rehearsal, study);
      var drawing = StopPicture.of(rehearsal, lanes, study, width, Optional.of(new Id("M3")));
      within(drawing);
      assertThat(drawing.spots()).hasSameSizeAs(lanes);
      for (var i = 0; i < lanes.size(); i++) {
        var spot = drawing.spots().get(i);
        assertThat(spot.says()).contains(lanes.get(i).names(), lanes.get(i).ends());
        if (i > 0) {
          var above = drawing.spots().get(i - 1);
          assertThat(spot.y()).isGreaterThanOrEqualTo(above.y() + above.height());
        }
      }
    }
  }

  /// One column an act, one row for what fares alike: what they say is what their lanes say.
  @Test
  void theMatrixSaysWhatItsLanesSay() {
    var study = study();
    var partly = new java.util.ArrayList<Integer>();
    var matrix = StopMatrix.of(study, () -> false, m -> partly.add(m.columns().size()));
    assertThat(partly).containsExactly(1, 2, 3, 4, 5);
    assertThat(matrix.columns())
        .extracting(c -> c.act().words())
        .containsExactly("press -S1", "press -S2", "press -S3", "open -S4", "mains away at -X0");
    var drawing = StopMatrixPicture.of(matrix, study, 786, Optional.of(new Id("M3")));
    within(drawing);
    assertThat(drawing.spots()).hasSameSizeAs(matrix.rows());
    assertThat(drawing.spots())
        .anyMatch(s -> s.says().startsWith("-M3 ") && s.says().contains("press -S1: falls"));
    assertThat(matrix.rows().stream().flatMap(r -> r.devices().stream()).distinct().count())
        .isEqualTo(matrix.columns().getFirst().lanes().size());
    assertThat(matrix.slowest()).isEmpty();
    for (var width : List.of(400.0, 628.0, 786.0))
      assertThat(
              StopMatrixPicture.of(matrix, study, width, Optional.empty()).shapes().stream()
                  .filter(Shape.Label.class::isInstance)
                  .map(Shape.Label.class::cast)
                  .filter(label -> label.x() > 190))
          .as("in %s", width)
          .noneMatch(label -> label.text().endsWith("…"));
    // On narrow paper it goes on: every row once beside each part of the columns.
    var pages = StopMatrixPicture.pages(matrix, study, 450, 4);
    pages.forEach(StopPictureTest::within);
    assertThat(pages).allMatch(page -> page.width() <= 450 && page.spots().size() <= 4);
    assertThat(pages.stream().mapToInt(page -> page.spots().size()).sum())
        .isEqualTo(2 * matrix.rows().size());
    for (var act : matrix.columns())
      assertThat(pages.stream().flatMap(page -> page.spots().stream()))
          .filteredOn(spot -> spot.says().contains(act.act().words()))
          .hasSize(matrix.rows().size());
    assertThat(StopMatrix.of(study, () -> true, _ -> {}).columns()).isEqualTo(List.of());
  }

  /// Each piece of metal stands once, says what it means to touch it, and stays on the picture.
  @ParameterizedTest
  @ValueSource(doubles = {400, 786, 1600})
  void eachPieceOfMetalStandsOnce(double width) {
    var study = study();
    var drawing = ShockPicture.of(study, width, Optional.of(new Id("UC1")));
    within(drawing);
    var touches = Touch.all(study);
    assertThat(drawing.spots()).hasSameSizeAs(touches);
    for (var i = 0; i < touches.size(); i++)
      assertThat(drawing.spots().get(i).says())
          .startsWith(touches.get(i).device().designation().text())
          .contains("now " + touches.get(i).now().words())
          .contains("broken: " + touches.get(i).broken().words());
  }
}
