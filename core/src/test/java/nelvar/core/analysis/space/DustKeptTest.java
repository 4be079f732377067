package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Housing;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Brief.Dust;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What a fan draws in, by what the air carries, its filter and where it sits.
class DustKeptTest {
  private static Panel panel(String fan, Surface surface, Dust dust) {
    return Panel.mains()
        .device("E1", fan)
        .cabinet(600, 800, 250)
        .at("E1", surface, 40, surface == Surface.BOTTOM ? 40 : 500)
        .brief(b -> in(b, Optional.ofNullable(dust)));
  }

  private static Brief in(Brief brief, Optional<Dust> dust) {
    return new Brief(brief.supply(), brief.surroundings().withDust(dust), brief.policies());
  }

  @ParameterizedTest
  @CsvSource(
      nullValues = "-",
      value = {
        "fan-24v-0p25a, RIGHT, NONE, passes",
        "fan-24v-0p25a, RIGHT, -, not checked",
        "fan-24v-0p25a, RIGHT, COMBUSTIBLE, no filter",
        "fan-24v-0p25a-filter, RIGHT, COMBUSTIBLE, passes",
        "fan-24v-0p25a-filter, RIGHT, -, not checked",
        "fan-24v-0p25a-filter, RIGHT, CONDUCTIVE, through a filter too",
        "fan-24v-0p25a-filter, BOTTOM, OTHER, from the floor",
        "fan-24v-0p25a-filter, BOTTOM, -, not checked",
        "fan-24v-0p25a-filter, BOTTOM, NONE, passes",
      })
  void airIsDrawnInWhereItIsClean(String fan, Surface surface, Dust dust, String says) {
    var verdict = panel(fan, surface, dust).judge(new DustKept(), "E1");
    switch (verdict) {
      case Verdict.Pass _ -> assertThat(says).isEqualTo("passes");
      case Verdict.NotChecked _ -> assertThat(says).isEqualTo("not checked");
      case Verdict.Finding found -> assertThat(found.text()).contains(says);
    }
  }

  /// A filter of the same volts that moves as much; a side wall instead of the floor.
  @Test
  void waysOutCure() {
    var swap = panel("fan-24v-0p25a", Surface.RIGHT, Dust.COMBUSTIBLE);
    swap.cures(new DustKept(), "E1");
    assertThat(swap.found(new DustKept(), "E1").proposals().getFirst().label())
        .contains("filter outside, 24 V");
    panel("fan-24v-0p25a-filter", Surface.BOTTOM, Dust.OTHER).cures(new DustKept(), "E1");
    panel("fan-24v-0p25a", Surface.BOTTOM, Dust.OTHER).cures(new DustKept(), "E1");
    assertThat(
            panel("fan-24v-0p25a-filter", Surface.RIGHT, Dust.CONDUCTIVE)
                .found(new DustKept(), "E1")
                .proposals())
        .isEmpty();
  }

  @Test
  void dustSettlesOnAnOpenShelf() {
    var shelf =
        Panel.mains()
            .cabinet(
                Shell.onWall(
                        Length.ofMillimetres(600),
                        Length.ofMillimetres(400),
                        Length.ofMillimetres(200))
                    .with(d -> d.housing = Housing.OPEN))
            .at("X0", 100, 100);
    assertThat(shelf.judge(new DustKept(), "C")).isInstanceOf(Verdict.NotChecked.class);
    assertThat(
            shelf.brief(b -> in(b, Optional.of(Dust.CONDUCTIVE))).found(new DustKept(), "C").text())
        .contains("settles");
    assertThat(shelf.brief(b -> in(b, Optional.of(Dust.NONE))).judge(new DustKept(), "C"))
        .isInstanceOf(Verdict.Pass.class);
  }
}
