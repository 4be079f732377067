package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.desktop.session.History;
import org.junit.jupiter.api.Test;

class HistoryTest {
  private final History<String> opened = History.of("a", true);

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
    var saved = edited.savedHere();
    assertThat(saved.unsaved()).isFalse();
    assertThat(saved.undo().unsaved()).isTrue();
    assertThat(step(saved.undo(), "x").undo().unsaved())
        .as("the saved state is gone for good")
        .isTrue();
    assertThat(History.of("new", false).unsaved()).isTrue();
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
    var history = opened.then("drag", gesture, "b").savedHere().then("drag", gesture, "c");
    assertThat(history.undo().unsaved()).isFalse();
  }

  @Test
  void aLongDayDoesNotFillTheMemory() {
    var history = opened;
    for (var i = 0; i < 700; i++) history = step(history, "s" + i);
    assertThat(history.steps()).hasSize(500);
    assertThat(history.current()).isEqualTo("s699");
    assertThat(history.undo().current()).isEqualTo("s698");
    assertThat(history.unsaved()).isTrue();
  }
}
