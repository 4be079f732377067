package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Random;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import org.junit.jupiter.api.Test;

/// What is in the way is passed in one stride, and no free place with it.
class FitsTest {
  @Test
  void noFreePlaceIsPassedOver() throws Exception {
    var file = Path.of("../demo/seed-tray-filler/seed-tray-filler.nelvar.json");
    var study = Study.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    var random = new Random(16);
    var strides = 0;
    var free = 0;
    for (var cabinet : study.project().layout().cabinets()) {
      var fits = Fits.in(cabinet, study);
      for (var body : Bodies.of(study).in(cabinet)) {
        var surface = Fits.surface(cabinet, body.surface());
        for (var n = 0; n < 20; n++) {
          var left = random.nextDouble() * surface.width() - 20;
          var top = random.nextDouble() * surface.height() - 20;
          var past = Math.min(fits.past(body, left, top), surface.width());
          if (past == left) free++;
          for (var there = left + 0.7; there < past; there += 0.7, strides++)
            assertThat(fits.free(body.movedTo(there, top)))
                .as("%s at %.1f, %.1f", body.name(), there, top)
                .isFalse();
        }
      }
    }
    assertThat(strides).isGreaterThan(1000);
    assertThat(free).isPositive();
  }
}
