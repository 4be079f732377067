package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.finding.Severity;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.parts.PartsStage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// From an empty project to a machine, in the real window.
class PartsTest {
  private static final List<String> MACHINE =
      List.of(
          "stepper 4 A screw 10 mm",
          "stepper 3 A belt 5 mm",
          "spindle 1.5 kW",
          "pump 24 V 3 A",
          "2 valves 24 V",
          "3 homing sensors",
          "photo eye",
          "2 stop buttons",
          "guard switch",
          "signal tower",
          "operator panel",
          "start button");

  @TempDir private Path state;
  private Driver driver;
  private int keys;

  @BeforeEach
  void open() {
    driver = new Driver(state);
    keys = 0;
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  /// A key, or two pressed together, count one.
  private void key(KeyCode... pressed) {
    keys++;
    driver.press(pressed);
  }

  /// A field that is filled counts one.
  private void fill(String text) {
    keys++;
    driver.run(() -> ((PartsStage) driver.window.stage("Parts")).wish().setText(text));
  }

  private long errors() {
    return driver.on(() ->
        session().review().get().open().stream()
            .filter(entry -> entry.finding().orElseThrow().severity() == Severity.ERROR)
            .count());
  }

  @Test
  void twelveFunctionsBecomeAMachineByKeyboardAlone() {
    key(KeyCode.CONTROL, KeyCode.N);
    for (var line : MACHINE) {
      fill(line);
      key(KeyCode.ENTER);
    }
    assertThat(session().project().functions()).hasSize(MACHINE.size());
    var draw = driver.find("#draw-up");
    driver.run(draw::requestFocus);
    key(KeyCode.SPACE);
    driver.await("the draft", () -> !session().project().conductors().isEmpty());
    driver.settle();
    assertThat(errors()).isZero();
    assertThat(session().project().devices()).hasSizeGreaterThan(50);
    for (var function : session().project().functions())
      assertThat(FunctionEdits.served(session().project(), function.id()))
          .as(function.name())
          .isNotEmpty();
    assertThat(keys).as("keys and filled fields").isLessThanOrEqualTo(120);
    // One step, taken back as one.
    var functions = session().project().functions();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().functions()).isEqualTo(functions);
    assertThat(session().project().conductors()).isEmpty();
  }

  @Test
  void aListIsBegunAndDrawnUpByMouse() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.click(driver.find("#list-tile-polisher"));
    assertThat(session().project().functions()).hasSize(14);
    driver.click(driver.find("#draw-up"));
    driver.await(
        "the draft; said: " + driver.words("#message"),
        () -> !session().project().conductors().isEmpty());
    driver.settle();
    assertThat(errors()).isZero();
  }

  /// A second one like it works as the first does; a copy is pasted into another project.
  @Test
  void functionsAreClonedAndCarriedOn() {
    driver.run(() -> driver.window.desk().openDemo());
    driver.run(() -> driver.window.choose(driver.window.stage("Parts")));
    var before = session().project();
    var like =
        before.functions().stream().filter(f -> f.name().equals("mist")).findFirst().orElseThrow();
    driver.run(() -> driver.window.select(like.id()));
    driver.run(() -> ((TextField) driver.window.root().lookup("#more-number")).setText("many"));
    driver.click(driver.find("#more-like-it"));
    assertThat(driver.words("#message")).contains("a number from 1 to 50, not 'many'");
    driver.run(() -> ((TextField) driver.window.root().lookup("#more-number")).setText("2"));
    driver.click(driver.find("#more-like-it"));
    driver.await(
        "two more", () -> session().project().functions().size() == before.functions().size() + 2);
    driver.settle();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
    driver.run(() -> driver.window.select(like.id()));
    driver.run(() -> ((PartsStage) driver.window.stage("Parts")).rows().requestFocus());
    driver.press(KeyCode.CONTROL, KeyCode.C);
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() ->
        session().composing().paste(javafx.scene.input.Clipboard.getSystemClipboard().getString()));
    assertThat(session().project().functions())
        .singleElement()
        .satisfies(f -> assertThat(f.wants()).isEqualTo(like.wants()));
    driver.run(() -> session().composing().paste("2 valves 24 V\nphoto eye\n"));
    assertThat(session().project().functions()).hasSize(3);
    driver.run(() -> session().composing().paste("photo eye\nxyzzy plugh\n"));
    assertThat(session().project().functions()).hasSize(3);
    assertThat(driver.words("#message")).contains("Nothing was pasted");
  }

  /// Typed, understood, added; Enter once more takes the best way; undo takes back each.
  @Test
  void aFunctionIsAddedToAMachineThatStands() {
    driver.run(() -> driver.window.desk().openDemo());
    driver.run(() -> driver.window.choose(driver.window.stage("Parts")));
    var before = session().project();
    fill("photo eye at the outlet");
    assertThat(driver.words("#understood")).isEqualTo("sense: photo eye, at the outlet");
    key(KeyCode.ENTER);
    var added = session().project();
    assertThat(added.functions()).hasSize(before.functions().size() + 1);
    driver.await("the ways", () -> session().composing().offered().get().isPresent());
    driver.settle();
    assertThat(driver.find("#take-way-1").isVisible()).isTrue();
    key(KeyCode.ENTER);
    var function = session().project().functions().getLast();
    assertThat(FunctionEdits.served(session().project(), function.id())).hasSize(1);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(added);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  /// What is not understood is told, and stays in the field.
  @Test
  void whatIsNotUnderstoodStaysInTheField() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    for (var wrong : List.of("dancing bear", "pump 24 V 17", "24 V 12 V pump", "0 valves")) {
      fill(wrong);
      assertThat(driver.words("#understood")).isNotBlank();
      key(KeyCode.ENTER);
      assertThat(session().project().functions()).as(wrong).isEmpty();
      var field = (TextField) driver.find("#wish");
      String left = driver.on(field::getText);
      assertThat(left).isEqualTo(wrong);
    }
  }
}
