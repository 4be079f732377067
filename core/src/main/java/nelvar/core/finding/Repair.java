package nelvar.core.finding;

import nelvar.core.model.edit.Edit;

/// A way out that cures: tried with the calculation before it is offered. Taken, it is an edit like
/// any other.
public record Repair(String label, Edit edit) {
  public static Repair of(Edit edit) {
    return new Repair(edit.label(), edit);
  }
}
