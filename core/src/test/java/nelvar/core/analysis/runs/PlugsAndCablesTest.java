package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.InstallationMethod;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What a plug mates first, and what comes back in a cable.
class PlugsAndCablesTest {
  private static Verdict judge(Rule rule, String id, Project project) {
    return rule.check(Panel.study(project))
        .filter(v -> v.subject().things().contains(new Id(id)))
        .findFirst()
        .orElseThrow();
  }

  private static Project heaterOverPlug(String part, int line, int neutral, int earth) {
    return Panel.mains()
        .device("X9", part)
        .device("E1", "heater-100w-230v", Place.MACHINE)
        .wire("X0:L1", "X9:" + line + "A", 1.5, 1)
        .wire("X0:N", "X9:" + neutral + "A", 1.5, 1)
        .protective("X0:PE", "X9:" + earth + "A", 1.5)
        .wire("X9:" + line + "B", "E1:L", 1.5, 1)
        .wire("X9:" + neutral + "B", "E1:N", 1.5, 1)
        .protective("X9:" + earth + "B", "E1:PE", 1.5)
        .build();
  }

  /// Of four ways the fourth mates first; where none does, none can be exchanged for it; of plugs
  /// for direct current nobody states it.
  @ParameterizedTest
  @CsvSource({
    "connector-4-16a, 1, 2, 4, true, 0",
    "connector-4-16a, 4, 2, 1, false, 1",
    "connector-aviation-4-10a, 1, 2, 3, false, 0"
  })
  void protectiveFirst(
      String part, int line, int neutral, int earth, boolean holds, int proposals) {
    var project = heaterOverPlug(part, line, neutral, earth);
    var rule = new ProtectiveMatesFirst();
    if (holds) {
      assertThat(judge(rule, "X9", project)).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = (Verdict.Finding) judge(rule, "X9", project);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.proposals()).hasSize(proposals);
    for (var repair : finding.proposals()) {
      var cured = repair.edit().apply(project);
      assertThat(judge(rule, "X9", cured)).isInstanceOf(Verdict.Pass.class);
      // The line is where the protective conductor was, on both halves; the heater is fed as
      // before.
      assertThat(cured.conductors().toString()).contains("to=X9:1A").contains("from=X9:1B");
      assertThat(Panel.study(cured).network().feeds(new Id("E1")))
          .allMatch(feed -> feed.source().isPresent());
    }
  }

  @Test
  void whatNobodyStatesIsNotChecked() {
    var project = heaterOverPlug("lead-usb-1m8", 1, 2, 4);
    assertThat(judge(new ProtectiveMatesFirst(), "X9", project))
        .isInstanceOf(Verdict.NotChecked.class);
  }

  /// At 24 V a protective way may mate with the others.
  @Test
  void lowVoltsAreNotJudged() {
    var project =
        Panel.dc()
            .device("X9", "connector-aviation-4-10a")
            .device("E1", "plate-60w-24v", Place.MACHINE)
            .wire("T:+", "X9:1A", 1.5, 1)
            .wire("T:-", "X9:2A", 1.5, 1)
            .protective("X0:PE", "X9:3A", 1.5)
            .wire("X9:1B", "E1:1", 1.5, 1)
            .wire("X9:2B", "E1:2", 1.5, 1)
            .build();
    assertThat(new ProtectiveMatesFirst().check(Panel.study(project))).isEmpty();
  }

  private static Panel heaters() {
    return Panel.mains()
        .bundle("P", InstallationMethod.E, false)
        .device("E1", "heater-100w-230v", Place.MACHINE)
        .device("E2", "heater-100w-230v", Place.MACHINE)
        .device("E3", "heater-100w-230v", Place.MACHINE);
  }

  /// Three of 100 W take 1.3 A at 230 V; their neutrals in the same cable, one the other way round.
  @Test
  void whatGoesOutAndComesBackIsNothing() {
    var project =
        heaters()
            .cable(
                "C1",
                "cable-7x1p5",
                3,
                "P",
                1.5,
                "X0:L1",
                "E1:L",
                "X0:L1",
                "E2:L",
                "X0:L1",
                "E3:L",
                "X0:N",
                "E1:N",
                "E2:N",
                "X0:N",
                "X0:N",
                "E3:N")
            .build();
    assertThat(judge(new ComesBack(), "C1", project)).isInstanceOf(Verdict.Pass.class);
  }

  @Test
  void aNeutralThatGoesAnotherWayIsFound() {
    var project =
        heaters()
            .cable(
                "C1", "cable-4x1p5", 3, "P", 1.5, "X0:L1", "E1:L", "X0:L1", "E2:L", "X0:L1", "E3:L")
            .cable("C2", "cable-4x1p5", 3, "P", 1.5, "X0:N", "E1:N", "X0:N", "E2:N", "X0:N", "E3:N")
            .build();
    var finding = (Verdict.Finding) judge(new ComesBack(), "C1", project);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("1.3");
  }

  /// One of 100 W takes 0.43 A: too little to be heard. Where nothing flows nothing is passed.
  @Test
  void whatIsLittleIsLetPass() {
    var little =
        heaters()
            .cable("C1", "cable-2x1p5", 3, "P", 1.5, "X0:L1", "E1:L")
            .cable("C2", "cable-2x1p5", 3, "P", 1.5, "X0:N", "E1:N")
            .build();
    assertThat(judge(new ComesBack(), "C1", little)).isInstanceOf(Verdict.Pass.class);
    var none = heaters().cable("C1", "cable-2x1p5", 3, "P", 1.5, "X0:L1", "E1:L").build();
    assertThat(new ComesBack().check(Panel.study(none))).isEmpty();
  }

  /// 60 W at 24 V are 2.5 A.
  @Test
  void aDirectCurrentIsAdvice() {
    var project =
        Panel.dc()
            .bundle("P", InstallationMethod.E, false)
            .device("E1", "plate-60w-24v", Place.MACHINE)
            .cable("C1", "cable-2x1p5", 3, "P", 1.5, "T:+", "E1:1")
            .cable("C2", "cable-2x1p5", 3, "P", 1.5, "T:-", "E1:2")
            .build();
    var finding = (Verdict.Finding) judge(new ComesBack(), "C1", project);
    assertThat(finding.severity()).isEqualTo(Severity.ADVICE);
  }
}
