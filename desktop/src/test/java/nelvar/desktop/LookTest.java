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
import javafx.scene.input.MouseEvent;
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

  /// Selecting rebuilds nothing of a stage; an edit sets anew what it changed.
  @Test
  void whatDidNotChangeStays() {
    var stages = driver.window.stages();
    driver.run(() -> driver.window.choose(stages.getFirst()));
    var field = driver.on(() -> driver.window.root().lookup("#field-mains-voltage"));
    driver.run(() -> driver.window.select(new Id("M6")));
    assertThat(driver.on(() -> driver.window.root().lookup("#field-mains-voltage")))
        .isSameAs(field);
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    var rows =
        driver.on(() ->
            List.copyOf(
                ((javafx.scene.control.TableView<?>) driver.window.root().lookup("#runs-table"))
                    .getItems()));
    var session = driver.window.session().orElseThrow();
    var wire = session.project().conductors().getLast();
    driver.run(() ->
        session.edit(
            nelvar.core.model.edit.Edits.length(wire, new nelvar.core.units.Length(0.61))));
    driver.await("the review", () -> !session.stale().get());
    var after =
        driver.on(() ->
            List.copyOf(
                ((javafx.scene.control.TableView<?>) driver.window.root().lookup("#runs-table"))
                    .getItems()));
    assertThat(after).hasSameSizeAs(rows);
    var changed = 0;
    for (var i = 0; i < rows.size(); i++) if (rows.get(i) != after.get(i)) changed++;
    assertThat(changed).isBetween(1, 10);
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
      key(pane, key);
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

  /// A thing that may be dragged is shown on its way and dropped where it is let go; Escape takes
  /// it back; what may not be dragged pans the picture. Layers lie above the picture and change
  /// without it.
  @Test
  void thingsAreDraggedOnALayerOfTheirOwn() {
    var a = new Drawing.Spot(0, 0, 40, 20, new Id("a"), "first");
    var b = new Drawing.Spot(200, 0, 40, 20, new Id("b"), "second");
    var drawing =
        new Drawing(
            400,
            300,
            List.of(Shape.rectangle(0, 0, 40, 20, Optional.of(Ink.ERROR), Optional.empty())),
            List.of(a, b));
    var pane = driver.on(() -> new DrawingPane("test", true));
    var dropped = new ArrayList<String>();
    driver.run(() -> {
      pane.resize(400, 300);
      pane.show(drawing, Theme.LIGHT);
      pane.layout();
      pane.onDrag(
          new DrawingPane.Dragging() {
            @Override
            public boolean takes(Drawing.Spot from) {
              return from.equals(a);
            }

            @Override
            public Drawing over(
                Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
              return new Drawing(
                  400,
                  300,
                  List.of(
                      Shape.rectangle(
                          x - 5, y - 5, 10, 10, Optional.of(Ink.ACCENT), Optional.empty())),
                  List.of());
            }

            @Override
            public void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
              dropped.add(
                  from.about() + " on " + onto.map(spot -> spot.about().text()).orElse("-"));
            }
          });
    });
    mouse(pane, MouseEvent.MOUSE_PRESSED, 10, 10);
    mouse(pane, MouseEvent.MOUSE_DRAGGED, 120, 120);
    assertThat(driver.on(pane::layers)).containsExactly("dragged");
    var image = driver.on(() -> pane.snapshot(new javafx.scene.SnapshotParameters(), null));
    assertThat(driver.on(() -> image.getPixelReader().getColor(120, 120)))
        .isEqualTo(Theme.LIGHT.colour(Ink.ACCENT));
    mouse(pane, MouseEvent.MOUSE_DRAGGED, 210, 10);
    mouse(pane, MouseEvent.MOUSE_RELEASED, 210, 10);
    assertThat(dropped).containsExactly("a on b");
    assertThat(driver.on(pane::layers)).isEmpty();
    mouse(pane, MouseEvent.MOUSE_PRESSED, 10, 10);
    mouse(pane, MouseEvent.MOUSE_DRAGGED, 60, 60);
    key(pane, KeyCode.ESCAPE);
    mouse(pane, MouseEvent.MOUSE_RELEASED, 210, 10);
    assertThat(dropped).as("taken back by Escape").hasSize(1);
    var before = driver.on(() -> pane.middleOf(new Id("a")).orElseThrow());
    mouse(pane, MouseEvent.MOUSE_PRESSED, 210, 10);
    mouse(pane, MouseEvent.MOUSE_DRAGGED, 230, 25);
    mouse(pane, MouseEvent.MOUSE_RELEASED, 230, 25);
    assertThat(driver.on(() -> pane.middleOf(new Id("a")).orElseThrow()))
        .isEqualTo(before.add(20, 15));
    assertThat(dropped).hasSize(1);
    driver.run(() -> pane.layer("above", new Drawing(400, 300, List.of(), List.of())));
    driver.run(() -> pane.layer("more", new Drawing(400, 300, List.of(), List.of())));
    driver.run(() -> pane.withoutLayer("above"));
    assertThat(driver.on(pane::layers)).containsExactly("more");
  }

  private void key(DrawingPane pane, KeyCode code) {
    driver.run(() ->
        pane.fireEvent(
            new javafx.scene.input.KeyEvent(
                javafx.scene.input.KeyEvent.KEY_PRESSED,
                "",
                "",
                code,
                false,
                false,
                false,
                false)));
  }

  private void mouse(
      DrawingPane pane, javafx.event.EventType<MouseEvent> type, double x, double y) {
    driver.mouse(pane, type, new javafx.geometry.Point2D(x, y));
  }

  @Test
  void theWelcomeLeadsOnAndTellsWhatWasWorkedOn() {
    driver.willPick(folder.resolve("m.nelvar.json"));
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("saved", () -> driver.window.session().orElseThrow().file().get().isPresent());
    driver.settle();
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
