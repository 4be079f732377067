package nelvar.core.analysis.load;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.compose.Drafting;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Brief;
import nelvar.core.units.MainsVoltage;
import org.junit.jupiter.api.Test;

/// A machine for 3x400 V, moved to other mains.
class OnMainsTest {
  private static final Study HERE =
      ((Drafting.Drawn)
              Drafting.of(
                  "x",
                  "mains 3x400 V 50 Hz TN-S\nupstream 25 A\nmotor on the mains 1.5 kW\nvalve 24 V\nheater 230 V 200 W\n",
                  CatalogueFile.standard()))
          .draft()
          .review()
          .study();

  private static String on(String mains) {
    var project = HERE.project();
    var supply = project.brief().supply();
    var next =
        new Brief(
            new Brief.Supply(
                MainsVoltage.read(mains).orThrow(),
                supply.frequency(),
                supply.earthing(),
                supply.upstream(),
                supply.loopImpedance(),
                supply.prospectiveShortCircuitCurrent()),
            project.brief().surroundings(),
            project.brief().policies());
    return OnMains.of(HERE.tried(project.withBrief(next))).stream()
        .map(one -> one.device().designation() + " " + one.fate() + " " + one.words())
        .collect(Collectors.joining("\n"));
  }

  @Test
  void onTheMainsItWasMadeForAllStays() {
    assertThat(OnMains.of(HERE)).isNotEmpty().allMatch(one -> one.fate() == OnMains.Fate.STAYS);
  }

  /// 230/400 V motors are linked in delta for 3x230 V; what hung on 230 V to neutral gets 133 V.
  @Test
  void aMotorOfTwoVoltagesIsLinkedAnew() {
    var there = on("3x230 V");
    assertThat(there).contains("-M1 NEEDS_SWITCHING gets 230 V: link its windings in delta");
    assertThat(there).containsPattern("-E1 UNFIT gets 133 V, accepts");
  }

  @Test
  void whatStandsTooMuchIsUnfit() {
    var there = on("3x690 V");
    assertThat(there).contains("-M1 UNFIT gets 690 V");
    assertThat(there).doesNotContain("STAYS gets 690 V");
  }
}
