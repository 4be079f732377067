package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import nelvar.core.model.Id;
import nelvar.core.units.Kind;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// What can be said of the look by a machine: nothing is cut off, everything has a name, every
/// field can be reached.
class LookTest {
  @TempDir Path folder;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
    driver.run(() -> driver.window.desk().openDemo());
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private void resize(double width, double height) {
    driver.run(() -> {
      var stage = (javafx.stage.Stage) driver.window.root().getScene().getWindow();
      stage.setWidth(width);
      stage.setHeight(height);
    });
    driver.settle();
  }

  /// Labels and buttons whose skin had to shorten their words.
  private List<String> cut() {
    return driver.on(() -> {
      var cut = new ArrayList<String>();
      for (var node : driver.window.root().lookupAll("*")) {
        if (!(node instanceof Labeled labeled)
            || !shown(node)
            || labeled.getText() == null
            || labeled.getText().isEmpty()
            || labeled.isWrapText()
            || inTable(node)) continue;
        if (node.lookup(".text") instanceof Text text
            && text.getText().endsWith("…")
            && !labeled.getText().endsWith("…")) cut.add(labeled.getText());
      }
      return cut;
    });
  }

  private static boolean shown(Node node) {
    for (Node at = node; at != null; at = at.getParent()) if (!at.isVisible()) return false;
    return true;
  }

  private static boolean inTable(Node node) {
    for (Node at = node; at != null; at = at.getParent())
      if (at.getStyleClass().contains("table-view") || at.getStyleClass().contains("choice-box"))
        return true;
    return false;
  }

  @Test
  void noWordIsCutOffInAnyStage() {
    resize(1280, 800);
    for (var stage : driver.window.stages()) {
      driver.run(() -> driver.window.choose(stage));
      for (var subject : List.of("T2", "W32", "M6", "F4", "A1", "X0", "M2")) {
        driver.run(() -> driver.window.select(new Id(subject)));
        assertThat(cut()).as(stage.name() + " with " + subject).isEmpty();
      }
      driver.run(() -> driver.window.session().orElseThrow().selection().set(Optional.empty()));
      assertThat(cut()).as(stage.name()).isEmpty();
    }
  }

  @Test
  void itIsUsableInASmallWindow() {
    resize(1024, 700);
    for (var stage : driver.window.stages()) {
      driver.run(() -> driver.window.choose(stage));
      assertThat(cut()).as(stage.name()).isEmpty();
      var box = driver.on(() -> stage.view().localToScene(stage.view().getBoundsInLocal()));
      assertThat(box.getMaxX()).as("inside the window").isLessThanOrEqualTo(1024);
      assertThat(box.getHeight()).isGreaterThan(250);
    }
  }

  @Test
  void everythingThatTakesTheKeyboardHasAName() {
    for (var stage : driver.window.stages()) {
      driver.run(() -> driver.window.choose(stage));
      driver.run(() -> driver.window.select(new Id("M6")));
      var nameless =
          driver.on(() ->
              driver.window.root().lookupAll("*").stream()
                  .filter(node -> node.isFocusTraversable() && shown(node))
                  .filter(node ->
                      !(node instanceof Labeled labeled
                              && labeled.getText() != null
                              && !labeled.getText().isEmpty())
                          && (node.getAccessibleText() == null
                              || node.getAccessibleText().isEmpty()))
                  .map(Node::toString)
                  .filter(name -> !name.contains("ScrollPane") && !name.contains("VirtualFlow"))
                  .toList());
      assertThat(nameless).as(stage.name()).isEmpty();
    }
  }

  /// Every kind of thing can be selected: its sheet shows numbers, settings and wires, and none of
  /// them fails.
  @Test
  void theSheetShowsEveryDeviceAndManyWires() {
    var ids = new ArrayList<Id>();
    driver
        .window
        .session()
        .orElseThrow()
        .project()
        .devices()
        .forEach(device -> ids.add(device.id()));
    driver.window.session().orElseThrow().project().conductors().stream()
        .limit(25)
        .forEach(conductor -> ids.add(conductor.id()));
    for (var id : ids) {
      driver.on(() -> {
        driver.window.select(id);
        return true;
      });
      var labels =
          driver.on(() ->
              driver.window.side().getContent().lookupAll(".section-title").stream()
                  .map(node -> ((Label) node).getText())
                  .toList());
      assertThat(labels).as(id.text()).contains("Settings");
    }
  }

  @Test
  void workingsOfEveryNumberOpenAndClose() {
    for (var id : List.of("T2", "W32", "F5", "X0", "M6")) {
      driver.run(() -> driver.window.select(new Id(id)));
      var before = driver.on(() -> driver.window.side().getContent().lookupAll(".working").size());
      driver.press(KeyCode.CONTROL, KeyCode.W);
      assertThat(driver.on(() -> driver.window.side().getContent().lookupAll(".working").size()))
          .as(id)
          .isGreaterThan(before);
      driver.press(KeyCode.CONTROL, KeyCode.W);
      assertThat(driver.on(() -> driver.window.side().getContent().lookupAll(".working").size()))
          .as(id)
          .isEqualTo(before);
    }
  }

  @Test
  void everyCommandHasItsOwnNameAndKeys() {
    var commands = driver.window.commands();
    assertThat(commands).extracting(command -> command.name()).doesNotHaveDuplicates();
    assertThat(commands.stream().flatMap(command -> command.keys().stream()))
        .doesNotHaveDuplicates();
    assertThat(commands.stream().filter(command -> command.keys().isPresent()))
        .allSatisfy(command -> assertThat(command.keyText()).isNotBlank());
  }

  @Test
  void everyFieldOfTheBriefTakesAValueAndGivesItBack() {
    driver.run(() -> driver.window.choose(driver.window.stages().getFirst()));
    var values =
        java.util.Map.of(
            "mains-voltage",
            "230 V",
            "frequency",
            "60 Hz",
            "upstream-device",
            "20 A",
            "loop-impedance-at-the-inlet",
            "0.5 Ω",
            "short-circuit-current-at-the-inlet",
            "900 A",
            "lowest-ambient",
            "0 °C",
            "highest-ambient",
            "35 °C",
            "inside-the-cabinet",
            "50 °C",
            "use-of-a-supply",
            "70",
            "voltage-drop-limit",
            "4");
    var before = driver.window.session().orElseThrow().project();
    values.forEach((name, value) -> {
      var field = (TextField) driver.find("#field-" + name);
      driver.run(() -> {
        field.requestFocus();
        field.setText(value);
        field.fireEvent(new javafx.event.ActionEvent());
      });
      assertThat(driver.window.session().orElseThrow().project()).as(name).isNotEqualTo(before);
      driver.run(() -> driver.window.session().orElseThrow().undo());
      assertThat(driver.window.session().orElseThrow().project()).as(name).isEqualTo(before);
    });
    for (var radio : List.of("tt", "grouped", "by-rating")) {
      driver.run(() ->
          ((javafx.scene.control.RadioButton) driver.window.root().lookup("#radio-" + radio))
              .fire());
      assertThat(driver.window.session().orElseThrow().project()).as(radio).isNotEqualTo(before);
      driver.run(() -> driver.window.session().orElseThrow().undo());
    }
  }

  @Test
  void absurdValuesOfTheBriefAreExplained() {
    driver.run(() -> driver.window.choose(driver.window.stages().getFirst()));
    var before = driver.window.session().orElseThrow().project();
    for (var wrong : List.of("-5 A", "0 A", "many", "16 V", "1e12 A", "")) {
      var field = (TextField) driver.find("#field-upstream-device");
      driver.run(() -> {
        field.requestFocus();
        field.setText(wrong);
        field.fireEvent(new javafx.event.ActionEvent());
      });
      assertThat(((QuantityField<?>) field.getParent().getParent()).note()).as(wrong).isNotBlank();
      assertThat(field.getText()).as("the text stays").isEqualTo(wrong);
      assertThat(driver.window.session().orElseThrow().project()).isEqualTo(before);
    }
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup("#field-lowest-ambient");
      field.requestFocus();
      field.setText("55 °C");
      field.fireEvent(new javafx.event.ActionEvent());
    });
    assertThat(driver.words("#message")).contains("above the highest");
  }

  @Test
  void aFieldPutsItselfBackWithEscape() {
    var taken = new ArrayList<Object>();
    var field = driver.on(() -> new QuantityField<>("Length", "m", Kind.LENGTH::read, taken::add));
    driver.run(() -> {
      field.show("3 m");
      field.field().setText("7 m");
      field
          .field()
          .getOnKeyPressed()
          .handle(
              new javafx.scene.input.KeyEvent(
                  javafx.scene.input.KeyEvent.KEY_PRESSED,
                  "",
                  "",
                  KeyCode.ESCAPE,
                  false,
                  false,
                  false,
                  false));
    });
    assertThat(field.field().getText()).isEqualTo("3 m");
    assertThat(taken).isEmpty();
  }

  @Test
  void aDrawingIsPannedZoomedWalkedAndPainted() {
    var chosen = new ArrayList<Id>();
    var drawing =
        new Drawing(
            400,
            300,
            List.of(Shape.rectangle(0, 0, 40, 20, Optional.of(Ink.ERROR), Optional.empty())),
            List.of(
                new Drawing.Spot(0, 0, 40, 20, new Id("a"), "first"),
                new Drawing.Spot(200, 0, 40, 20, new Id("b"), "second"),
                new Drawing.Spot(200, 200, 40, 20, new Id("c"), "third")));
    var pane = driver.on(() -> new DrawingPane("test", true));
    driver.run(() -> {
      pane.resize(400, 300);
      pane.onSelect(chosen::add);
      pane.show(drawing, Theme.LIGHT);
      pane.layout();
    });
    for (var key : List.of(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.DOWN, KeyCode.UP, KeyCode.LEFT)) {
      driver.run(() ->
          pane.fireEvent(
              new javafx.scene.input.KeyEvent(
                  javafx.scene.input.KeyEvent.KEY_PRESSED,
                  "",
                  "",
                  key,
                  false,
                  false,
                  false,
                  false)));
    }
    assertThat(chosen).extracting(Id::text).containsExactly("a", "b", "c", "b", "a");
    driver.run(() -> pane.pan(30, 10));
    assertThat(driver.on(() -> pane.middleOf(new Id("a")).orElseThrow().getX())).isGreaterThan(30);
    driver.run(() -> pane.zoom(2, 0, 0));
    driver.run(pane::fit);
    var image = driver.on(() -> pane.snapshot(new javafx.scene.SnapshotParameters(), null));
    var pixel = driver.on(() -> image.getPixelReader().getColor(10, 8));
    assertThat(pixel.getRed()).isGreaterThan(0.6);
    assertThat(pixel.getBlue()).isLessThan(0.3);
  }

  @Test
  void theWelcomeLeadsOnAndTellsWhatWasWorkedOn() {
    driver.willPick(folder.resolve("m.nelvar.json"));
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.run(() ->
        driver.window.commands().stream()
            .filter(command -> command.name().startsWith("Welcome"))
            .findFirst()
            .orElseThrow()
            .run()
            .run());
    assertThat(driver.has("#welcome-demo")).isTrue();
    var recent =
        (Button)
            driver.on(() ->
                driver.window.root().lookupAll(".button").stream()
                    .filter(node ->
                        node instanceof Button button
                            && button.getText().startsWith("m.nelvar.json"))
                    .findFirst()
                    .orElseThrow());
    driver.click(recent);
    driver.await("the project", () -> driver.window.root().lookup("#welcome-demo") == null);
    assertThat(driver.window.session().orElseThrow().file().get()).isPresent();
  }
}
