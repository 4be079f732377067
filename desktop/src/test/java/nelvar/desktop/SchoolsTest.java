package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Brief;
import nelvar.core.model.School;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The schools in the Brief, driven in a real window.
class SchoolsTest {
  @TempDir Path folder;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
    driver.click(driver.find("#welcome-demo"));
    driver.await("the demo", () -> driver.window.session().isPresent());
    driver.settle();
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT1);
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  private Brief.Policies policies() {
    return session().project().brief().policies();
  }

  private void choose(String id) {
    driver.run(() -> ((RadioButton) driver.window.root().lookup("#" + id)).fire());
    driver.settle();
  }

  private boolean says(String text) {
    return driver.on(() ->
        driver.window.root().lookupAll(".label").stream()
            .anyMatch(node -> node instanceof Label label && label.getText().contains(text)));
  }

  /// Both sides of each question that matters are there to read; those of the other school are not.
  @Test
  void eachQuestionStandsWithTheArgumentOfBothSides() {
    for (var school : School.ALL) {
      var matters = school.mattersTo(Brief.Sizing.METRIC);
      assertThat(says(school.question())).as(school.id()).isEqualTo(matters);
      if (matters)
        for (var option : school.options())
          assertThat(says(option.argument())).as(option.id()).isTrue();
    }
  }

  /// An answer is an edit with a name, and is taken back.
  @Test
  void anAnswerIsAnEditLikeAnyOther() {
    choose("radio-2-3-u0-wires-cold");
    assertThat(policies().chose(School.FAULT_VOLTAGE, "two-thirds")).isTrue();
    assertThat(session().history().get().unsaved()).isTrue();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(policies().chose(School.FAULT_VOLTAGE, "cmin")).isTrue();
  }

  /// The sizing school changes the questions, the head and the verdicts: a metric machine has no
  /// gauges.
  @Test
  void theSizingSchoolChangesWhatIsAskedAndJudged() {
    choose("radio-north-american");
    assertThat(policies().sizing()).isEqualTo(Brief.Sizing.NORTH_AMERICAN);
    assertThat(says("North American, 40 °C around")).isTrue();
    assertThat(says(School.TERMINAL_RATING.question())).isTrue();
    assertThat(says(School.AMBIENT_BASE.question())).isFalse();
    assertThat(session().review().get().notChecked())
        .anyMatch(entry -> entry.rule().id().equals("sizing.ampacity"));
    choose("radio-metric");
    assertThat(session().review().get().open()).hasSize(45);
  }
}
