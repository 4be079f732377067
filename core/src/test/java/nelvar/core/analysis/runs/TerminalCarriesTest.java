package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nelvar.core.Panel;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.TerminalCurrents;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TerminalCarriesTest {
  /// Plates of 60 W at 24 V take 2.5 A each, from one block or strip; nothing is laid out, so the
  /// air is what the Brief says.
  private static Project plates(String part, int count, double inside) {
    var panel = Panel.dc("supply-24v-20a", "breaker-1p-c16").device("K", part);
    for (var n = 1; n <= count; n++) {
      panel.device("E" + n, "plate-60w-24v", Place.MACHINE);
      panel.wire("K:" + (n + 1), "E" + n + ":1", 1.5, 2).wire("E" + n + ":2", "T:-", 1.5, 2);
    }
    return panel
        .wire("T:+", "K:1", 10, 1)
        .brief(b ->
            new Brief(
                b.supply(),
                b.surroundings()
                    .withAir(new Temperature(5), new Temperature(30), new Temperature(inside)),
                b.policies()))
        .build();
  }

  private static Verdict judge(Project project) {
    return new TerminalCarries()
        .check(Panel.study(project))
        .filter(v -> v.subject().things().contains(new Id("K")))
        .findFirst()
        .orElseThrow();
  }

  /// A block of 40 A: 16 plates are 40 A; in 40 °C it bears them, in 45 °C 40 · √(40/45) = 37.7 A.
  @ParameterizedTest
  @CsvSource({"16, 40, ''", "15, 45, ''", "16, 45, WARNING", "17, 40, ERROR"})
  void aBlockInItsAir(int count, double inside, String says) {
    var project = plates("block-plus-32", count, inside);
    if (says.isEmpty()) {
      assertThat(judge(project)).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = (Verdict.Finding) judge(project);
    assertThat(finding.severity()).isEqualTo(Severity.valueOf(says));
    assertThat(judge(finding.proposals().getFirst().edit().apply(project)))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// Nothing flows: nothing is judged; a protective bar carries no work.
  @Test
  void withoutCurrentThereIsNoVerdict() {
    var project = Panel.dc().device("K", "block-plus-32").wire("T:+", "K:1", 2.5, 1).build();
    assertThat(new TerminalCarries().check(Panel.study(project))).isEmpty();
  }

  /// The rated currents rise with the section and stand below what a free wire of it carries in 30
  /// °C (IEC 60364-5-52, method E, about 1.2 to 1.5 times): IEC 60947-7-1, from memory.
  @Test
  void ratedCurrentsBySection() {
    var last = 0.0;
    for (var a : new double[] {0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95}) {
      var now = TerminalCurrents.rated(new CrossSection(a)).orElseThrow().value().amperes();
      assertThat(now).isGreaterThan(last);
      // Density falls with the section: 12 A/mm² for 0.5 mm², 2.4 for 95 mm².
      assertThat(now / a).isBetween(2.4, 13.6);
      last = now;
    }
    assertThat(TerminalCurrents.rated(new CrossSection(2.5)).orElseThrow().value().amperes())
        .isCloseTo(24, within(0.0));
    assertThat(TerminalCurrents.rated(new CrossSection(3))).isEmpty();
  }
}
