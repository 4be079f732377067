package nelvar.core.analysis.choice;

import java.util.List;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edit;
import nelvar.core.trail.Trail;

/// What choosing would change.
///
/// @param edit all changes as one step
/// @param costBefore of the devices and wires in question, in the project's currency; without those
///   that have no price
/// @param kindsBefore different wires and devices among them
/// @param left what was fixed by hand or could not be chosen, with the reason
public record Proposal(
    Edit edit,
    List<Change> changes,
    double costBefore,
    double costAfter,
    int kindsBefore,
    int kindsAfter,
    List<String> left) {

  /// @param why in one sentence; `trail` the working of the new size
  public record Change(Id subject, String name, String from, String to, String why, Trail trail) {}

  public boolean changesNothing() {
    return changes.isEmpty();
  }
}
