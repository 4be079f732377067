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
              .filter(item -> item.toString().equals("DI12, free"))
              .findFirst()
              .orElseThrow());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(driver.text("-A1:DI12")).isNotNull();
    assertThat(session().project().conductors())
        .anyMatch(wire ->
            wire.touches(new Id("A1")) && wire.from().terminal().equals("DI12")
                || wire.to().terminal().equals("DI12"));
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

  /// One function alone: its pins and no others.
  @Test
  @SuppressWarnings("unchecked")
  void thePinsOfOneFunctionStandAlone() {
    open();
    assertThat(says("DI1")).isOne();
    driver.run(() -> {
      var functions =
          (javafx.scene.control.ChoiceBox<Object>) driver.window.root().lookup("#signals-function");
      functions.setValue(
          functions.getItems().stream()
              .filter(item -> item.toString().startsWith("=AX1"))
              .findFirst()
              .orElseThrow());
    });
    driver.settle();
    assertThat(says("DI1")).isZero();
    assertThat(says("-B6")).isOne();
    assertThat(says("-U3")).isOne();
  }

  /// Another controller takes over: proposed with what it does to the findings, taken as one step.
  @Test
  void anotherControllerTakesOver() {
    open();
    driver.run(() -> driver.window.select(new Id("A1")));
    driver.settle();
    var before = session().project();
    driver.run(() -> fire("#signals-another"));
    driver.await("controllers", () -> !takes("#pins-take").isDisable());
    assertThat(driver.text("Another controller in the place of -A1")).isNotNull();
    assertThat(said("#pins-said")).contains("opens none").contains("An earth fault");
    driver.run(() -> takes("#pins-take").fire());
    driver.await("review", () -> !session().stale().get());
    assertThat(session().project().device(new Id("A1")).orElseThrow().part())
        .isEqualTo("motion-controller-4ax-sourcing");
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// The sensor that pulls to 0 V has no pin that suits it, and that is said; nothing changes.
  @Test
  void whatFindsNoPinIsSaid() {
    open();
    driver.run(() -> fire("#signals-assign"));
    driver.await("proposal", () -> said("#pins-said").contains("-B3"));
    assertThat(said("#pins-said")).contains("none is free");
    driver.run(() -> takes("#pins-leave").fire());
  }

  /// A jumper is put elsewhere with one choice, its wires and the finding follow, and it is undone.
  @Test
  @SuppressWarnings("unchecked")
  void aJumperIsPutElsewhere() {
    driver.run(() -> driver.window.desk().openThirdDemo());
    driver.await("review", () -> !session().stale().get());
    open();
    driver.run(() -> driver.window.select(new Id("A1")));
    driver.settle();
    var before = session().project();
    var wrong = jumpers();
    driver.run(() ->
        ((javafx.scene.control.ChoiceBox<String>) driver.window.root().lookup("#jumper-JX"))
            .setValue("off"));
    driver.await("review", () -> !session().stale().get());
    driver.settle();
    assertThat(jumpers()).isEqualTo(wrong - 1);
    assertThat(driver.text("XMIN reads its own switch")).isNotNull();
    driver.run(() -> fire("#signals-plugs"));
    driver.await("plugs", () -> driver.window.root().lookup("#plug-trials") != null);
    assertThat(said("#plug-trials")).contains("destroy something");
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// One sensor alone: tried before it is taken, and the stuck sensor is named.
  @Test
  void whatSensorsPermitIsTriedBeforeItIsTaken() {
    open();
    driver.run(() -> driver.window.select(new Id("A1")));
    driver.settle();
    var before = session().project();
    driver.run(() -> fire("#signals-permissives"));
    driver.run(() ->
        ((javafx.scene.control.TextArea) driver.window.root().lookup("#permissive-rows"))
            .setText(
                "tray: B1 on permits Q3\nnone: B1 off permits nothing\nodd: B99 on forbidden"));
    driver.run(() -> fire("#permissive-try"));
    driver.await("tried", () -> !said("#permissive-said").startsWith("Trying"));
    assertThat(said("#permissive-said"))
        .contains("-B1 stuck on", "would permit Q3", "there is no device 'B99'");
    assertThat(session().project()).isEqualTo(before);
    driver.run(() -> fire("#permissive-take"));
    driver.await("review", () -> !session().stale().get());
    assertThat(session().review().get().open())
        .anyMatch(entry -> entry.rule().id().equals("signals.permissive"));
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  /// Rows are picked, not typed: sensors with how they stand, then what they permit.
  @Test
  void permissivesArePicked() {
    open();
    driver.run(() -> driver.window.select(new Id("A1")));
    driver.settle();
    driver.run(() -> fire("#signals-permissives"));
    driver.run(() -> {
      rows().setText("");
      pick("#permissive-sensors", "B1 on");
      pick("#permissive-sensors", "B4 off");
      pick("#permissive-outputs", "Q3");
      pick("#permissive-sensors", "B1 off");
      pick("#permissive-ends", "permits nothing");
      pick("#permissive-sensors", "B1 on");
      pick("#permissive-ends", "forbidden");
    });
    assertThat(rows().getText())
        .isEqualTo(
            "situation 1: B1 on, B4 off permits Q3\nsituation 2: B1 off permits nothing\nsituation 3: B1 on forbidden");
    driver.run(() -> fire("#permissive-try"));
    driver.await("tried", () -> !said("#permissive-said").startsWith("Trying"));
    assertThat(said("#permissive-said")).contains("stuck").doesNotContain("cannot be read");
  }

  private javafx.scene.control.TextArea rows() {
    return (javafx.scene.control.TextArea) driver.window.root().lookup("#permissive-rows");
  }

  private void pick(String menu, String words) {
    ((javafx.scene.control.MenuButton) driver.window.root().lookup(menu))
        .getItems().stream()
            .filter(item -> item.getText().startsWith(words))
            .findFirst()
            .orElseThrow()
            .fire();
  }

  /// The target of a sensor is typed beside its pin and judged at once.
  @Test
  void aTargetIsSaidBesideThePin() {
    open();
    driver.run(() -> driver.window.select(new Id("B8")));
    driver.settle();
    var before = session().project();
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup("#sensor-target .text-field");
      field.setText("copper 12 mm at 3 mm");
      field.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    assertThat(session().review().get().open())
        .anyMatch(entry ->
            entry.rule().id().equals("signals.target")
                && entry.verdict().subject().text().equals("B8"));
    driver.run(() -> session().undo());
    assertThat(session().project()).isEqualTo(before);
  }

  private long jumpers() {
    return session().review().get().open().stream()
        .filter(entry -> entry.rule().id().equals("signals.jumper"))
        .count();
  }

  private void fire(String id) {
    takes(id).fire();
  }

  private javafx.scene.control.ButtonBase takes(String id) {
    return (javafx.scene.control.ButtonBase) driver.window.root().lookup(id);
  }

  private String said(String id) {
    return ((javafx.scene.control.Label) driver.window.root().lookup(id)).getText();
  }

  @Test
  void withoutAControllerItSaysWhatToDo() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() -> driver.window.choose(driver.window.stage("Signals")));
    driver.settle();
    assertThat(driver.text("No controller yet")).isNotNull();
  }
}
