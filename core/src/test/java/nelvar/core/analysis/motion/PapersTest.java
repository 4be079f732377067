package nelvar.core.analysis.motion;

import static nelvar.core.analysis.motion.Axes.say;
import static nelvar.core.analysis.motion.Axes.study;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.exchange.SettingsKeys;
import nelvar.core.exchange.SettingsText;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;

/// What papers say of a value, and the proof that a text was loaded.
class PapersTest {
  private static Optional<Verdict> papers(Project project) {
    return new PapersAgree().check(study(project)).findFirst();
  }

  /// Two papers that say the same are no matter; two that do not want a test, and its outcome ends
  /// it.
  @Test
  void papersThatContradictWantATest() {
    var one = say(Demo.settled(), "U4", "Microsteps by manual p. 12", "8");
    assertThat(papers(one)).as("one paper alone").isEmpty();
    var alike = say(one, "U4", "Microsteps by label", "8");
    assertThat(papers(alike).orElseThrow()).isInstanceOf(Verdict.Pass.class);
    var two = say(one, "U4", "Microsteps by label", "16");
    var found = (Verdict.Finding) papers(two).orElseThrow();
    assertThat(found.text())
        .contains("manual p. 12 says 8", "label says 16", "command one turn", "Microsteps by test");
    var decided = say(two, "U4", "Microsteps by test", "8");
    assertThat(papers(decided).orElseThrow()).isInstanceOf(Verdict.Pass.class);
    var row =
        SettingsSheet.all(study(two)).stream()
            .filter(r -> r.device().id().text().equals("U4") && r.name().equals("Microsteps"))
            .findFirst()
            .orElseThrow();
    assertThat(row.why()).contains("manual p. 12");
  }

  /// Loaded while all stood as computed; a value that changes afterwards makes it old.
  @Test
  void aProofGetsOldWithTheValues() {
    var project = Demo.settled();
    var board = project.device(new Id("A1")).orElseThrow();
    var study = study(project);
    assertThat(new LoadedProof().check(study)).isEmpty();
    var loaded =
        LoadedProof.of(board, "steps = 40", "version 2.1, port 3", "2026-11-27", study)
            .apply(project);
    assertThat(new LoadedProof().check(study(loaded)).findFirst().orElseThrow())
        .isInstanceOf(Verdict.Pass.class);
    var geared = Axes.moving(loaded, "AX2", _ -> "belt 5 mm 20 teeth gear 3:1");
    var old = (Verdict.Finding) new LoadedProof().check(study(geared)).findFirst().orElseThrow();
    assertThat(old.text()).contains("version 2.1, port 3", "Load them again");
  }

  /// A drive's own text has a number for each answer.
  @Test
  void answersAreCodedAsTheTextHasThem() {
    var project = say(Demo.settled(), "U2", "Key Run source", "F0.02 keypad=0 terminals=1");
    project = say(project, "U2", "Key Turns", "F0.11 both-ways=0 forward-only=1");
    project = say(project, "U2", "Key Ramp up", "F0.17");
    var wanted = SettingsKeys.of(project.device(new Id("U2")).orElseThrow(), study(project));
    assertThat(wanted.get("F0.02").value()).isEqualTo("1");
    assertThat(wanted.get("F0.11").value()).isEqualTo("0");
    assertThat(wanted.get("F0.17").value()).isEqualTo("3");
    var differences = SettingsText.read("F0.02 = 0\nF0.11 = 0\nF0.17 = 3.0\n").differences(wanted);
    assertThat(differences).extracting(SettingsText.Difference::key).containsExactly("F0.02");
  }
}
