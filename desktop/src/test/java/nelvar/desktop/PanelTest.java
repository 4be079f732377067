package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
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
}
