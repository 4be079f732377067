package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Returned;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// What is set on a device in the side sheet, typed in a real window.
class DeviceSettingsTest {
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

  private void select(String id) {
    driver.run(() -> session().selection().set(Optional.of(new Id(id))));
  }

  private Device device(String id) {
    return session().project().device(new Id(id)).orElseThrow();
  }

  private void write(String field, String text) {
    driver.run(() -> {
      var input = (TextField) driver.window.root().lookup("#" + field);
      input.requestFocus();
      input.setText(text);
    });
    driver.press(KeyCode.ENTER);
  }

  private String shown(String field) {
    return driver.on(() -> ((TextField) driver.window.root().lookup("#" + field)).getText());
  }

  private boolean finds(String rule, String subject) {
    return session().review().get().open().stream()
        .anyMatch(entry ->
            entry.rule().id().equals(rule) && entry.verdict().subject().text().equals(subject));
  }

  /// The press axis gives back 20 J when it stops: its two times appear, the bus is judged, and one
  /// step back forgets it.
  @Test
  void whatAnAxisGivesBackIsWrittenOnItsMotor() {
    select("M3");
    assertThat(driver.has("#field-stops-within")).isFalse();
    write("field-gives-back", "20");
    assertThat(device("M3").work().returned())
        .contains(new Returned(new Energy(20), new Duration(0.2), new Duration(5)));
    assertThat(finds("supply.returned-energy", "T3")).isTrue();
    write("field-stops-within", "500 ms");
    assertThat(device("M3").work().returned().orElseThrow().within()).isEqualTo(new Duration(0.5));
    // A stop longer than its cycle is refused where it is written, and nothing is lost.
    write("field-stops-every", "0.1");
    assertThat(device("M3").work().returned().orElseThrow().every()).isEqualTo(new Duration(5));
    assertThat(shown("field-stops-every")).isEqualTo("0.1");
    driver.press(KeyCode.ESCAPE);
    write("field-gives-back", "");
    assertThat(device("M3").work().returned()).isEmpty();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().history().get().unsaved()).isFalse();
  }

  /// Where the field that had the keys is gone, the find field does not take them and open its
  /// list.
  @Test
  void aFieldThatGoesDoesNotSendTheKeysElsewhere() {
    select("M3");
    write("field-gives-back", "20");
    select("T3");
    assertThat(driver.on(() -> driver.window.root().lookup("#found").isVisible())).isFalse();
  }

  /// A three-phase drive is fed by two lines: its third is spare, and it is judged by the school.
  @Test
  @SuppressWarnings("unchecked") // the choice holds yes or no
  void aDriveIsFedByTwoLines() {
    select("U1");
    driver.run(
        () -> ((ChoiceBox<Boolean>) driver.window.root().lookup("#choice-fed-by")).setValue(true));
    assertThat(device("U1").spare()).containsExactly("L3");
    var about =
        session()
            .review()
            .get()
            .about(new Id("U1"))
            .filter(entry -> entry.rule().id().equals("load.drive-output"))
            .findFirst()
            .orElseThrow();
    assertThat(((Verdict.Finding) about.verdict()).trail().text())
        .contains("two of three lines", "half of its rating");
    // The long label of its way out wraps: the sheet keeps to its width.
    var sheet =
        (javafx.scene.control.ScrollPane)
            driver.on(() -> {
              var at = driver.window.root().lookup("#choice-fed-by");
              while (!(at instanceof nelvar.desktop.control.SideSheet)) at = at.getParent();
              return at;
            });
    assertThat(driver.on(() -> sheet.getContent().getLayoutBounds().getWidth()))
        .isLessThanOrEqualTo(driver.on(() -> sheet.getViewportBounds().getWidth()));
    driver.run(
        () -> ((ChoiceBox<Boolean>) driver.window.root().lookup("#choice-fed-by")).setValue(false));
    assertThat(device("U1").spare()).isEmpty();
  }

  /// The dial of a motor protective switch takes only what it can be set to.
  @Test
  void theDialOfAMotorSwitchKeepsToItsRange() {
    driver.run(() ->
        session()
            .edit(
                Edits.add(
                    Device.of(new Id("F99"), "-F99", "test", "motor-protector-4a", Place.PANEL))));
    select("F99");
    write("field-set-to", "3,4");
    assertThat(device("F99").trip()).contains(new Current(3.4));
    write("field-set-to", "9 A");
    assertThat(device("F99").trip()).contains(new Current(3.4));
    assertThat(
            driver.on(() ->
                driver.window.root().lookupAll(".wrong-note").stream()
                    .anyMatch(note ->
                        note instanceof javafx.scene.control.Label label
                            && label.getText().contains("2.5 A to 4 A"))))
        .isTrue();
    driver.press(KeyCode.ESCAPE);
    write("field-set-to", "");
    assertThat(device("F99").trip()).isEmpty();
  }
}
