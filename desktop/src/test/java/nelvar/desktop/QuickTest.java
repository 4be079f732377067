package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.calc.Calculators;
import nelvar.core.model.Id;
import nelvar.core.units.CrossSection;
import nelvar.desktop.quick.QuickModel;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The quick calculator, as a model and in a real window.
class QuickTest {
  @TempDir Path folder;
  private Optional<Driver> opened = Optional.empty();

  private Driver driver() {
    var driver = new Driver(folder.resolve("state"));
    opened = Optional.of(driver);
    return driver;
  }

  @AfterEach
  void close() {
    opened.ifPresent(Driver::close);
  }

  @Test
  void theModelWaitsRefusesAndAnswers() {
    var model = new QuickModel();
    model.choose(Calculators.named("voltage-drop").orElseThrow());
    assertThat(model.outcome().get()).isEqualTo(new QuickModel.Outcome.Waits("S", "cross-section"));
    model.write("I", "lots");
    assertThat(model.outcome().get())
        .isInstanceOfSatisfying(
            QuickModel.Outcome.Wrong.class,
            wrong -> {
              assertThat(wrong.symbol()).isEqualTo("I");
              assertThat(wrong.message()).contains("'lots' is not a current");
            });
    model.write("I", "5 A");
    model.write("S", "1 mm²");
    model.write("l", "20 m");
    model.write("Un", "24 V");
    model.write("T", "20 °C");
    // 2 · 5 · 20 · 0.0195 Ω/m over 24 V (IEC 60228 class 5, from memory)
    assertThat(model.text().orElseThrow()).contains("u = ΔU/Un", "16.2 %");
    // What was written stays with its calculation.
    model.choose(Calculators.named("gauge").orElseThrow());
    assertThat(model.text()).isEmpty();
    model.choose(Calculators.named("voltage-drop").orElseThrow());
    assertThat(model.written("l")).isEqualTo("20 m");
    model.clear();
    assertThat(model.text()).isEmpty();
    model.choose(Calculators.named("fuse-limit").orElseThrow());
    model.write("Iz", "1 A");
    assertThat(model.outcome().get()).isInstanceOf(QuickModel.Outcome.Lacks.class);
  }

  /// Without a project, by keyboard alone: find, write, read, close.
  @Test
  void worksWithoutAProjectByKeyboardAlone() {
    var driver = driver();
    driver.press(KeyCode.CONTROL, KeyCode.E);
    assertThat(driver.has("#quick")).isTrue();
    driver.type("largest gg");
    assertThat(driver.on(() -> driver.window.quickModel().calculator().get().name()))
        .isEqualTo("fuse-limit");
    driver.press(KeyCode.ENTER);
    driver.type("17.4");
    assertThat(driver.words("#quick-answer")).isEqualTo("12 A");
    driver.type("x");
    assertThat(driver.words("#quick-note-Iz"))
        .contains("is not a unit of a current", "from 1 µA to 100 kA");
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#quick")).isFalse();
    assertThat(driver.window.session()).isEmpty();
  }

  /// With one: what the selected wire has is taken, and the answer put into the wire; undo takes it
  /// back.
  @Test
  void takesFromTheProjectAndGivesBack() {
    var driver = driver();
    driver.click(driver.find("#welcome-demo"));
    driver.await("the demo", () -> driver.window.session().isPresent());
    driver.settle();
    var session = driver.window.session().orElseThrow();
    driver.run(() -> driver.window.select(new Id("W46")));
    var before = session.project();
    driver.run(() ->
        driver.window.quickModel().choose(Calculators.named("protective-conductor").orElseThrow()));
    driver.press(KeyCode.CONTROL, KeyCode.E);
    driver.click(driver.find("#quick-take"));
    var section = (TextField) driver.find("#quick-S");
    assertThat(section.getText()).isNotBlank();
    driver.run(() -> section.setText("10 mm²"));
    assertThat(driver.words("#quick-answer")).isEqualTo("10 mm²");
    driver.click(driver.find("#quick-use"));
    assertThat(wire(session.project(), "W46")).isEqualTo(Optional.of(new CrossSection(10)));
    driver.press(KeyCode.ESCAPE);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session.project()).isEqualTo(before);
  }

  private static Optional<CrossSection> wire(nelvar.core.model.Project project, String id) {
    return project.conductors().stream()
        .filter(c -> c.id().text().equals(id))
        .findFirst()
        .orElseThrow()
        .section();
  }
}
