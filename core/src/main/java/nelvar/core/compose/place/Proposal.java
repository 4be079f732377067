package nelvar.core.compose.place;

import java.util.List;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Placement;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;

/// One way to lay a cabinet out, and what it comes to.
///
/// @param name what it is good at
/// @param copper of all wires inside, along ducts; cables count to where they leave
/// @param hottest air under the roof
/// @param warmest air at the part that stands warmest
/// @param room left on the rails and beside them, of the height and width the rows have
/// @param over what does not fit, mm; 0 where everything stands
/// @param waiting what could not be placed, and why
public record Proposal(
    String name,
    Cabinet cabinet,
    List<Placement> placements,
    Length copper,
    Temperature hottest,
    Temperature warmest,
    Percent room,
    double over,
    List<Waits> waiting) {
  public Proposal {
    placements = List.copyOf(placements);
    waiting = List.copyOf(waiting);
  }

  public record Waits(Device device, String why) {}

  public boolean fits() {
    return over <= 0;
  }

  /// As one step, with the cabinet where there was none.
  public Edit edit() {
    return LayoutEdits.arrange("Arrange " + cabinet.name() + ", " + name, cabinet, placements);
  }
}
