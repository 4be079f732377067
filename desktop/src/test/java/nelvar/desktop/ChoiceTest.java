package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Id;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.power.PowerStage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Choosing for the builder, and the curves, driven in a real window.
class ChoiceTest {
  @TempDir Path folder;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
    driver.click(driver.find("#welcome-demo"));
    driver.await("the demo", () -> driver.window.session().isPresent());
    driver.settle();
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  @Test
  void theWholePanelIsChosenTakenAndUndoneAsOneStep() {
    var before = session().project();
    driver.press(KeyCode.CONTROL, KeyCode.J);
    driver.await("the proposal", () -> driver.window.root().lookup("#choice") != null);
    driver.settle();
    assertThat(driver.words("#choice-sums")).contains("EUR", "→");
    assertThat(session().project()).isEqualTo(before);
    driver.press(KeyCode.ENTER);
    driver.settle();
    assertThat(driver.has("#choice")).isFalse();
    assertThat(session().project()).isNotEqualTo(before);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void leavingTheProposalLeavesEverything() {
    var before = session().project();
    driver.run(() -> driver.window.select(new Id("M6")));
    driver.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.J);
    driver.await("the proposal", () -> driver.window.root().lookup("#choice") != null);
    driver.settle();
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#choice")).isFalse();
    assertThat(session().project()).isEqualTo(before);
    assertThat(session().history().get().unsaved()).isFalse();
  }

  /// What is fixed by hand is an edit of its own, and is left alone.
  @Test
  void aSectionIsFixedByHand() {
    driver.run(() -> driver.window.select(new Id("W12")));
    var fixed = (javafx.scene.control.CheckBox) driver.find("#fixed");
    driver.run(fixed::fire);
    assertThat(session().project().fixed()).containsExactly(new Id("W12"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().fixed()).isEmpty();
  }

  /// The curves of the selected load, and what to do where there are none.
  @Test
  void curvesOfTheSelection() {
    var power = (PowerStage) driver.window.stage("Power");
    driver.run(() -> {
      driver.window.choose(power);
      driver.window.select(new Id("U1"));
    });
    driver.click(driver.find("#power-curves"));
    assertThat(driver.has("#curves")).isTrue();
    assertThat(driver.on(() -> driver.window.root().lookup("#river") == null)).isTrue();
    driver.click(driver.find("#power-curves"));
    assertThat(driver.has("#river")).isTrue();
  }

  @Test
  void choosingWithNothingFedSaysSo() {
    driver.run(() ->
        driver.window.commands().stream()
            .filter(command -> command.name().equals("Begin a new project"))
            .findFirst()
            .orElseThrow()
            .run()
            .run());
    driver.press(KeyCode.CONTROL, KeyCode.J);
    assertThat(driver.words("#message")).startsWith("Nothing is fed yet");
    assertThat(driver.has("#choice")).isFalse();
  }
}
