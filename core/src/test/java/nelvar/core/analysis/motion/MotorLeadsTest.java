package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Leads of motors: where each goes, what is joined, and what an ohmmeter has to read.
class MotorLeadsTest {
  private static List<MotorLeads> leads(Project project, String motor) {
    return MotorLeads.of(project.device(new Id(motor)).orElseThrow(), study(project));
  }

  private static String checks(Project project, String motor) {
    return String.join(
        "\n",
        MotorChecks.of(project.device(new Id(motor)).orElseThrow(), study(project)).stream()
            .map(c -> c.what() + ": " + c.expect())
            .toList());
  }

  private static MotorLeads lead(Project project, String motor, String mark) {
    return leads(project, motor).stream()
        .filter(l -> l.mark().equals(mark))
        .findFirst()
        .orElseThrow();
  }

  /// What somebody saw stands with where it goes; turned round it is another end.
  @Test
  void aStepperLeadHasColourLetterTerminalAndCore() {
    var project =
        Axes.wired("screw 5 mm", Optional.empty(), Optional.empty(), "A-", "A+", "B+", "B-");
    project = say(project, "M", "Lead A+", "red, letter A");
    var seen = lead(project, "M", "A+");
    assertThat(seen.colour()).contains("red");
    assertThat(seen.letter()).contains("A");
    assertThat(seen.to()).contains("-U:A-");
    assertThat(seen.core().orElseThrow()).contains("W");
    assertThat(lead(project, "M", "B-").colour()).isEmpty();
  }

  private static Project induction(String part, Linkage linkage) {
    return Panel.mains()
        .device("M", part)
        .linked(linkage)
        .wire("X0:L1", "M:U", 1.5, 5)
        .wire("X0:L2", "M:V", 1.5, 5)
        .wire("X0:L3", "M:W", 1.5, 5)
        .build();
  }

  /// The ring of delta: each end meets the next start (U1 W2, V1 U2, W1 V2), each pair once.
  @Test
  void deltaIsARingAndStarAPoint() {
    var delta = induction("motor-0p37kw-230-400", Linkage.DELTA);
    assertThat(lead(delta, "M", "U1").remark()).contains("W2");
    assertThat(lead(delta, "M", "U2").remark()).contains("V1");
    assertThat(lead(delta, "M", "W2").remark()).contains("U1");
    assertThat(lead(delta, "M", "V2").remark()).contains("W1");
    var star = induction("motor-0p37kw-230-400", Linkage.STAR);
    assertThat(lead(star, "M", "V2").remark()).contains("star point");
    assertThat(checks(star, "M")).contains("1.06 A, its nameplate in star");
    assertThat(leads(induction("motor-0p37kw-star3", Linkage.STAR), "M")).hasSize(4);
    assertThat(checks(induction("motor-0p37kw-star3", Linkage.STAR), "M"))
        .contains("open its star point");
    assertThat(checks(induction("motor-0p37kw-fixed3", Linkage.DELTA), "M"))
        .contains("cannot be linked otherwise")
        .doesNotContain("Ring of starts");
  }

  /// 12 Ω a winding: star 24 Ω between lines, delta 8 Ω (one beside two: 12 · 24/36); two groups in
  /// parallel 6 Ω.
  @ParameterizedTest
  @CsvSource({"STAR, 24 Ω", "DELTA, 8 Ω"})
  void ohmsBetweenLinesFollowFromOneWinding(Linkage linkage, String expect) {
    var project = say(induction("motor-0p37kw-230-400", linkage), "M", "Phase ohms", "12 Ω");
    assertThat(checks(project, "M"))
        .contains("between any two lines " + expect)
        .contains("at least 1 MΩ");
    assertThat(checks(say(project, "M", "Coil groups", "2"), "M")).contains("6 Ω a winding");
  }

  /// Nine leads in star, low volts: 1 and 7 on the first line, 4, 5 and 6 together.
  @Test
  void nineLeadsAreJoinedByTheirNumbers() {
    var project =
        say(induction("motor-0p37kw-230-400", Linkage.DELTA), "M", "Winding", "nine star");
    assertThat(leads(project, "M")).hasSize(10);
    assertThat(lead(project, "M", "1").to()).contains("-X0:L1");
    assertThat(lead(project, "M", "7").to()).contains("-X0:L1");
    assertThat(lead(project, "M", "7").remark()).isEqualTo("with 1");
    assertThat(lead(project, "M", "5").remark()).isEqualTo("with 4, 6");
    assertThat(lead(project, "M", "5").to()).isEmpty();
    var high = say(induction("motor-0p37kw-230-400", Linkage.STAR), "M", "Winding", "nine star");
    assertThat(lead(high, "M", "7").remark()).isEqualTo("with 4");
  }

  /// Every motor of the catalogue has leads that name each of its terminals once, and checks that
  /// can be done.
  @Test
  void everyMotorOfTheCatalogueHasASheet() {
    for (var part : CatalogueFile.standard().all()) {
      if (!part.motor()) continue;
      var project = Panel.mains().device("M", part.id()).build();
      var all = leads(project, "M");
      assertThat(all).as(part.id()).isNotEmpty().doesNotHaveDuplicates();
      assertThat(all.stream().map(MotorLeads::mark)).doesNotHaveDuplicates();
    }
  }

  /// Six leads end to end: the middle is insulated by itself, and the winding has twice the ohms.
  @Test
  void theUnusedTapIsInsulatedByItself() {
    var six =
        CatalogueFile.standard().all().stream()
            .filter(p ->
                p instanceof nelvar.core.catalogue.StepperMotor m
                    && m.leads().filter(nelvar.core.catalogue.StepperLeads.SIX::equals).isPresent())
            .findFirst()
            .orElseThrow();
    var project = Panel.mains().device("M", six.id()).spare("A0", "B0").build();
    assertThat(lead(project, "M", "A0").remark()).contains("insulate it by itself");
    assertThat(checks(project, "M")).contains("two sets of three");
    var eight =
        CatalogueFile.standard().all().stream()
            .filter(p -> p instanceof nelvar.core.catalogue.StepperMotor m && MotorLeads.eight(m))
            .findFirst()
            .orElseThrow();
    var both = Panel.mains().device("M", eight.id()).linked(Linkage.PARALLEL).build();
    assertThat(lead(both, "M", "A3").remark()).isEqualTo("with A1");
    assertThat(lead(Panel.mains().device("M", eight.id()).build(), "M", "A2").remark())
        .contains("joined to A3");
  }
}
