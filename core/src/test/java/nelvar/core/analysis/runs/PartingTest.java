package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Comparator;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class PartingTest {
  private static final String TRAY = "P2";

  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  private static Bundle tray(Project project) {
    return project.bundles().stream()
        .filter(b -> b.id().text().equals(TRAY))
        .findFirst()
        .orElseThrow();
  }

  private static Project parted() {
    var planted = Demo.planted();
    return Parting.divider(tray(planted), study(planted)).orElseThrow().apply(planted);
  }

  private static Pair worst(Project project, String cable) {
    return Coupled.of(study(project)).pairs().stream()
        .filter(p -> p.receiver().label().equals(cable))
        .filter(
            p -> p.apart().filter(a -> a.receiver().bundle().id().text().equals(TRAY)).isPresent())
        .min(Comparator.comparingDouble(Pair::margin))
        .orElseThrow();
  }

  /// Σd: 8.8 + 8.8 + 7.9 + 6.7 + 6.7 mm of power against 4.9 mm of a signal, in 100 mm.
  @Test
  void bothSidesHoldWhatLiesInThem() {
    var divider = tray(parted()).form().orElseThrow().divider().orElseThrow();
    assertThat(divider).isEqualTo(Length.ofMillimetres(90));
    var fill = Fill.of(tray(parted()), study(parted())).orElseThrow();
    // 4.9 of 10 mm right of it, 38.9 of 90 mm left of it.
    assertThat(fill.filled().value().percent())
        .isCloseTo(49, org.assertj.core.api.Assertions.within(0.1));
  }

  @Test
  void aDividerPartsSignalsFromPower() {
    assertThat(new TrayApart().check(study(parted())))
        .filteredOn(v -> v.subject().concerns(new Id("WB4")))
        .allMatch(Verdict.Pass.class::isInstance);
    var before = worst(Demo.planted(), "-WB4");
    var after = worst(parted(), "-WB4");
    assertThat(after.margin()).isGreaterThan(before.margin() + 3);
    assertThat(after.uncertainty()).isLessThan(before.uncertainty());
  }

  /// Where one side would be too full, none is proposed.
  @Test
  void aTrayThatIsFullTakesNone() {
    var planted = Demo.planted();
    var narrow =
        tray(planted)
            .with(b ->
                b.form =
                    b.form.map(f ->
                        new Bundle.Form(
                            f.kind(), Length.ofMillimetres(40), f.height(), f.carrier())));
    assertThat(Parting.divider(narrow, study(planted.withBundles(List.of(narrow))))).isEmpty();
  }

  @Test
  void onlyATrayHasOneAndNotAtItsSide() {
    var form = tray(Demo.planted()).form().orElseThrow();
    assertThatThrownBy(() -> form.parted(Length.ofMillimetres(97)))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("5 mm and more from either side");
    assertThatThrownBy(
            () -> Bundle.Form.conduit(Length.ofMillimetres(20)).parted(Length.ofMillimetres(10)))
        .hasMessageContaining("only a tray");
  }
}
