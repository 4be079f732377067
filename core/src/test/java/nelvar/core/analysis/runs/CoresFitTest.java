package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.InstallationMethod;
import org.junit.jupiter.api.Test;

class CoresFitTest {
  /// Two cores to + and two to - of a heated plate, numbered as given.
  private static Project plate(String stock, String... marks) {
    var project =
        Panel.dc()
            .bundle("P", InstallationMethod.E, false)
            .device("E1", "plate-60w-24v", Place.MACHINE)
            .cable(
                "C1", stock, 3, "P", 0.75, "T:+", "E1:1", "T:+", "E1:1", "T:-", "E1:2", "T:-",
                "E1:2")
            .build();
    var next = List.of(marks).iterator();
    return project.withConductors(
        project.conductors().stream()
            .map(w -> w.cable().isPresent() ? w.withColour(Optional.of(next.next())) : w)
            .toList());
  }

  private static List<Verdict> judge(Project project) {
    return new CoresFit().check(Panel.study(project)).toList();
  }

  private static Verdict.Finding finding(Project project) {
    return judge(project).stream()
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .findFirst()
        .orElseThrow();
  }

  private static void cured(Project project) {
    var cured = finding(project).proposals().getFirst().edit().apply(project);
    assertThat(judge(cured)).allMatch(Verdict.Pass.class::isInstance);
  }

  @Test
  void fourWiresAreNoCableOfThree() {
    var project = plate("cable-3x0p75", "1", "3", "2", "4");
    assertThat(finding(project).text()).contains("has 3");
    cured(project);
  }

  @Test
  void eachCoreIsToldFromTheOthers() {
    assertThat(judge(plate("cable-4x0p75", "1", "3", "2", "4")))
        .allMatch(Verdict.Pass.class::isInstance);
    var twice = plate("cable-4x0p75", "1", "3", "2", "1");
    assertThat(finding(twice).severity()).isEqualTo(Severity.ERROR);
    cured(twice);
  }

  @Test
  void theProtectiveCoreIsNotForWork() {
    var project = plate("cable-5x0p75", "1", "3", "2", "green-yellow");
    assertThat(finding(project).text()).contains("green-yellow core");
    cured(project);
    // Of four cores one is green-yellow and three are landed: none is left to go to.
    assertThat(finding(plate("cable-4x0p75", "1", "3", "2", "green-yellow")).proposals()).isEmpty();
  }

  /// Whoever looks for earth at the other end finds a numbered core.
  @Test
  void theProtectiveConductorIsToldByItsCore() {
    var project = plate("cable-5x0p75", "1", "3", "2", "4");
    var earth =
        project.withConductors(
            project.conductors().stream()
                .map(w ->
                    w.colour().filter("4"::equals).isPresent()
                        ? new Conductor(
                            w.id(),
                            w.label(),
                            w.from(),
                            w.to(),
                            Conductor.Function.PROTECTIVE,
                            w.section(),
                            w.length(),
                            w.colour(),
                            w.cable(),
                            w.bundle())
                        : w)
                .toList());
    var finding = finding(earth);
    assertThat(finding.severity()).isEqualTo(Severity.WARNING);
    assertThat(finding.text()).contains("nobody takes it for earth");
    assertThat(finding.proposals()).isEmpty();
  }

  /// What is landed on another core is to be done again.
  @Test
  void anotherCoreIsNotDoneYet() {
    var wire = plate("cable-4x0p75", "1", "3", "2", "4").conductors().getLast();
    var done = wire.with(d -> d.done = true);
    assertThat(done.withColour(done.colour()).done()).contains(true);
    assertThat(done.withColour(Optional.of("7")).done()).isEmpty();
  }

  /// Out 1 and 2, back 3 and 4: core 1 has no way back beside it. Out 1 and 3, back 2 and 4: each
  /// has.
  @Test
  void sharedCurrentsAlternate() {
    var project = plate("cable-4x0p75", "1", "2", "3", "4");
    var finding = finding(project);
    assertThat(finding.severity()).isEqualTo(Severity.ADVICE);
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(cured.conductors().stream().filter(w -> w.cable().isPresent()))
        .extracting(w -> w.colour().orElseThrow())
        .containsExactly("1", "3", "2", "4");
    assertThat(judge(cured)).allMatch(Verdict.Pass.class::isInstance);
  }

  /// Nobody said how the cores are marked: their number is judged, and nothing passes as told
  /// apart.
  @Test
  void withoutMarksOnlyTheirNumberIsJudged() {
    var project = plate("cable-4x0p75", "1", "2", "3", "4");
    var plain =
        project.withConductors(
            project.conductors().stream().map(w -> w.withColour(Optional.empty())).toList());
    assertThat(judge(plain)).hasSize(1).allMatch(Verdict.Pass.class::isInstance);
    assertThat(plain.conductors().stream().map(Conductor::id)).contains(new Id("W5"));
  }
}
