package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.StripPicture;
import nelvar.documents.export.PackFiles;
import org.junit.jupiter.api.Test;

class StripPictureTest {
  private static final Study STUDY = Study.of(Machines.planted(), CatalogueFile.standard());

  private static StripPlan plan(String id) {
    Device device = STUDY.device(new Id(id)).orElseThrow();
    return StripPlan.of(device, STUDY).or(() -> StripPlan.ofConnector(device, STUDY)).orElseThrow();
  }

  private static List<String> texts(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  /// Each wire that lands is drawn and can be clicked; runs of free ways are told once.
  @Test
  void everythingThatLandsIsSeen() {
    var plan = plan("X30");
    var drawing = StripPicture.of(plan, STUDY, Optional.empty(), 700);
    var landed =
        plan.ways().stream().flatMap(way -> way.landing().stream()).map(l -> l.wire()).toList();
    assertThat(drawing.spots().stream().map(Drawing.Spot::about))
        .containsExactlyInAnyOrderElementsOf(landed.stream().map(wire -> wire.id()).toList());
    assertThat(texts(drawing)).contains("6–12", "7 free", "W169");
  }

  /// In a narrow place texts are cut short, and nothing leaves the picture.
  @Test
  void nothingLeavesThePicture() {
    for (var width : new double[] {330, 700})
      for (var id : List.of("X30", "X11", "X50")) {
        var drawing = StripPicture.of(plan(id), STUDY, Optional.empty(), width);
        for (var spot : drawing.spots()) {
          assertThat(spot.x()).isGreaterThanOrEqualTo(0);
          assertThat(spot.x() + spot.width()).isLessThanOrEqualTo(drawing.width() + 1e-9);
          assertThat(spot.y() + spot.height()).isLessThanOrEqualTo(drawing.height());
        }
      }
  }

  /// Pages hold the same as the whole, none more than asked.
  @Test
  void aLongRowGoesOverSeveralSheets() {
    var plan = plan("X30");
    var pages = StripPicture.pages(plan, STUDY, 700, 8);
    assertThat(pages).hasSizeGreaterThan(2);
    assertThat(pages.stream().mapToInt(page -> page.spots().size()).sum())
        .isEqualTo(StripPicture.of(plan, STUDY, Optional.empty(), 700).spots().size());
  }

  @Test
  void thePackHasWaysAndRowsOfTerminals() {
    assertThat(PackFiles.runs(STUDY)).containsKeys("ways.svg", "strip-X30.svg", "strip-X11.svg");
  }
}
