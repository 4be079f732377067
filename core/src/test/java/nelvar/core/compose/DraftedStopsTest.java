package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.Predicate;
import nelvar.core.Panel;
import nelvar.core.analysis.stop.BrakeHolds;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Courses;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.units.Duration;
import org.junit.jupiter.api.Test;
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

  /// Two brakes of 17 W, 0.71 A each: 1.42 A of the 2 A that contacts of 6 A break into coils at 24
  /// V. They close before the axis has lost its torque; a third would be too much for the contacts.
  @Test
  void brakesCloseBeforeTheirAxisIsWithoutTorque() {
    var drawn =
        (Drafting.Drawn)
            Drafting.of(
                "lift",
                """
                machine Crate lift
                mains 230 V 50 Hz TN-S
                upstream 16 A
                impedance 0.5 Ω
                ambient 35 °C
                =LF1 lift: servo 400 W screw 10 mm vertical 12 kg
                =LF2 holding: 3 holding brakes 24 V 17 W
                =STP1 stop: stop button
                =SNS1 start: start button
                """,
                CatalogueFile.standard());
    var study = Panel.study(drawn.draft().project());
    var button =
        study.project().devices().stream()
            .filter(d -> StopRehearsal.stops(d, study))
            .findFirst()
            .orElseThrow();
    var rehearsal = StopRehearsal.pressing(button, MINUTE, study);
    var gone = soonest(rehearsal, Part::motor);
    var shut =
        rehearsal.loads().stream()
            .filter(f -> study.part(f.device()).filter(Part::brakes).isPresent())
            .map(f -> f.latest().orElseThrow().seconds())
            .sorted()
            .toList();
    assertThat(shut).hasSize(3);
    assertThat(shut.get(0)).isEqualTo(shut.get(1)).isLessThan(0.06).isLessThanOrEqualTo(gone);
    assertThat(shut.get(2)).isGreaterThan(gone);
    assertThat(new BrakeHolds().check(study).toList()).allMatch(v -> v instanceof Verdict.Pass);
  }

  private static double soonest(StopRehearsal rehearsal, Predicate<Part> which) {
    return rehearsal.loads().stream()
        .filter(f -> CatalogueFile.standard().find(f.device().part()).filter(which).isPresent())
        .mapToDouble(f -> f.dry().orElseThrow().soonest().seconds())
        .min()
        .orElseThrow();
  }
}
