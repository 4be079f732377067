package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.units.Duration;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// The stop chains that drafts build, rehearsed.
class DraftedStopsTest {
  private static final Duration MINUTE = new Duration(60);

  /// Pressed, every motor but fans of the cabinet has lost its torque within 3 s; let go, none has
  /// it again.
  @ParameterizedTest
  @ValueSource(
      strings = {"tile-polisher", "dough-roller", "foam-cutter", "yarn-winder", "conveyor-station"})
  void everyStopTakesEveryMotor(String list) {
    var drawn =
        (Drafting.Drawn)
            Drafting.of("x", ShippedLists.text(list).orElseThrow(), CatalogueFile.standard());
    var study = Panel.study(drawn.draft().project());
    var stops =
        study.project().devices().stream().filter(d -> StopRehearsal.stops(d, study)).toList();
    assertThat(stops).isNotEmpty();
    for (var button : stops) {
      var rehearsal = StopRehearsal.pressing(button, MINUTE, study);
      var motors =
          rehearsal.loads().stream()
              .filter(f -> study.part(f.device()).filter(Part::motor).isPresent())
              .filter(f -> f.device().serves().isPresent())
              .toList();
      assertThat(motors).isNotEmpty();
      assertThat(motors)
          .allSatisfy(f ->
              assertThat(f.latest().orElseThrow().seconds())
                  .as(f.device().designation().text())
                  .isLessThan(3));
      assertThat(Courses.of(rehearsal, study))
          .filteredOn(c -> c.kind() == Course.Kind.SWITCHES)
          .anyMatch(c -> c.last() == Course.State.DEAD);
      var letGo = StopRehearsal.pressedAndLetGo(button, new Duration(5), MINUTE, study).loads();
      assertThat(letGo)
          .filteredOn(f -> study.part(f.device()).filter(Part::motor).isPresent())
          .allMatch(f -> f.back().isEmpty());
    }
  }
}
