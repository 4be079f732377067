package nelvar.core.sample;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.compose.pins.AssignPins;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;

class GeneratedSignalsTest {
  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  @Test
  void twoHundredPinsAreAllSure() {
    assertThat(
            PinLinks.of(study(GeneratedSignals.of(8, true))).stream()
                .filter(PinLink::wired)
                .map(PinLink::standing))
        .hasSize(200)
        .containsOnly(PinLink.Standing.SURE);
  }

  /// Every signal finds a pin, and is sure there.
  @Test
  void whatWaitsIsAssigned() {
    var project = GeneratedSignals.of(4, false);
    var proposal = AssignPins.of(study(project), CatalogueFile.standard());
    assertThat(proposal.left()).isEmpty();
    assertThat(proposal.landings()).hasSize(100);
    assertThat(
            PinLinks.of(study(proposal.edit().apply(project))).stream()
                .filter(PinLink::wired)
                .map(PinLink::standing))
        .hasSize(100)
        .containsOnly(PinLink.Standing.SURE);
  }
}
