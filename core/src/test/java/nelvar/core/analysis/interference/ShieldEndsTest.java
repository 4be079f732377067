package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import org.junit.jupiter.api.Test;

class ShieldEndsTest {
  private static Project with(String cable, Screen screen) {
    var project = Demo.settled();
    var at =
        project.cables().stream()
            .filter(c -> c.id().text().equals(cable))
            .findFirst()
            .orElseThrow();
    return Edits.change(at.withScreen(screen)).apply(project);
  }

  private static Verdict judge(Project project, String cable) {
    return Panel.judge(new ShieldEnds(), cable, project);
  }

  private static void cured(Project project, String cable) {
    var finding = (Verdict.Finding) judge(project, cable);
    var after = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(after, cable)).isInstanceOf(Verdict.Pass.class);
  }

  private static Project school(Project project, String option) {
    var b = project.brief();
    var answer =
        School.SHIELD_ENDS.options().stream().filter(o -> o.id().equals(option)).findFirst();
    return project.withBrief(
        new Brief(
            b.supply(),
            b.surroundings(),
            b.policies().answering(School.SHIELD_ENDS, answer.orElseThrow())));
  }

  @Test
  void aMotorsShieldIsClampedAtBothEndsInEverySchool() {
    var pigtail =
        with(
            "WD1",
            new Screen(Optional.of(Ending.PIGTAIL), Optional.of(Ending.CLAMP), Optional.empty()));
    for (var option : School.SHIELD_ENDS.options()) {
      var project = school(pigtail, option.id());
      var finding = (Verdict.Finding) judge(project, "WD1");
      assertThat(finding.severity()).isEqualTo(Severity.WARNING);
      assertThat(finding.trail().text()).contains(option.words());
      cured(project, "WD1");
    }
  }

  @Test
  void whatNobodySaidIsNotChecked() {
    assertThat(judge(with("WD1", Screen.NONE), "WD1")).isInstanceOf(Verdict.NotChecked.class);
    assertThat(
            judge(
                with(
                    "WB9",
                    new Screen(Optional.of(Ending.CLAMP), Optional.empty(), Optional.empty())),
                "WB9"))
        .isInstanceOf(Verdict.NotChecked.class);
  }

  @Test
  void valuesEndAsTheBriefSays() {
    var both = Demo.settled();
    assertThat(judge(both, "WB9")).isInstanceOf(Verdict.Pass.class);
    var one = school(both, "one");
    var finding = (Verdict.Finding) judge(one, "WB9");
    // More than was asked for is no danger.
    assertThat(finding.severity()).isEqualTo(Severity.ADVICE);
    cured(one, "WB9");
    cured(school(both, "hybrid"), "WB9");
    var open =
        with(
            "WB9",
            new Screen(Optional.of(Ending.CLAMP), Optional.of(Ending.OPEN), Optional.empty()));
    assertThat(((Verdict.Finding) judge(open, "WB9")).severity()).isEqualTo(Severity.WARNING);
    cured(open, "WB9");
  }

  @Test
  void aFerriteStaysWhereAnEndIsPutRight() {
    var project = with("WD1", Screen.both(Ending.OPEN).withTurns(Optional.of(2)));
    var finding = (Verdict.Finding) judge(project, "WD1");
    var after = finding.proposals().getFirst().edit().apply(project);
    assertThat(
            after.cables().stream()
                .filter(c -> c.id().text().equals("WD1"))
                .findFirst()
                .orElseThrow()
                .screened()
                .turns())
        .contains(2);
  }
}
