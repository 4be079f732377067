package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.InstallationMethod;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Frames that open: several cables in one window, and plugs go through.
class EntryFrameTest {
  private static List<Verdict> judge(Project project) {
    return new GlandFits().check(Panel.study(project)).toList();
  }

  /// Cables of 7.5 mm in M16 glands, 26 mm each with room for a spanner: seven in a row of 190 mm,
  /// and two rows in 70 mm.
  private static Project heaters(int count) {
    var panel =
        Panel.mains()
            .bundle("P", InstallationMethod.E, false)
            .cabinet(250, 500, 100)
            .at("X0", 50, 50);
    for (var n = 1; n <= count; n++)
      panel
          .device("E" + n, "heater-100w-230v", Place.MACHINE)
          .cable(
              "C" + n,
              "cable-3x1p5",
              3,
              "P",
              1.5,
              "X0:L1",
              "E" + n + ":L",
              "X0:N",
              "E" + n + ":N",
              "X0:PE",
              "E" + n + ":PE");
    return panel.build();
  }

  @ParameterizedTest
  @CsvSource({"14, true", "15, false"})
  void tooManyGlandsGoThroughFrames(int count, boolean holds) {
    var project = heaters(count);
    var room = judge(project).getFirst();
    if (holds) {
      assertThat(room).isInstanceOf(Verdict.Pass.class);
      return;
    }
    var finding = (Verdict.Finding) room;
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(cured)).allMatch(Verdict.Pass.class::isInstance);
    assertThat(cured.cables()).allMatch(c -> c.gland().orElseThrow() == Cable.Gland.FRAME);
  }

  /// A round plug of 19 mm on a cable of 7.5 mm: no gland that holds the cable lets it through.
  @Test
  void aPlugGoesThroughAFrame() {
    var project =
        Panel.mains()
            .bundle("P", InstallationMethod.E, false)
            .cabinet(400, 500, 200)
            .at("X0", 50, 50)
            .device("X9", "connector-aviation-4-10a")
            .device("E1", "heater-100w-230v", Place.MACHINE)
            .wire("X0:L1", "X9:1A", 1.5, 1)
            .wire("X0:N", "X9:2A", 1.5, 1)
            .cable("C1", "cable-3x1p5", 3, "P", 1.5, "X9:1B", "E1:L", "X9:2B", "E1:N")
            .build();
    var finding =
        judge(project).stream()
            .filter(Verdict.Finding.class::isInstance)
            .map(Verdict.Finding.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(finding.proposals().getFirst().label()).contains("entry frame");
    var cured = finding.proposals().getFirst().edit().apply(project);
    assertThat(judge(cured)).allMatch(Verdict.Pass.class::isInstance);
  }

  /// It is kept in the file under its name and read back.
  @Test
  void aFrameIsKeptInTheFile() throws Exception {
    var project = heaters(2);
    var framed =
        nelvar.core.model.edit.RunEdits.framed(project.cables())
            .on(project, nelvar.core.file.CatalogueFile.standard());
    var written = nelvar.core.file.ProjectFormat.write(framed);
    assertThat(
            nelvar.core.file.ProjectFormat.read(
                "x", written, nelvar.core.file.CatalogueFile.standard()))
        .isEqualTo(framed);
  }

  /// From 3 to 16 mm; nobody gets one without asking for it.
  @Test
  void whatAFrameHolds() {
    assertThat(Entries.holds(Cable.Gland.FRAME, 2.9)).isFalse();
    assertThat(Entries.holds(Cable.Gland.FRAME, 3)).isTrue();
    assertThat(Entries.holds(Cable.Gland.FRAME, 16.1)).isFalse();
    for (var d = 1.0; d < 40; d += 0.1)
      assertThat(Entries.fitting(d)).isNotEqualTo(java.util.Optional.of(Cable.Gland.FRAME));
    assertThat(heaters(1).cable(new Id("C1")).orElseThrow().gland()).isEmpty();
  }
}
