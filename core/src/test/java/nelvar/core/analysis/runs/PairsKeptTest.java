package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.CableStock;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.InstallationMethod;
import org.junit.jupiter.api.Test;

class PairsKeptTest {
  /// Step and direction of one axis to a drive on the machine, landed on the cores given.
  private static Project axis(String stock, String... marks) {
    var project =
        Panel.dc()
            .bundle("P", InstallationMethod.E, false)
            .device("A1", "extension-4ax", Place.PANEL)
            .device("U1", "stepper-drive-50v-5a", Place.MACHINE)
            .cable(
                "C1",
                stock,
                3,
                "P",
                0.25,
                "A1:STEP1+",
                "U1:STEP+",
                "A1:STEP1-",
                "U1:STEP-",
                "A1:DIR1+",
                "U1:DIR+",
                "A1:DIR1-",
                "U1:DIR-")
            .build();
    var next = List.of(marks).iterator();
    return project.withConductors(
        project.conductors().stream()
            .map(w -> w.cable().isPresent() ? w.withColour(Optional.of(next.next())) : w)
            .toList());
  }

  private static List<Verdict> judge(Project project) {
    return new PairsKept().check(Panel.study(project)).toList();
  }

  @Test
  void bothWiresOfASignalAreOnePair() {
    assertThat(judge(axis("cable-pairs-2x2x0p25-shielded", "1", "2", "3", "4")))
        .hasSize(1)
        .allMatch(Verdict.Pass.class::isInstance);
    assertThat(judge(axis("cable-pairs-4x2x0p25-shielded", "5", "6", "4", "3")))
        .allMatch(Verdict.Pass.class::isInstance);
  }

  @Test
  void aSplitPairIsLandedAnew() {
    var project = axis("cable-pairs-2x2x0p25-shielded", "1", "3", "2", "4");
    var finding = (Verdict.Finding) judge(project).getFirst();
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("cores 1 and 3");
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(cured)).allMatch(Verdict.Pass.class::isInstance);
    // It opens nothing about the cores.
    assertThat(new CoresFit().check(Panel.study(cured))).allMatch(Verdict.Pass.class::isInstance);
  }

  @Test
  void coresNobodyNumberedAreNotJudgedAndCablesInLayersHaveNoPairs() {
    assertThat(judge(axis("cable-pairs-2x2x0p25-shielded", "white", "brown", "3", "4")))
        .hasSize(1)
        .allMatch(Verdict.NotChecked.class::isInstance);
    assertThat(judge(axis("cable-4x0p25-shielded", "1", "3", "2", "4"))).isEmpty();
  }

  @Test
  void aCableHasNoMorePairsThanCoresForThem() {
    var stock =
        (CableStock) CatalogueFile.standard().find("cable-pairs-2x2x0p25-shielded").orElseThrow();
    assertThat(stock.twin(3)).contains(4);
    assertThat(stock.twin(2)).contains(1);
    assertThat(stock.twin(5)).isEmpty();
    assertThatThrownBy(() ->
            new CableStock(
                "x",
                "x",
                stock.article(),
                3,
                stock.section(),
                true,
                false,
                stock.outerDiameter(),
                Optional.empty(),
                Optional.of(2)))
        .hasMessageContaining("1 to 1 pairs");
  }
}
