package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.model.Designation;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Wants;

/// What a line was understood as, before it becomes a function.
///
/// @param designation where the line names one: `=AX2`
/// @param unread words with a number that nobody could make anything of
public record Need(
    Optional<Designation> designation,
    String name,
    FunctionKind kind,
    Wants wants,
    List<String> unread) {
  public Need {
    unread = List.copyOf(unread);
  }

  /// In words, to be looked at before it is added: `open and close: 4 × valve, 24 V, at the
  /// gantry`.
  public String words() {
    var all = new ArrayList<String>();
    all.add(kind.words() + ": " + (wants.words().isEmpty() ? name : wants.words()));
    if (!unread.isEmpty()) all.add("not understood: " + String.join(", ", unread));
    return String.join("; ", all);
  }
}
