package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;

class WiringOrderTest {
  private static List<WiringOrder.Step> order(Project project) {
    return WiringOrder.of(Study.of(project, CatalogueFile.standard()));
  }

  /// Every wire is laid once: by itself, or with its cable.
  @Test
  void everyWireIsLaidOnce() {
    for (var project : List.of(Demo.planted(), Demo.rinserSettled(), Demo.sprayerSettled())) {
      var steps = order(project);
      assertThat(steps.stream().flatMap(step -> step.wires().stream()))
          .containsExactlyInAnyOrderElementsOf(
              project.conductors().stream().filter(wire -> !wire.plugged()).toList());
      assertThat(steps.stream().map(WiringOrder.Step::stage)).isSorted();
    }
  }

  /// What is stiff lies on the floor of the ducts: within a place sections fall, protective ones
  /// first.
  @Test
  void thickOnesComeFirst() {
    var plate =
        order(Demo.settled()).stream()
            .filter(step -> step.stage() == WiringOrder.Stage.PLATE)
            .map(step -> step.wires().getFirst())
            .toList();
    assertThat(plate).hasSizeGreaterThan(50);
    assertThat(plate.getFirst().function()).isEqualTo(Conductor.Function.PROTECTIVE);
    var work = plate.stream().filter(Conductor::carriesWork).toList();
    assertThat(work.stream().map(w -> -w.section().orElseThrow().squareMillimetres())).isSorted();
    assertThat(plate.indexOf(work.getFirst())).isEqualTo(plate.size() - work.size());
  }
}
