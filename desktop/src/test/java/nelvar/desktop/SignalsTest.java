package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Id;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.WhatIf;
import nelvar.desktop.control.DrawingPane;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;

/// The pins in the real window: seen, named, tried.
class SignalsTest extends DemoWindow {
  private Drawing drawing() {
    return ((DrawingPane) driver.window.root().lookup("#pins")).drawing();
  }

  private long says(String text) {
    return drawing().shapes().stream()
        .filter(shape -> shape instanceof Shape.Label label && label.text().equals(text))
        .count();
  }

  private void open() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT4);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  @Test
  void aPinIsNamedInTheProgramAndUndone() {
    open();
    driver.run(() -> driver.window.select(new Id("B3")));
    driver.settle();
    assertThat(driver.text("-A1:DI3")).isNotNull();
    assertThat(driver.text("-B3:OUT")).isNotNull();
    assertThat(says("in.3")).isOne();
    var before = session().project();
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup("#firmware-name .text-field");
      field.setText("IN_DRUM");
      field.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    var pin =
        PinLinks.of(session().review().get().study()).stream()
            .filter(link -> link.pin().name().equals("DI3"))
            .findFirst()
            .orElseThrow()
            .pin();
    assertThat(FirmwareNames.of(session().project(), new Id("A1"), pin)).contains("IN_DRUM");
    assertThat(says("IN_DRUM")).isOne();
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// The wire of a sensor that pulls to 0 V goes to a free pin and back: three keys, one step each.
  @Test
  @SuppressWarnings("unchecked")
  void twoPinsAreSwapped() {
    open();
    driver.run(() -> driver.window.select(new Id("B3")));
    driver.settle();
    var before = session().project();
    driver.run(() -> {
      var others =
          (javafx.scene.control.ChoiceBox<Object>) driver.window.root().lookup("#swap-pin");
      others.setValue(
          others.getItems().stream()
              .filter(item -> item.toString().equals("DI11, free"))
              .findFirst()
              .orElseThrow());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(driver.text("-A1:DI11")).isNotNull();
    assertThat(session().project().conductors())
        .anyMatch(wire ->
            wire.touches(new Id("A1")) && wire.from().terminal().equals("DI11")
                || wire.to().terminal().equals("DI11"));
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// Free pins stand folded until they are asked for; what is tried is seen at its pin.
  @Test
  void freePinsUnfoldAndWhatIsTriedIsSeen() {
    open();
    assertThat(says("DI16")).isZero();
    driver.run(() -> ((ToggleButton) driver.window.root().lookup("#signals-free")).fire());
    driver.settle();
    assertThat(says("DI16")).isOne();
    var off = says("reads 0, 0 V");
    driver.run(() ->
        session()
            .bench()
            .trial()
            .set(WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("B1"), "sees"), false)));
    driver.await("the trial", () -> says("reads 0, 0 V") == off + 1);
  }

  @Test
  void withoutAControllerItSaysWhatToDo() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() -> driver.window.choose(driver.window.stage("Signals")));
    driver.settle();
    assertThat(driver.text("No controller yet")).isNotNull();
  }
}
