package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.desktop.session.History;
import org.junit.jupiter.api.Test;

class HistoryTest {
  private static final History.Bounds<String> ROOM = new History.Bounds<>(5000, state -> 10);
  private final History<String> opened = History.of("a", true, ROOM);

  private static History<String> step(History<String> history, String state) {
    return history.then("to " + state, Optional.empty(), state);
  }

  @Test
  void goesBackAndForthByName() {
    var history = step(step(opened, "b"), "c");
    assertThat(history.undoLabel()).contains("to c");
    var back = history.undo();
    assertThat(back.current()).isEqualTo("b");
    assertThat(back.redoLabel()).contains("to c");
    assertThat(back.redo().current()).isEqualTo("c");
    assertThat(back.undo().undo().current()).isEqualTo("a");
    assertThat(back.undo().undoLabel()).isEmpty();
  }

  @Test
  void anEditAfterUndoForgetsWhatWasAhead() {
    var history = step(step(step(opened, "b"), "c").undo(), "d");
    assertThat(history.redoLabel()).isEmpty();
    assertThat(history.undo().current()).isEqualTo("b");
  }

  @Test
  void knowsWhichStateIsOnDisk() {
    assertThat(opened.unsaved()).isFalse();
    var edited = step(opened, "b");
    assertThat(edited.unsaved()).isTrue();
    assertThat(edited.undo().unsaved()).isFalse();
    var saved = edited.savedAs(edited.current());
    assertThat(saved.unsaved()).isFalse();
    assertThat(saved.undo().unsaved()).isTrue();
    assertThat(step(saved.undo(), "x").undo().unsaved())
        .as("the saved state is gone for good")
        .isTrue();
    assertThat(History.of("new", false, ROOM).unsaved()).isTrue();
  }

  @Test
  void oneGestureIsOneStep() {
    var gesture = Optional.<Object>of("drag 1");
    var history =
        opened
            .then("drag", gesture, "b")
            .then("drag", gesture, "c")
            .then("drag", Optional.of("drag 2"), "d");
    assertThat(history.undo().current()).isEqualTo("c");
    assertThat(history.undo().undo().current()).isEqualTo("a");
  }

  @Test
  void aGestureDoesNotSwallowASavedState() {
    var gesture = Optional.<Object>of("drag");
    var saved = opened.then("drag", gesture, "b");
    var history = saved.savedAs(saved.current()).then("drag", gesture, "c");
    assertThat(history.undo().unsaved()).isFalse();
  }

  /// A save that takes a while is of the state it was asked for, not of the one typed meanwhile.
  @Test
  void aLateSaveMarksTheStateThatIsOnDisk() {
    var asked = step(opened, "b");
    var later = step(asked, "c").savedAs(asked.current());
    assertThat(later.unsaved()).isTrue();
    assertThat(later.undo().unsaved()).isFalse();
    assertThat(later.savedAs("never seen").undo().unsaved()).isTrue();
  }

  @Test
  void onlyMemoryEndsTheHistoryAndItSaysSo() {
    var history = opened;
    for (var i = 0; i < 499; i++) history = step(history, "s" + i);
    assertThat(history.steps()).hasSize(500);
    assertThat(history.gone()).isZero();
    for (var i = 499; i < 700; i++) history = step(history, "s" + i);
    assertThat(history.steps()).hasSize(500);
    assertThat(history.gone()).isEqualTo(201);
    assertThat(history.current()).isEqualTo("s699");
    assertThat(history.undo().current()).isEqualTo("s698");
    assertThat(history.unsaved()).isTrue();
  }

  /// However heavy a state is, the last step can be undone.
  @Test
  void theLastStepCanAlwaysBeUndone() {
    var tight = History.of("a", true, new History.Bounds<String>(1, state -> 1000));
    var history = step(step(tight, "b"), "c");
    assertThat(history.undo().current()).isEqualTo("b");
    assertThat(history.undo().undoLabel()).isEmpty();
  }
}
