package nelvar.desktop.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToLongFunction;

/// All states since opening, where we stand among them, and which of them is on disk. Immutable.
///
/// It has no end but memory: when its steps weigh more than `room`, the oldest go, and `gone` says
/// that they did.
///
/// @param saved position that is on disk; -1 for none
/// @param gone how many of the oldest steps were let go
public record History<T>(List<Step<T>> steps, int position, int saved, int gone, Bounds<T> bounds) {

  /// @param label what was done to reach `state`
  /// @param gesture edits of one gesture become one step; empty stands alone
  public record Step<T>(String label, Optional<Object> gesture, T state) {}

  /// How much all steps together may weigh, and what one weighs, in bytes.
  public record Bounds<T>(long room, ToLongFunction<T> weight) {}

  public History {
    steps = List.copyOf(steps);
  }

  public static <T> History<T> of(T state, boolean onDisk, Bounds<T> bounds) {
    return new History<>(
        List.of(new Step<>("", Optional.empty(), state)), 0, onDisk ? 0 : -1, 0, bounds);
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
    var cut = tooMany(kept);
    return new History<>(
        kept.subList(cut, kept.size()),
        kept.size() - 1 - cut,
        stillSaved >= cut ? stillSaved - cut : -1,
        gone + cut,
        bounds);
  }

  /// How many of the oldest do not fit; the newest two always stay.
  private int tooMany(List<Step<T>> kept) {
    var weight = 0L;
    for (var i = kept.size() - 1; i >= 0; i--) {
      weight += bounds.weight().applyAsLong(kept.get(i).state());
      if (weight > bounds.room()) return Math.min(i + 1, Math.max(0, kept.size() - 2));
    }
    return 0;
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
    return position > 0 ? new History<>(steps, position - 1, saved, gone, bounds) : this;
  }

  public History<T> redo() {
    return position + 1 < steps.size()
        ? new History<>(steps, position + 1, saved, gone, bounds)
        : this;
  }

  /// `state` is on disk now; it may be no longer the current one, or none of ours any more.
  public History<T> savedAs(T state) {
    for (var i = steps.size() - 1; i >= 0; i--)
      if (steps.get(i).state() == state) return new History<>(steps, position, i, gone, bounds);
    return new History<>(steps, position, -1, gone, bounds);
  }

  public boolean unsaved() {
    return saved != position;
  }
}
