package nelvar.core.finding;

import nelvar.core.model.edit.Edit;

/// A way out that a rule proposes. It is tried on a copy before it is offered; taken, it is an edit
/// like any other.
public record Repair(String label, Edit edit) {
  public static Repair of(Edit edit) {
    return new Repair(edit.label(), edit);
  }
}
