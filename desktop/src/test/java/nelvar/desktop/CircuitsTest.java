package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.WhatIf;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.stage.circuits.CircuitStage;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;

class CircuitsTest extends DemoWindow {
  private CircuitStage stage() {
    return (CircuitStage) driver.window.stage("Circuits");
  }

  private DrawingPane picture() {
    return (DrawingPane) stage().firstFocus();
  }

  private Drawing drawing() {
    return driver.on(() -> picture().drawing());
  }

  private void show(String id) {
    driver.run(() -> driver.window.select(new Id(id)));
    driver.press(KeyCode.CONTROL, KeyCode.I);
    drawn();
  }

  private void drawn() {
    driver.settle();
    driver.await("the sheet", () -> stage().settled());
  }

  private Point2D terminal(String ref) {
    var wanted = Optional.of(TerminalRef.of(ref));
    return driver.on(() -> stage().pointOf(place -> place.terminal().equals(wanted)).orElseThrow());
  }

  private Point2D symbol(String ref) {
    var wanted = Optional.of(TerminalRef.of(ref));
    return driver.on(() -> stage().pointOf(place -> place.symbol().equals(wanted)).orElseThrow());
  }

  private java.util.List<String> texts() {
    return drawing().shapes().stream()
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text())
        .toList();
  }

  /// From any stage, the circuit of what is selected, with what it carries.
  @Test
  void theCircuitOfWhatIsSelectedIsOneKeyAway() {
    show("U1");
    assertThat(texts()).contains("-U1", "-K1", "-F1", "230 V");
    show("W161");
    assertThat(texts()).anyMatch(text -> text.startsWith("W161"));
  }

  /// A stop pressed on the bench: the contactor's poles stand open, its lines behind have no volts.
  @Test
  void whatIsTriedIsSeen() {
    show("K1");
    var running = texts().stream().filter("230 V"::equals).count();
    driver.run(() ->
        session()
            .bench()
            .trial()
            .set(WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("S1"), "pressed"), true)));
    drawn();
    driver.await("fewer volts", () -> count("230 V") < running);
    driver.run(() -> ((ToggleButton) driver.find("#circuit-live")).fire());
    drawn();
    driver.await("paper", () -> count("230 V") == 0);
  }

  /// On the sheet itself: the other button pulls a fuse, the key T cuts the wire that is selected;
  /// once more takes it back.
  @Test
  void thingsAreTriedOnTheSheet() {
    show("F1");
    var at = symbol("F1:1");
    driver.click(picture(), at, MouseButton.SECONDARY);
    driver.await("pulled", () -> session().bench().trial().get().opened(new Id("F1")));
    drawn();
    driver.click(picture(), symbol("F1:1"), MouseButton.SECONDARY);
    driver.await("put in", () -> session().bench().trial().get().asDesigned());
    driver.run(() -> driver.window.select(new Id("W161")));
    drawn();
    driver.run(() -> picture().requestFocus());
    driver.press(KeyCode.T);
    driver.await("cut", () -> session().bench().trial().get().cut(new Id("W161")));
    drawn();
    driver.press(KeyCode.T);
    driver.await("mended", () -> session().bench().trial().get().asDesigned());
  }

  /// Whatever else changes before the sheet is drawn, it is the sheet of what was selected.
  @Test
  void whatWasSelectedIsShownWhateverComesBetween() {
    driver.run(() -> {
      driver.window.select(new Id("M6"));
      driver.window.choose(stage());
      session().bench().plus().set(Optional.of(TerminalRef.of("M6:+")));
      session()
          .bench()
          .trial()
          .set(WhatIf.AS_DESIGNED.holding(new ActuatorRef(new Id("S1"), "pressed"), true));
    });
    drawn();
    driver.await("the pump", () -> count("-M6") > 0);
    assertThat(driver.on(() -> stage().number())).isGreaterThan(1);
  }

  private long count(String text) {
    return picture().drawing().shapes().stream()
        .filter(shape -> shape instanceof Shape.Label label && label.text().equals(text))
        .count();
  }

  /// A click selects, and Enter goes on to where the rest of a device stands.
  @Test
  void aClickSelectsAndEnterGoesToTheRest() {
    show("K12");
    var coil = driver.on(() -> stage().number());
    var at = symbol("K12:A1");
    driver.mouse(picture(), MouseEvent.MOUSE_PRESSED, at);
    driver.mouse(picture(), MouseEvent.MOUSE_RELEASED, at);
    driver.settle();
    assertThat(session().selection().get()).contains(new Id("K12"));
    driver.press(KeyCode.RIGHT);
    driver.settle();
    assertThat(session().selection().get()).isPresent();
    assertThat(driver.on(() -> stage().number())).isEqualTo(coil);
  }

  /// A wire drawn to a wrong terminal: from the common of the pump's relay to the pump's way back.
  /// The rules find it; one step takes it back.
  @Test
  void aWireDrawnWrongIsFoundAndUndoneInOneStep() {
    show("K10");
    var before = session().project();
    var open = session().review().get().open().size();
    driver.drag(picture(), terminal("K10:11"), terminal("M6:-"));
    driver.await(
        "a wire", () -> session().project().conductors().size() > before.conductors().size());
    driver.settle();
    var findings = session().review().get().open();
    assertThat(findings.size()).isGreaterThan(open);
    assertThat(findings.stream().map(entry -> entry.finding().orElseThrow().text()))
        .anyMatch(text -> text.contains("join + and - of -T2"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  /// Kept, a symbol is moved by hand, and back with one step; arranging again moves all.
  @Test
  void symbolsAreKeptMovedAndArrangedAgain() {
    show("K10");
    driver.run(() -> ((ButtonBase) driver.find("#circuit-keep")).fire());
    drawn();
    var kept = session().project().layout().drawn();
    assertThat(kept).isNotEmpty();
    var from = symbol("K10:A1");
    // A step is 2.5 mm, a millimetre 4 pixels.
    var step = 2.5 * 4 * driver.on(() -> picture().scale());
    driver.drag(picture(), from, from.add(step, 0));
    drawn();
    if (session().project().layout().drawn().equals(kept))
      driver.drag(picture(), from, from.add(-step, 0));
    drawn();
    var moved = new java.util.HashSet<>(session().project().layout().drawn());
    moved.removeAll(kept);
    assertThat(moved)
        .singleElement()
        .satisfies(drawn -> assertThat(drawn.symbol()).isEqualTo(TerminalRef.of("K10:A1")));
    driver.run(() -> ((ButtonBase) driver.find("#circuit-again")).fire());
    driver.await("again", () -> stage().settled());
    drawn();
    assertThat(session().project().layout().drawn()).hasSameSizeAs(kept);
    while (session().history().get().undoLabel().isPresent())
      driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().layout().drawn()).isEmpty();
  }

  /// The probes of the meter stand where they are on.
  @Test
  void probesAreSeenWhereTheyAre() {
    show("M6");
    driver.run(() -> {
      session().bench().plus().set(Optional.of(TerminalRef.of("M6:+")));
      session().bench().minus().set(Optional.of(TerminalRef.of("M6:-")));
      driver.window.select(new Id("M6"));
    });
    drawn();
    driver.await("probes", () -> probes() == 2);
  }

  private long probes() {
    return picture().drawing().shapes().stream()
        .filter(shape ->
            shape instanceof Shape.Label label
                && label.ink() == Ink.CARD
                && (label.text().equals("+") || label.text().equals("−")))
        .count();
  }

  @Test
  void nothingWiredTeaches() {
    driver.press(KeyCode.CONTROL, KeyCode.N);
    driver.run(() -> driver.window.choose(driver.window.stage("Circuits")));
    drawn();
    driver.await(
        "words",
        () ->
            driver.window.stage("Circuits").view().lookupAll(".soft").stream()
                .anyMatch(node ->
                    node instanceof Labeled label
                        && label.getText().contains("Nothing is wired yet")));
  }
}
