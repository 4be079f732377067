package nelvar.core.analysis.bonding;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.model.edit.PinEdits;
import org.junit.jupiter.api.Test;

class FilterFootTest {
  private static Device filter(Project project) {
    return project.devices().stream()
        .filter(d -> d.id().text().equals("Z1"))
        .findFirst()
        .orElseThrow();
  }

  private static Verdict verdict(Project project) {
    return new FilterFoot().check(Panel.study(project)).findFirst().orElseThrow();
  }

  private static double ohms(Project project) {
    return Bonding.of(Panel.study(project)).pieces().stream()
        .filter(p -> p.device().id().text().equals("Z1"))
        .findFirst()
        .flatMap(Bonding.Piece::fast)
        .orElseThrow();
  }

  @Test
  void onBareSteelItIsJoinedByItsFeet() {
    assertThat(verdict(Demo.settled())).isInstanceOf(Verdict.Pass.class);
  }

  /// On paint its wire is all there is: many times further for fast edges. Scraping cures it.
  @Test
  void onPaintItIsAsFarAsItsWireIsLong() {
    var project = Demo.settled();
    var painted = PinEdits.say(filter(project), Bonding.FOOT, Bonding.PAINTED).apply(project);
    assertThat(ohms(painted)).isGreaterThan(5 * ohms(project));
    var finding = (Verdict.Finding) verdict(painted);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("-Z1", "1 MHz", "Scrape");
    var cured = finding.proposals().getFirst().edit().apply(painted);
    assertThat(verdict(cured)).isInstanceOf(Verdict.Pass.class);
    assertThat(ohms(cured)).isEqualTo(ohms(project));
  }

  /// In a star plates count for nothing: advice, and no way out that a plate would be.
  @Test
  void inAStarItIsAdvice() {
    var project = Demo.settled();
    var star =
        project.withBrief(
            new nelvar.core.model.Brief(
                project.brief().supply(),
                project.brief().surroundings(),
                project
                    .brief()
                    .policies()
                    .answering(
                        School.EARTHING_SYSTEM, School.EARTHING_SYSTEM.options().getLast())));
    var finding = (Verdict.Finding) verdict(star);
    assertThat(finding.severity()).isEqualTo(Severity.ADVICE);
    assertThat(finding.proposals()).isEmpty();
  }

  @Test
  void notMountedItIsNotChecked() {
    var project = Demo.settled();
    var off = LayoutEdits.takeOff(filter(project)).apply(project);
    assertThat(verdict(off)).isInstanceOf(Verdict.NotChecked.class);
  }
}
