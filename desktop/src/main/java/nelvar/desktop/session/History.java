package nelvar.desktop.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// All states since opening, where we stand among them, and which of them is on disk. Immutable.
///
/// @param saved position that is on disk; -1 for none
public record History<T>(List<Step<T>> steps, int position, int saved) {
  private static final int LONGEST = 500;

  /// @param label what was done to reach `state`
  /// @param gesture edits of one gesture become one step; empty stands alone
  public record Step<T>(String label, Optional<Object> gesture, T state) {}

  public History {
    steps = List.copyOf(steps);
  }

  public static <T> History<T> of(T state, boolean onDisk) {
    return new History<>(List.of(new Step<>("", Optional.empty(), state)), 0, onDisk ? 0 : -1);
  }

  public T current() {
    return steps.get(position).state();
  }

  public History<T> then(String label, Optional<Object> gesture, T state) {
    var kept = new ArrayList<>(steps.subList(0, position + 1));
    var here = steps.get(position);
    var merges =
        gesture.isPresent() && position > 0 && here.gesture().equals(gesture) && saved != position;
    if (merges) kept.removeLast();
    kept.add(new Step<>(label, gesture, state));
    var stillSaved = saved <= position && !(merges && saved == position) ? saved : -1;
    var cut = Math.max(0, kept.size() - LONGEST);
    return new History<>(
        kept.subList(cut, kept.size()),
        kept.size() - 1 - cut,
        stillSaved >= cut ? stillSaved - cut : -1);
  }

  public Optional<String> undoLabel() {
    return position > 0 ? Optional.of(steps.get(position).label()) : Optional.empty();
  }

  public Optional<String> redoLabel() {
    return position + 1 < steps.size()
        ? Optional.of(steps.get(position + 1).label())
        : Optional.empty();
  }

  public History<T> undo() {
    return position > 0 ? new History<>(steps, position - 1, saved) : this;
  }

  public History<T> redo() {
    return position + 1 < steps.size() ? new History<>(steps, position + 1, saved) : this;
  }

  public History<T> savedHere() {
    return new History<>(steps, position, position);
  }

  public boolean unsaved() {
    return saved != position;
  }
}
