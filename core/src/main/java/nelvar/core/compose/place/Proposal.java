package nelvar.core.compose.place;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.NewWalls;
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
/// @param broken findings of the place it leaves: logic beside what switches, heat below what it
///   hurts
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
    int broken,
    List<Waits> waiting) {
  public Proposal {
    placements = List.copyOf(placements);
    waiting = List.copyOf(waiting);
  }

  public record Waits(Device device, String why) {}

  /// What is wrong with it; empty where nothing is.
  public Optional<String> lacks() {
    if (!fits()) return Optional.of("%.0f mm of it do not fit".formatted(over));
    return broken == 0
        ? Optional.empty()
        : Optional.of(
            broken == 1
                ? "1 rule of the place is broken"
                : broken + " rules of the place are broken");
  }

  public boolean fits() {
    return over <= 0;
  }

  /// As one step, with the cabinet where there was none; the enclosure among the devices that it is
  /// becomes one of its size.
  public Edit edit(Study study) {
    return NewWalls.follow(
        LayoutEdits.arrange("Arrange %s: %s".formatted(cabinet.name(), name), cabinet, placements),
        cabinet.device(),
        cabinet.shell(),
        study);
  }
}
