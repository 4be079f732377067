package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.catalogue.Housing;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Shell;
import nelvar.desktop.control.DrawingPane;
import org.junit.jupiter.api.Test;

/// The plate in the real window: dragged, nudged, typed, arranged, undone.
class PanelTest extends DemoWindow {
  private DrawingPane plate() {
    return (DrawingPane) driver.window.root().lookup("#plate");
  }

  private void open() {
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT5);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  private Placement at(String id) {
    return session().project().layout().placement(new Id(id)).orElseThrow();
  }

  private void select(String id) {
    driver.run(() -> driver.window.select(new Id(id)));
    driver.settle();
  }

  private void fire(String id) {
    driver.run(() -> {
      switch (driver.window.root().lookup("#" + id)) {
        case Button button -> button.fire();
        case ToggleButton toggle -> toggle.fire();
        default -> throw new AssertionError(id);
      }
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  @Test
  void everyLensShowsTheSamePlaces() {
    open();
    var spots = plate().drawing().spots().size();
    for (var lens : java.util.List.of("heat", "noise", "wires", "reach", "place")) {
      fire("lens-" + lens);
      assertThat(plate().drawing().spots()).hasSize(spots);
    }
  }

  /// What is typed is where it stands; undo takes it back in one step.
  @Test
  void aPlaceIsTypedAndUndone() {
    open();
    select("T2");
    var before = at("T2");
    driver.run(() -> {
      var field = (TextField) driver.window.root().lookup("#panel-from-the-left .text-field");
      field.setText("500 mm");
      field.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    assertThat(at("T2").left().metres()).isEqualTo(0.5);
    driver.run(() -> session().undo());
    assertThat(at("T2")).isEqualTo(before);
  }

  /// Several nudges are one step of the history.
  @Test
  void nudgingIsOneStep() {
    open();
    select("T2");
    var before = at("T2");
    driver.run(() -> plate().requestFocus());
    driver.press(KeyCode.ALT, KeyCode.RIGHT);
    driver.await("review", () -> !session().stale().get());
    driver.press(KeyCode.ALT, KeyCode.RIGHT);
    driver.await("review", () -> !session().stale().get());
    assertThat(at("T2").left().metres()).isGreaterThan(before.left().metres() + 0.0015);
    driver.run(() -> session().undo());
    assertThat(at("T2")).isEqualTo(before);
  }

  /// Taken off it waits on the shelf; turned it lies.
  @Test
  void takenOffAndTurned() {
    open();
    select("T2");
    fire("panel-turn");
    assertThat(at("T2").quarters()).isEqualTo(1);
    fire("panel-off");
    assertThat(session().project().layout().placement(new Id("T2"))).isEmpty();
    assertThat(plate().drawing().spots())
        .anyMatch(spot -> spot.about().equals(new Id("T2")) && spot.says().contains("nowhere yet"));
  }

  /// Layouts side by side; one is taken with one press and is one step.
  @Test
  void arrangedAndTaken() {
    open();
    fire("arrange");
    driver.await("layouts", () -> driver.window.root().lookup("#arrange-take-0") != null);
    fire("arrange-take-0");
    assertThat(session().review().get().open())
        .noneMatch(entry -> entry.rule().id().equals("space.reach"));
    driver.run(() -> session().undo());
    driver.await("review", () -> !session().stale().get());
    assertThat(session().review().get().open())
        .anyMatch(entry -> entry.rule().id().equals("space.reach"));
  }

  private void drag(String id, double across, double down) {
    var from = plate().middleOf(new Id(id)).orElseThrow();
    driver.drag(plate(), from, from.add(across, down));
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  /// A part is carried with the mouse, in the window: one step of the history, the same after undo.
  @Test
  void aPartIsDragged() {
    open();
    var before = at("F21");
    drag("F21", -60, 0);
    assertThat(at("F21").left().metres()).isLessThan(before.left().metres() - 0.03);
    // It comes to rest on the rail it was on.
    assertThat(at("F21").top()).isEqualTo(before.top());
    assertThat(plate().layers()).doesNotContain("dragged");
    driver.run(() -> session().undo());
    assertThat(at("F21")).isEqualTo(before);
    driver.run(() -> session().redo());
    assertThat(at("F21")).isNotEqualTo(before);
  }

  /// A duct is dragged; a rail nudged by keys takes along what is on it; several nudges are one
  /// step.
  @Test
  void railsAndDuctsAreMoved() {
    open();
    var cabinet = session().project().layout().cabinets().getFirst();
    var rail = cabinet.rails().getFirst();
    var before = session().project().layout();
    select(rail.id().text());
    driver.run(() -> plate().requestFocus());
    driver.press(KeyCode.ALT, KeyCode.DOWN);
    driver.await("review", () -> !session().stale().get());
    driver.press(KeyCode.ALT, KeyCode.DOWN);
    driver.await("review", () -> !session().stale().get());
    var after = session().project().layout();
    assertThat(after.cabinets().getFirst().rails().getFirst().top().metres())
        .isCloseTo(rail.top().metres() + 0.002, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(after.placements()).isNotEqualTo(before.placements());
    driver.run(() -> session().undo());
    assertThat(session().project().layout()).isEqualTo(before);
    var duct = cabinet.ducts().getLast();
    drag(duct.id().text(), 0, -30);
    assertThat(session().project().layout().cabinets().getFirst().ducts().getLast().top())
        .isNotEqualTo(duct.top());
    driver.run(() -> session().undo());
    assertThat(session().project().layout()).isEqualTo(before);
  }

  /// Marked by keyboard alone, measured, and brought into line with the first.
  @Test
  void severalAreMarkedByKeyboard() {
    open();
    select("U1");
    driver.run(() -> plate().requestFocus());
    driver.press(KeyCode.SHIFT, KeyCode.SPACE);
    driver.press(KeyCode.RIGHT);
    driver.press(KeyCode.RIGHT);
    driver.press(KeyCode.SHIFT, KeyCode.SPACE);
    driver.settle();
    assertThat(
            ((javafx.scene.control.Label) driver.window.root().lookup("#together-apart")).getText())
        .contains("mm between them", "a wire through the ducts");
    fire("together-tops");
    var second = session().selection().get().orElseThrow();
    assertThat(at(second.text()).top()).isEqualTo(at("U1").top());
    fire("together-forget");
    assertThat(driver.window.root().lookup("#together-apart")).isNull();
  }

  private Cabinet cabinet() {
    return session().project().layout().cabinets().getFirst();
  }

  private void choose(String id, int index) {
    driver.run(() -> {
      if (driver.window.root().lookup("#" + id) instanceof ChoiceBox<?> box)
        box.getSelectionModel().select(index);
      else throw new AssertionError(id);
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  private void typed(String field, String text) {
    driver.run(() -> {
      var input = (TextField) driver.window.root().lookup("#" + field + " .text-field");
      input.setText(text);
      input.fireEvent(new javafx.event.ActionEvent());
    });
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  /// Rails and ducts are added, typed, said to hold wiring, and removed; each is undone by one
  /// step.
  @Test
  void railsAndDuctsAreMadeByHand() {
    open();
    var before = session().project().layout();
    driver.run(() -> driver.window.select(cabinet().id()));
    driver.settle();
    fire("panel-add-rail");
    fire("panel-add-duct");
    fire("panel-add-upright");
    assertThat(cabinet().rails()).hasSize(before.cabinets().getFirst().rails().size() + 1);
    assertThat(cabinet().ducts()).hasSize(before.cabinets().getFirst().ducts().size() + 2);
    var duct = cabinet().ducts().getLast().id();
    select(duct.text());
    typed("fixture-length", "0 mm");
    assertThat(cabinet().duct(duct).orElseThrow().length().metres()).isPositive();
    typed("fixture-length", "300 mm");
    typed("fixture-face", "60 mm");
    typed("fixture-from-the-left", "5 cm");
    choose("duct-bundle", 1);
    var now = cabinet().duct(duct).orElseThrow();
    assertThat(now.length().metres()).isEqualTo(0.3);
    assertThat(now.width().metres()).isEqualTo(0.06);
    assertThat(now.left().metres()).isEqualTo(0.05);
    assertThat(now.bundle()).isPresent();
    fire("panel-remove");
    assertThat(cabinet().duct(duct)).isEmpty();
    for (var i = 0; i < 8; i++) driver.run(() -> session().undo());
    assertThat(session().project().layout()).isEqualTo(before);
  }

  /// Walls, hinge and what was measured: the head follows, and undo takes it back.
  @Test
  void theCabinetIsChangedByHand() {
    open();
    var before = session().project().layout();
    driver.run(() -> driver.window.select(cabinet().id()));
    driver.settle();
    choose("panel-housing", 3);
    assertThat(cabinet().shell().housing()).isEqualTo(Housing.PLASTIC);
    assertThat(session().project().device(new Id("UC1")).orElseThrow().part())
        .isEqualTo("housing-800x1000x300-plastic");
    choose("panel-hangs", 3);
    assertThat(cabinet().shell().cables()).isEqualTo(Shell.Side.TOP);
    choose("panel-hinge", 1);
    assertThat(cabinet().shell().hinge()).contains(Shell.Side.RIGHT);
    typed("cabinet-inside", "50 °C");
    assertThat(cabinet().felt().orElseThrow().inside().celsius()).isEqualTo(50);
    typed("cabinet-depth", "8 mm");
    assertThat(cabinet().shell().depth()).isEqualTo(before.cabinets().getFirst().shell().depth());
    for (var i = 0; i < 4; i++) driver.run(() -> session().undo());
    assertThat(session().project().layout()).isEqualTo(before);
  }

  /// Seen from inside, a nudge to the right goes to the left as one stands before the door.
  @Test
  void aDoorFromInsideIsNudgedAsItIsSeen() {
    open();
    select("A2");
    var before = at("A2");
    fire("door-inside");
    driver.run(() -> plate().requestFocus());
    driver.press(KeyCode.ALT, KeyCode.RIGHT);
    driver.await("review", () -> !session().stale().get());
    assertThat(at("A2").left().metres()).isLessThan(before.left().metres());
    fire("door-inside");
    driver.press(KeyCode.ALT, KeyCode.RIGHT);
    driver.await("review", () -> !session().stale().get());
    assertThat(at("A2").left().metres()).isEqualTo(before.left().metres());
  }

  /// An outline from a drawing lies behind the plate; what is no drawing is said and changes
  /// nothing.
  @Test
  void aBackgroundFromADrawing(@org.junit.jupiter.api.io.TempDir java.nio.file.Path folder)
      throws Exception {
    open();
    var before = session().project().layout();
    var shapes = plate().drawing().shapes().size();
    driver.willPick(
        java.nio.file.Files.writeString(
            folder.resolve("plate.dxf"),
            "0\nSECTION\n2\nENTITIES\n0\nLINE\n10\n0\n20\n0\n11\n700\n21\n900\n0\nENDSEC\n0\nEOF\n"));
    command("background of the plate");
    assertThat(cabinet().background()).hasSize(1);
    assertThat(plate().drawing().shapes()).hasSize(shapes + 1);
    driver.willPick(java.nio.file.Files.writeString(folder.resolve("no.dxf"), "hello\nworld\n"));
    command("background of the plate");
    assertThat(cabinet().background()).hasSize(1);
    command("plate without");
    assertThat(session().project().layout()).isEqualTo(before);
  }

  private void command(String words) {
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.type(words);
    driver.press(KeyCode.ENTER);
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  /// While it is carried, a hot part says whom it would warm, and what is in its way.
  @Test
  void whileItIsCarried() {
    open();
    var from = plate().middleOf(new Id("U4")).orElseThrow();
    driver.mouse(plate(), javafx.scene.input.MouseEvent.MOUSE_PRESSED, from);
    driver.mouse(plate(), javafx.scene.input.MouseEvent.MOUSE_DRAGGED, from.add(-40, -20));
    driver.mouse(plate(), javafx.scene.input.MouseEvent.MOUSE_DRAGGED, from.add(-60, -20));
    driver.settle();
    assertThat(plate().layers()).isNotEmpty();
    var before = session().project().layout();
    driver.run(() -> plate().requestFocus());
    driver.press(KeyCode.ESCAPE);
    assertThat(plate().layers()).isEmpty();
    driver.mouse(plate(), javafx.scene.input.MouseEvent.MOUSE_RELEASED, from.add(-60, -20));
    assertThat(session().project().layout()).isEqualTo(before);
  }
}
