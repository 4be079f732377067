package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ColoursTellTest {
  private static Conductor first(Project project, WireColours.Use use) {
    var study = Panel.study(project);
    return project.conductors().stream()
        .filter(w -> w.cable().isEmpty() && w.leadOf().isEmpty())
        .filter(w -> WireColours.use(w, study).filter(u -> u == use).isPresent())
        .findFirst()
        .orElseThrow();
  }

  private static Project coloured(Project project, Conductor wire, String colour) {
    return project.withConductors(
        project.conductors().stream()
            .map(w -> w.id().equals(wire.id()) ? w.withColour(Optional.of(colour)) : w)
            .toList());
  }

  private static Verdict verdict(Project project, Conductor wire) {
    return new ColoursTell()
        .check(Panel.study(project))
        .filter(v -> v.subject().things().contains(wire.id()))
        .findFirst()
        .orElseThrow();
  }

  private static Project own(Project project) {
    var brief = project.brief();
    return project.withBrief(
        new nelvar.core.model.Brief(
            brief.supply(),
            brief.surroundings(),
            brief
                .policies()
                .answering(School.WIRE_COLOURS, School.WIRE_COLOURS.options().getLast())));
  }

  /// IEC 60204-1:2016, 13.2, on the metric demo; what endangers is judged in both schools, what is
  /// only unusual where colours go by function.
  @ParameterizedTest
  @CsvSource({
    "LINE, black, '', ''",
    "LINE, Brown, '', ''",
    "LINE, orange, '', ''",
    "LINE, green/yellow, ERROR, ERROR",
    "DIRECT_CONTROL, green-yellow, ERROR, ERROR",
    "LINE, light blue, WARNING, WARNING",
    "NEUTRAL, black, WARNING, WARNING",
    "PROTECTIVE, black, WARNING, WARNING",
    "PROTECTIVE, green, WARNING, WARNING",
    "LINE, violet, ADVICE, ''",
    "DIRECT_CONTROL, brown, ADVICE, ''",
    "DIRECT_CONTROL, dark blue, '', ''",
  })
  void metric(WireColours.Use use, String colour, String byFunction, String byOwn) {
    judged(Demo.settled(), use, colour, byFunction);
    judged(own(Demo.settled()), use, colour, byOwn);
  }

  /// NFPA 79, chapter 13, on the North American demo.
  @ParameterizedTest
  @CsvSource({
    "PROTECTIVE, green, ''",
    "NEUTRAL, white, ''",
    "NEUTRAL, gray, ''",
    "NEUTRAL, light blue, WARNING",
    "LINE, white, WARNING",
    "LINE, green, ERROR",
    "DIRECT_CONTROL, blue, ''",
    "DIRECT_CONTROL, white with blue stripe, ''",
    "DIRECT_CONTROL, red, ADVICE",
  })
  void american(WireColours.Use use, String colour, String says) {
    judged(Demo.rinserSettled(), use, colour, says);
  }

  private static void judged(Project demo, WireColours.Use use, String colour, String says) {
    var wire = first(demo, use);
    var project = coloured(demo, wire, colour);
    var verdict = verdict(project, wire);
    if (says.isEmpty()) {
      assertThat(verdict).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = (Verdict.Finding) verdict;
    assertThat(finding.severity()).isEqualTo(Severity.valueOf(says));
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(verdict(cured, wire)).isInstanceOf(Verdict.Pass.class);
  }

  /// Nobody said a colour: nothing is judged, and nothing is passed.
  @Test
  void noColourIsNoVerdict() {
    var demo = Demo.settled();
    var wire = first(demo, WireColours.Use.LINE);
    var without =
        demo.withConductors(
            demo.conductors().stream()
                .map(w -> w.id().equals(wire.id()) ? w.withColour(Optional.empty()) : w)
                .toList());
    assertThat(new ColoursTell().check(Panel.study(without)))
        .noneMatch(v -> v.subject().things().contains(wire.id()));
  }

  /// A working wire in the protective colour is found in a review, and taking it back cures.
  @Test
  void aReviewFindsIt() {
    var demo = Demo.settled();
    var wire = first(demo, WireColours.Use.DIRECT_CONTROL);
    var review =
        Review.of(coloured(demo, wire, "green-yellow"), nelvar.core.file.CatalogueFile.standard());
    assertThat(review.open()).anyMatch(entry -> entry.rule().id().equals("runs.colour"));
  }
}
