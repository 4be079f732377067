package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.Panel;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.review.Review;
import nelvar.core.units.Resistance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Every answer of the Brief stands in the workings that depend on it.
class NamedSchoolsTest {
  static Stream<Arguments> answers() {
    return School.ALL.stream()
        .flatMap(school -> school.options().stream().map(option -> Arguments.of(school, option)));
  }

  /// A heater behind a gG fuse, and a three-phase drive on two lines.
  private static Project small() {
    return Panel.mains()
        .brief(b ->
            new Brief(
                new Brief.Supply(
                    b.supply().voltage(),
                    b.supply().frequency(),
                    Brief.Earthing.TN_S,
                    b.supply().upstream(),
                    Optional.of(new Resistance(0.35)),
                    Optional.empty()),
                b.surroundings(),
                b.policies()))
        .device("F", "fuse-1p-gg16")
        .device("E", "heater-100w-230v", Place.MACHINE)
        .wire("X0:L1", "F:1", 2.5, 1)
        .wire("F:2", "E:L", 2.5, 5)
        .wire("E:N", "X0:N", 2.5, 5)
        .protectiveOf("X0:PE", "E:PE", 2.5, 5)
        .device("G", "breaker-1p-c16")
        .device("U", "drive-3ph-230-1p5kw")
        .onTwoLines()
        .device("M", "motor-0p37kw-230-400")
        .linked(Linkage.DELTA)
        .wire("X0:L1", "G:1", 2.5, 1)
        .wire("G:2", "U:L1", 2.5, 1)
        .wire("X0:N", "U:L2", 2.5, 1)
        .wire("U:U", "M:U", 2.5, 5)
        .wire("U:V", "M:V", 2.5, 5)
        .wire("U:W", "M:W", 2.5, 5)
        .build();
  }

  @ParameterizedTest(name = "{0} {1}")
  @MethodSource("answers")
  void anAnswerStandsInTheWorkingsThatDependOnIt(School school, School.Option option) {
    var workings =
        Stream.of(Demo.settled(), Demo.rinserSettled(), small())
            .filter(project -> school.mattersTo(project.brief().policies().sizing()))
            .flatMap(project -> workings(answering(project, school, option)))
            .collect(Collectors.joining("\n"));
    assertThat(workings).contains(option.words());
  }

  private static Project answering(Project project, School school, School.Option option) {
    var b = project.brief();
    return project.withBrief(
        new Brief(b.supply(), b.surroundings(), b.policies().answering(school, option)));
  }

  private static Stream<String> workings(Project project) {
    return Review.of(project, CatalogueFile.standard()).entries().stream()
        .map(Review.Entry::verdict)
        .map(verdict ->
            switch (verdict) {
              case Verdict.Pass pass -> pass.trail().text();
              case Verdict.Finding finding -> finding.trail().text();
              case Verdict.NotChecked(_, var why) -> why;
            });
  }

  /// The three answers that are settings of their own.
  @ParameterizedTest
  @MethodSource("settings")
  void theOtherSettingsToo(Brief.Policies policies, String words) {
    var project = small();
    var b = project.brief();
    assertThat(
            workings(project.withBrief(new Brief(b.supply(), b.surroundings(), policies)))
                .collect(Collectors.joining("\n")))
        .contains(words);
  }

  static Stream<Arguments> settings() {
    var p = small().brief().policies();
    return List.of(
        Arguments.of(p.withFuses(Brief.FuseReading.STRICT), "gG fuses read strictly"),
        Arguments.of(p.withFuses(Brief.FuseReading.RATING), "gG fuses by rating"),
        Arguments.of(p.withProtection(Brief.Protection.GROUPED), "grouped"),
        Arguments.of(p.withProtection(Brief.Protection.PER_BRANCH), "per branch"))
        .stream();
  }
}
