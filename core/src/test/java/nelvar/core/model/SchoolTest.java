package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Brief.Sizing;
import nelvar.core.sample.NewProject;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Percent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SchoolTest {
  private static final Brief.Policies METRIC = NewProject.usualBrief().policies();

  static List<School> all() {
    return School.ALL;
  }

  private static School.Option option(School school, String id) {
    return school.options().stream().filter(o -> o.id().equals(id)).findFirst().orElseThrow();
  }

  /// Each side has its say, and both sizing schools have a usual answer among the options.
  @ParameterizedTest
  @MethodSource("all")
  void everyQuestionHasTwoSidesAndAUsualAnswer(School school) {
    assertThat(school.options()).hasSizeGreaterThanOrEqualTo(2);
    assertThat(school.options().stream().map(School.Option::id)).doesNotHaveDuplicates();
    for (var option : school.options()) {
      assertThat(option.words()).isNotBlank();
      assertThat(option.argument()).endsWith(".").hasSizeGreaterThan(20);
    }
    for (var sizing : Sizing.values()) assertThat(school.options()).contains(school.usual(sizing));
    assertThat(Sizing.values()).anyMatch(school::mattersTo);
  }

  @Test
  void everyQuestionIsListedOnce() {
    assertThat(School.ALL.stream().map(School::id)).doesNotHaveDuplicates();
    assertThat(School.ALL.stream().map(School::question)).doesNotHaveDuplicates();
  }

  /// The usual answers follow the sizing school; what was chosen stays chosen.
  @Test
  void answersFollowTheSizingSchoolUntilChosen() {
    assertThat(METRIC.answer(School.CONTINUOUS_LOAD).id()).isEqualTo("as-is");
    var american = METRIC.sizedBy(Sizing.NORTH_AMERICAN);
    assertThat(american.answer(School.CONTINUOUS_LOAD).id()).isEqualTo("plus-25");
    assertThat(american.answer(School.PROTECTIVE_CONDUCTOR).id()).isEqualTo("by-device");
    assertThat(american.answer(School.SMALL_BREAKER).id()).isEqualTo("marked");
    var chosen = METRIC.answering(School.FAULT_VOLTAGE, option(School.FAULT_VOLTAGE, "two-thirds"));
    assertThat(chosen.chose(School.FAULT_VOLTAGE, "two-thirds")).isTrue();
    assertThat(chosen.sizedBy(Sizing.NORTH_AMERICAN).chose(School.FAULT_VOLTAGE, "two-thirds"))
        .isTrue();
  }

  /// Only what differs from the usual is kept, so that a later change of mind leaves no trace.
  @Test
  void theUsualAnswerIsNotStored() {
    var chosen = METRIC.answering(School.FUSE_MELTING, option(School.FUSE_MELTING, "curve"));
    assertThat(chosen.choices()).containsExactly(new School.Choice("fuse-melting", "curve"));
    var back = chosen.answering(School.FUSE_MELTING, option(School.FUSE_MELTING, "gates"));
    assertThat(back).isEqualTo(METRIC);
  }

  @Test
  void otherPoliciesKeepTheAnswers() {
    var chosen = METRIC.answering(School.DIRECT_TRIP, option(School.DIRECT_TRIP, "1.5"));
    for (var changed :
        List.of(
            chosen.withDrop(new Percent(3)),
            chosen.withHeadroom(new Percent(70)),
            chosen.withFuses(Brief.FuseReading.RATING),
            chosen.withProtection(Brief.Protection.GROUPED)))
      assertThat(changed.choices()).isEqualTo(chosen.choices());
    assertThat(chosen.withDrop(new Percent(3)).drop()).isEqualTo(new Percent(3));
    assertThat(chosen.withHeadroom(new Percent(70)).headroom()).isEqualTo(new Percent(70));
    assertThat(chosen.withFuses(Brief.FuseReading.RATING).fuses())
        .isEqualTo(Brief.FuseReading.RATING);
    assertThat(chosen.withProtection(Brief.Protection.GROUPED).protection())
        .isEqualTo(Brief.Protection.GROUPED);
  }

  @Test
  void whatIsNoQuestionOrNoAnswerIsRefusedWithTheListOfThem() {
    assertThatThrownBy(() -> new School.Choice("colour-of-the-door", "red"))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("no question 'colour-of-the-door'")
        .hasMessageContaining("fuse-melting");
    assertThatThrownBy(() -> new School.Choice("fuse-melting", "astrology"))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("'fuse-melting' has no answer 'astrology'")
        .hasMessageContaining("gates, curve");
    var twice =
        List.of(
            new School.Choice("fuse-melting", "curve"), new School.Choice("fuse-melting", "gates"));
    assertThatThrownBy(() ->
            new Brief.Policies(
                METRIC.sizing(),
                METRIC.protection(),
                METRIC.fuses(),
                METRIC.headroom(),
                METRIC.drop(),
                METRIC.currency(),
                twice))
        .hasMessageContaining("answered twice");
  }

  private static Project answering(School school, String option) {
    var project = NewProject.named("schools");
    var b = project.brief();
    return project.withBrief(
        new Brief(
            b.supply(), b.surroundings(), b.policies().answering(school, option(school, option))));
  }

  @Test
  void answersAndWhatIsFixedSurviveTheFile() throws Exception {
    var project = answering(School.AMBIENT_BASE, "thirty").withFixed(List.of(new Id("X0")));
    var bytes = ProjectFormat.write(project);
    assertThat(new String(bytes, StandardCharsets.UTF_8))
        .contains("\"choices\": [{\"school\": \"ambient-base\", \"option\": \"thirty\"}]")
        .contains("\"fixed\": [");
    assertThat(ProjectFormat.read("x", bytes, CatalogueFile.standard())).isEqualTo(project);
  }

  /// A file with an answer nobody knows, or that fixes what is not there, is refused with its
  /// place.
  @Test
  void aFileWithAWrongAnswerIsExplained() {
    var text =
        new String(
            ProjectFormat.write(answering(School.AMBIENT_BASE, "thirty")), StandardCharsets.UTF_8);
    assertThatThrownBy(() ->
            ProjectFormat.read(
                "schools.nelvar.json",
                text.replace("thirty", "fifty").getBytes(StandardCharsets.UTF_8),
                CatalogueFile.standard()))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("has no answer 'fifty'")
        .hasMessageContaining("line");
    var gone = NewProject.named("gone").withFixed(List.of(new Id("F99")));
    assertThatThrownBy(() ->
            ProjectFormat.read(
                "gone.nelvar.json", ProjectFormat.write(gone), CatalogueFile.standard()))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("'F99' is fixed by hand, but is not in the project");
  }

  /// Names with single letters between underscores, as users write them.
  @Test
  void earthingSystemsAreSpelledAsPeopleDo() throws Exception {
    var project = NewProject.named("earth");
    var b = project.brief();
    var s = b.supply();
    var next =
        project.withBrief(
            new Brief(
                new Brief.Supply(
                    s.voltage(),
                    s.frequency(),
                    Brief.Earthing.TN_C_S,
                    s.upstream(),
                    Optional.empty(),
                    Optional.empty()),
                b.surroundings(),
                b.policies()));
    var text = new String(ProjectFormat.write(next), StandardCharsets.UTF_8);
    assertThat(text).contains("\"earthing\": \"tn-c-s\"");
    assertThat(
            ProjectFormat.read(
                "x", text.getBytes(StandardCharsets.UTF_8), CatalogueFile.standard()))
        .isEqualTo(next);
  }
}
