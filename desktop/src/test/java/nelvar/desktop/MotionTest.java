package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.model.Id;
import nelvar.desktop.control.DrawingPane;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;

/// An axis in the real window: seen, wanted otherwise, entered, undone.
class MotionTest extends DemoWindow {
  private Drawing drawing() {
    return ((DrawingPane) driver.window.root().lookup("#axis")).drawing();
  }

  private boolean says(String text) {
    return drawing().shapes().stream()
        .anyMatch(shape -> shape instanceof Shape.Label label && label.text().contains(text));
  }

  private void open() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT9);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  private void type(String id, String text) {
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup(id + " .text-field");
      field.setText(text);
      field.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  private long findings(String rule) {
    return session().review().get().open().stream()
        .filter(entry -> entry.rule().id().equals(rule))
        .count();
  }

  /// Chain, sum, switches and torque of the drum; another axis is one click away.
  @Test
  void anAxisIsSeenFromPulseToLoad() {
    open();
    assertThat(says("2000 ÷ 10 mm = 200 steps/mm")).as("a servo first").isTrue();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    assertThat(says("200 · 8 · 3 ÷ 120 mm = 40 steps/mm")).isTrue();
    assertThat(says("450 rpm: asked 0.253 N·m")).isTrue();
    assertThat(says("1–3 microsteps: 8")).isTrue();
    assertThat(says("5–8 phase current: 4.2 A")).isTrue();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#axis-=AX3")).fire());
    assertThat(says("200 · 8 ÷ 8 mm = 200 steps/mm")).isTrue();
    // A thing selected anywhere shows its axis.
    driver.run(() -> driver.window.select(new Id("U4")));
    assertThat(says("= 40 steps/mm")).isTrue();
  }

  /// A screw of one start: the sum, the steps to enter and the finding follow; undone, all is as
  /// before.
  @Test
  void whatItMovesWithIsSaidAndUndone() {
    open();
    driver.run(() -> driver.window.select(new Id("M5")));
    var before = session().project();
    assertThat(findings("motion.steps")).isOne();
    type("#motion-moves-with", "screw 4 mm friction 15 N ramp 800 mm/s2");
    assertThat(says("= 400 steps/mm")).isTrue();
    assertThat(findings("motion.steps")).isZero();
    type("#motion-moves-with", "a screw");
    assertThat(says("What one turn moves is not said")).isTrue();
    type("#motion-fastest", "as fast as it goes");
    assertThat(driver.has("#motion-fastest .wrong-note")).isTrue();
    driver.run(() -> session().undo());
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// A tick enters what was computed, and takes it out again.
  @Test
  void aValueIsEnteredByATick() {
    open();
    driver.run(() -> driver.window.select(new Id("M5")));
    driver.settle();
    var before = session().project();
    assertThat(driver.text("entered is 400")).isNotNull();
    driver.run(() -> tick("Steps =AX3").fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("A1"), "Steps =AX3")).contains("200");
    assertThat(findings("motion.steps")).isZero();
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  private CheckBox tick(String name) {
    var grid =
        driver.window.root().lookupAll(".check-box").stream()
            .filter(CheckBox.class::isInstance)
            .map(CheckBox.class::cast)
            .filter(
                box -> box.getAccessibleText() != null && box.getAccessibleText().startsWith(name))
            .findFirst();
    return grid.orElseThrow();
  }

  /// Other microsteps: the switches turn, the steps follow.
  @Test
  @SuppressWarnings("unchecked")
  void microstepsArePicked() {
    open();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    var before = session().project();
    driver.run(
        () -> ((ChoiceBox<Integer>) driver.window.root().lookup("#microsteps")).setValue(16));
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(says("200 · 16 · 3 ÷ 120 mm = 80 steps/mm")).isTrue();
    assertThat(says("1–3 microsteps: 16")).isTrue();
    assertThat(session().project().setting(new Id("A1"), "Steps =AX2"))
        .as("changed together")
        .contains("80");
    assertThat(findings("motion.steps")).as("only the planted one").isOne();
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// It ran the wrong way: a finding with one way out, which turns it.
  @Test
  void aWrongDirectionIsSaidAndTurned() {
    open();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    var before = session().project();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#ran-wrong")).fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(findings("motion.direction")).isOne();
    driver.ways();
    driver.press(KeyCode.CONTROL, KeyCode.ENTER);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("A1"), "Reversed =AX2")).contains("yes");
    assertThat(findings("motion.direction")).isZero();
    driver.run(() -> session().undo());
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void withoutAxesTheStageTeaches() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.settle();
    open();
    assertThat(MotionAxes.of(session().review().get().study())).isEmpty();
    assertThat(
            driver.window.root().lookupAll(".label").stream()
                .anyMatch(node ->
                    node instanceof Label label && label.getText().contains("belt 5 mm 24 teeth")))
        .isTrue();
  }

  /// A belt on a frequency converter: its speeds, its values, each entered and read back by a tick,
  /// and what a hand can do to its drive tried.
  @Test
  void aDriveIsEnteredReadBackAndTried() {
    open();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#axis-=BLT")).fire());
    driver.settle();
    var before = session().project();
    assertThat(says("120 · 60 Hz ÷ 4 poles = 1800 rpm at 10 V")).isTrue();
    driver.run(() -> tick("Stops by").fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("U2"), "Stops by")).contains("ramp");
    driver.run(() -> ((CheckBox) driver.window.root().lookup("#read-1")).fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("U2"), "Read Base frequency")).contains("50 Hz");
    driver.run(() -> {
      ((TextField) driver.window.root().lookup("#measured-volts")).setText("6 V");
      var speed = (TextField) driver.window.root().lookup("#measured-speed");
      speed.setText("1058");
      speed.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("U2"), "Measured 6 V")).contains("1058 rpm");
    driver.run(() -> {
      session().undo();
      session().undo();
      session().undo();
    });
    assertThat(session().project()).isEqualTo(before);
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#try-0")).fire());
    assertThat(session().bench().trial().get().disturbances()).hasSize(1);
    driver.run(() -> session().bench().trial().set(nelvar.core.network.WhatIf.AS_DESIGNED));
  }

  /// What is left is entered in one go, and taken back in one step.
  @Test
  void allThatIsLeftIsEnteredAtOnce() {
    open();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#axis-=AUG")).fire());
    driver.settle();
    var before = session().project();
    driver.run(
        () -> ((javafx.scene.control.Button) driver.window.root().lookup("#enter-all")).fire());
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("U1"), "Motor volts")).contains("400 V");
    assertThat(session().project().setting(new Id("U1"), "Turns")).isPresent();
    assertThat(driver.has("#enter-all")).isFalse();
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// Told to go 100 mm it went 99.4: the steps follow, and it is one step to take back.
  @Test
  void aMeasuredTravelCorrects() {
    open();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    var before = session().project();
    driver.run(() -> {
      ((TextField) driver.window.root().lookup("#told")).setText("100");
      var went = (TextField) driver.window.root().lookup("#went");
      went.setText("99.4");
      went.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(says("1.006 measured")).isTrue();
    assertThat(session().project().setting(new Id("A1"), "Measured =AX2 100"))
        .contains("99.4 with 40 steps at 8");
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// Leads of a motor, and the colour somebody saw.
  @Test
  void leadsOfAMotorAreSeenAndSaid() {
    open();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#show-leads")).fire());
    driver.settle();
    assertThat(driver.text("-U4:A+")).isNotNull();
    driver.run(() -> {
      var lead = (TextField) driver.window.root().lookup("#lead-A+");
      lead.setText("red, letter A");
      lead.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    assertThat(session().project().setting(new Id("M4"), "Lead A+")).contains("red, letter A");
    driver.run(() -> session().undo());
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#show-values")).fire());
  }

  /// What else can be said has a field with an example; what papers say is written freely.
  @Test
  void whatElseIsKnownIsSaid() {
    open();
    driver.run(() -> driver.window.select(new Id("M4")));
    driver.settle();
    var before = session().project();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#show-besides")).fire());
    driver.settle();
    driver.run(() -> {
      var offset = (TextField) driver.window.root().lookup("#say-0");
      assertThat(offset.getAccessibleText()).isEqualTo("Home offset =AX2 of -A1");
      offset.setText("4");
      offset.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project().setting(new Id("A1"), "Home offset =AX2")).contains("4");
    driver.run(() -> {
      ((TextField) driver.window.root().lookup("#say-name")).setText("Steps by note");
      var value = (TextField) driver.window.root().lookup("#say-value");
      value.setText("80");
      value.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    assertThat(session().project().setting(new Id("A1"), "Steps by note")).contains("80");
    driver.run(() -> session().undo());
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#show-values")).fire());
  }

  /// With keys alone: to the stage, through fields and buttons to the first tick, and it is
  /// entered.
  @Test
  void byKeyboardAlone() {
    open();
    driver.run(() -> driver.window.select(new Id("M2")));
    driver.settle();
    var before = session().project();
    driver.run(() -> driver.window.root().lookup("#axis").requestFocus());
    var reached = false;
    for (var n = 0; n < 60 && !reached; n++) {
      driver.press(KeyCode.TAB);
      var focused = new javafx.scene.Node[1];
      driver.run(() -> focused[0] = driver.window.root().getScene().getFocusOwner());
      reached = focused[0] instanceof CheckBox;
    }
    assertThat(reached).as("Tab leads to the values").isTrue();
    driver.press(KeyCode.SPACE);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(session().project()).as("a value is entered").isNotEqualTo(before);
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }
}
