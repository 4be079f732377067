package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.desktop.control.DrawingPane;
import org.junit.jupiter.api.Test;

/// Wires laid by hand in the real window: by dragging, by keys, in words.
class WiringTest extends DemoWindow {
  private int wires() {
    return session().project().conductors().size();
  }

  private Conductor newest() {
    return session().project().conductors().getLast();
  }

  private void fill(String field, String text) {
    driver.run(() -> {
      var node = (TextField) driver.window.root().lookup(field);
      node.requestFocus();
      node.setText(text);
    });
  }

  private void wire(String device) {
    driver.run(() -> driver.window.select(new Id(device)));
    driver.press(KeyCode.CONTROL, KeyCode.B);
  }

  @Test
  void aWireInWordsIsOneLineInTheFindField() {
    var before = wires();
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.run(() -> ((TextField) driver.window.root().lookup("#find")).setText("T1:+ to X31"));
    driver.press(KeyCode.ENTER);
    driver.await("the wire", () -> wires() == before + 1);
    assertThat(newest().from()).isEqualTo(TerminalRef.of("T1:+"));
    assertThat(newest().to()).isEqualTo(TerminalRef.of("X31:13"));
    assertThat(newest().section()).isPresent();
    assertThat(newest().colour()).isPresent();
    driver.await("word", () -> said("#message").contains(" laid: "));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(wires()).isEqualTo(before);
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.run(() -> ((TextField) driver.window.root().lookup("#find")).setText("T99:+ to X31"));
    driver.press(KeyCode.ENTER);
    assertThat(driver.words("#message")).contains("There is no device or terminal 'T99:+'");
    assertThat(wires()).isEqualTo(before);
  }

  @Test
  void pressedOnOneTerminalAndReleasedOnAnotherAWireIsThere() {
    var before = wires();
    wire("K10");
    fill("#wiring-other", "X31");
    var from = middle("K10:12");
    var to = middle("X31:13");
    driver.drag(pane(), from, to);
    driver.await("the wire", () -> wires() == before + 1);
    assertThat(newest().from()).isEqualTo(TerminalRef.of("K10:12"));
    assertThat(newest().to()).isEqualTo(TerminalRef.of("X31:13"));
    driver.await("word", () -> said("#wiring-said").contains(" laid: "));
    // Let go beside everything, nothing happens.
    driver.drag(pane(), from, new Point2D(from.getX(), from.getY() + 400));
    assertThat(wires()).isEqualTo(before + 1);
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#wiring")).isFalse();
  }

  @Test
  void byKeyboardTheEndIsSaidInWords() {
    var before = wires();
    wire("T1");
    fill("#wiring-other", "+ to X31");
    driver.press(KeyCode.ENTER);
    driver.await("the wire", () -> wires() == before + 1);
    assertThat(newest().to()).isEqualTo(TerminalRef.of("X31:13"));
    fill("#wiring-other", "+ to nowhere");
    driver.press(KeyCode.ENTER);
    assertThat(driver.words("#wiring-said")).contains("nowhere");
    assertThat(wires()).isEqualTo(before + 1);
    fill("#wiring-other", "X30:1 to T1:-");
    driver.press(KeyCode.ENTER);
    driver.await("refusal", () -> said("#wiring-said").contains("joins these two"));
    assertThat(wires()).isEqualTo(before + 1);
  }

  @Test
  void arrowKeysWalkTheTerminalsAndEnterTwiceLaysAWire() {
    var before = wires();
    wire("K10");
    fill("#wiring-other", "X31");
    driver.press(KeyCode.ENTER);
    driver.run(() -> {
      pane().focusOn(spot("K10:12"));
    });
    driver.press(KeyCode.ENTER);
    assertThat(driver.words("#wiring-said")).isEqualTo("From -K10:12 to …");
    driver.run(() -> pane().focusOn(spot("X31:13")));
    driver.press(KeyCode.ENTER);
    driver.await("the wire", () -> wires() == before + 1);
    assertThat(newest().to()).isEqualTo(TerminalRef.of("X31:13"));
  }

  @Test
  void rowsFromASpreadsheetAreLookedThroughBeforeTheyAreTaken() {
    var before = wires();
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    driver.click(driver.find("#runs-paste"));
    rows("From\tTo\tSection\nK10:12\tX31:13\t1 mm²\nK11:12\tX31:99\tthin\n");
    assertThat(said("#rows-summary")).startsWith("1 of 2 wires cannot be read");
    assertThat(driver.find("#rows-take").isDisabled()).isTrue();
    rows("From\tTo\tSection\nK10:12\tX31:13\t1 mm²\nK11:12\tX31:15\t\n");
    assertThat(said("#rows-summary")).startsWith("2 wires");
    driver.click(driver.find("#rows-take"));
    driver.await("the wires", () -> wires() == before + 2);
    driver.settle();
    assertThat(driver.has("#rows")).isFalse();
    assertThat(newest().section()).isPresent();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(wires()).isEqualTo(before);
  }

  @Test
  void manyWiresAreChangedAtOnce() {
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    var before = session().project();
    assertThat(driver.find("#many-apply").getParent().isVisible()).isFalse();
    var ids =
        driver.on(() -> {
          var table =
              (javafx.scene.control.TableView<?>) driver.window.root().lookup("#runs-table");
          table.getSelectionModel().clearSelection();
          table.getSelectionModel().selectIndices(0, 1, 2);
          return table.getSelectionModel().getSelectedIndices().size();
        });
    driver.settle();
    assertThat(ids).isEqualTo(3);
    assertThat(driver.find("#many-apply").getParent().isVisible()).isTrue();
    fill("#many-section", "wide");
    driver.click(driver.find("#many-apply"));
    assertThat(session().project()).isEqualTo(before);
    assertThat(driver.words("#message")).contains("'wide'");
    fill("#many-section", "10 mm²");
    fill("#many-colour", "violet");
    driver.click(driver.find("#many-apply"));
    var changed =
        session().project().conductors().stream()
            .filter(w -> w.colour().filter("violet"::equals).isPresent())
            .toList();
    assertThat(changed)
        .hasSize(3)
        .allMatch(w -> w.section().orElseThrow().toString().equals("10 mm²"));
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  @Test
  void ductsAreMadeAndChangedInRuns() {
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    var before = session().project();
    driver.click(driver.find("#duct-new"));
    assertThat(session().project().bundles()).hasSize(before.bundles().size() + 1);
    driver.settle();
    fill("#duct-name", "duct behind the door");
    driver.press(KeyCode.ENTER);
    assertThat(session().project().bundles().getLast().name()).isEqualTo("duct behind the door");
    driver.run(
        () -> ((javafx.scene.control.CheckBox) driver.window.root().lookup("#duct-inside")).fire());
    assertThat(session().project().bundles().getLast().inside()).isFalse();
    // In a window this narrow it may stand below what is seen.
    driver.run(
        () -> ((javafx.scene.control.Button) driver.window.root().lookup("#duct-remove")).fire());
    assertThat(session().project().bundles()).isEqualTo(before.bundles());
    for (var n = 0; n < 4; n++) driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  private void rows(String text) {
    driver.run(() ->
        ((javafx.scene.control.TextArea) driver.window.root().lookup("#rows-text")).setText(text));
  }

  private String said(String label) {
    return ((javafx.scene.control.Label) driver.window.root().lookup(label)).getText();
  }

  private DrawingPane pane() {
    return (DrawingPane) driver.window.root().lookup("#wiring-card");
  }

  private Optional<Id> spot(String terminal) {
    var ref = TerminalRef.of(terminal);
    var label = session().review().get().study().label(ref.device());
    return pane().drawing().spots().stream()
        .filter(s -> s.says().startsWith("%s terminal %s,".formatted(label, ref.terminal())))
        .map(s -> s.about())
        .findFirst();
  }

  private Point2D middle(String terminal) {
    return driver.on(() -> pane().middleOf(spot(terminal).orElseThrow()).orElseThrow());
  }
}
