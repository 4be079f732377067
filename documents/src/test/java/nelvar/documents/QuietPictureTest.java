package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Matrix;
import nelvar.core.analysis.interference.Separation;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Id;
import nelvar.documents.drawing.BondingPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PairPicture;
import nelvar.documents.drawing.QuietPicture;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class QuietPictureTest {
  private static Study study() {
    return Study.of(Machines.planted(), CatalogueFile.standard());
  }

  private static void within(Drawing drawing) {
    for (var shape : drawing.shapes())
      if (shape instanceof Shape.Label label) {
        assertThat(label.x()).as(label.text()).isBetween(0.0, drawing.width());
        assertThat(label.y()).as(label.text()).isBetween(0.0, drawing.height());
      }
    for (var spot : drawing.spots()) {
      assertThat(spot.x() + spot.width()).isLessThanOrEqualTo(drawing.width() + 1);
      assertThat(spot.y() + spot.height()).isLessThanOrEqualTo(drawing.height() + 1);
    }
  }

  /// Every cell says what the pair in it says, and none is told twice.
  @ParameterizedTest
  @ValueSource(doubles = {500, 786, 1600})
  void eachCellIsItsPair(double width) {
    var study = study();
    var matrix = Matrix.of(study, true);
    var drawing = QuietPicture.of(matrix, Separation.of(study), width, Optional.empty());
    within(drawing);
    var cells = 0;
    for (var spot : drawing.spots()) {
      var pair = QuietPicture.pair(spot.about(), matrix);
      if (pair.isEmpty()) continue;
      cells++;
      assertThat(spot.says())
          .contains(pair.get().emitter().label(), pair.get().receiver().label())
          .contains("%+.0f dB".formatted(pair.get().margin()).replace('-', '−'));
    }
    assertThat(cells).isGreaterThan(30);
    var worst = Coupled.of(study).pairs().getFirst();
    assertThat(drawing.spots())
        .anyMatch(s ->
            s.says()
                .contains(
                    "%s into %s".formatted(worst.emitter().label(), worst.receiver().label())));
  }

  /// Unfolded, no pair is left out.
  @Test
  void unfoldedEveryPairHasItsCell() {
    var study = study();
    var matrix = Matrix.of(study, false);
    var cells =
        QuietPicture.of(matrix, java.util.List.of(), 800, Optional.empty()).spots().stream()
            .filter(s -> QuietPicture.pair(s.about(), matrix).isPresent())
            .count();
    assertThat(cells).isEqualTo(Coupled.of(study).pairs().size());
    assertThat(QuietPicture.pair(new Id("WB4"), matrix)).isEmpty();
    assertThat(QuietPicture.pair(new Id("cell-99-99"), matrix)).isEmpty();
  }

  @Test
  void aMachineWithoutAnythingThatDisturbsSaysSo() {
    var none =
        Study.of(
            nelvar.core.model.Project.empty("none", "", Machines.planted().brief()),
            CatalogueFile.standard());
    assertThat(
            Machines.texts(
                QuietPicture.of(Matrix.of(none, true), java.util.List.of(), 600, Optional.empty())))
        .anyMatch(text -> text.startsWith("Nothing that disturbs"));
  }

  /// Of every pair a cut, or what joins both: no blank picture, nothing beside it.
  @Test
  void everyPairHasItsCut() {
    for (var project : java.util.List.of(Machines.planted(), Machines.planted(true).project())) {
      var study = Study.of(project, CatalogueFile.standard());
      for (var pair : Coupled.of(study).pairs()) {
        var drawing = PairPicture.of(pair, study, 334);
        within(drawing);
        var texts = Machines.texts(drawing).toList();
        assertThat(texts).anyMatch(t -> t.startsWith(pair.emitter().label().substring(0, 2)));
        if (pair.apart().isPresent())
          assertThat(texts)
              .anyMatch(t -> t.startsWith("%.0f mm".formatted(pair.apart().get().apart() * 1000)))
              .anyMatch(t -> t.endsWith("over metal"));
        else assertThat(texts).contains("They lie nowhere beside each other.");
      }
    }
  }

  /// How far trays should keep apart stands below the matrix.
  @Test
  void traysThatNobodySaidHowNearSayWhatTheyShouldKeep() {
    var study = study();
    var drawing =
        QuietPicture.of(Matrix.of(study, true), Separation.of(study), 800, Optional.empty());
    assertThat(Machines.texts(drawing))
        .anyMatch(t -> t.startsWith("Keep the tray along the frame"));
  }

  @Test
  void everyPieceOfMetalStandsInTheBondingPicture() {
    var study = study();
    var drawing = BondingPicture.of(study, 786);
    within(drawing);
    var texts = Machines.texts(drawing).toList();
    for (var piece : Bonding.of(study).pieces())
      assertThat(texts).anyMatch(t -> t.startsWith(piece.device().designation().text()));
    assertThat(texts)
        .contains("-UC1 door", "joined to nothing", "a ring that matters")
        .anyMatch(t -> t.startsWith("joined to earth 2 times"))
        .anyMatch(t -> t.contains("measure each joint"))
        .anyMatch(t -> t.contains("earthed as a mesh"))
        .anyMatch(t -> t.startsWith("joined to earth once"));
  }
}
