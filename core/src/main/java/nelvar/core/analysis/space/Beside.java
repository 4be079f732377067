package nelvar.core.analysis.space;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Placement;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.LayoutEdits;

/// The free place nearest to something that is mounted, for what is not yet.
public final class Beside {
  private Beside() {}

  /// @param within mm from edge to edge
  /// @return what mounts it there; empty where the other has no place, its own measures are not
  ///   known, or no place is free
  public static Optional<Edit> mounted(Device device, Device other, double within, Study study) {
    var there = Bodies.of(study).of(other.id());
    if (there.isEmpty()) return Optional.empty();
    var cabinet = study.project().layout().cabinet(there.get().at().cabinet()).orElseThrow();
    var at =
        Placement.at(
            device.id(),
            there.get().at().cabinet(),
            there.get().surface(),
            there.get().at().left(),
            there.get().at().top());
    return Bodies.body(at, study)
        .flatMap(body ->
            FreePlace.near(body, cabinet, study, b -> b.box().gap(there.get().box()) <= within))
        .map(body ->
            LayoutEdits.place(device, body.at())
                .named("Mount %s beside %s".formatted(body.name(), there.get().name())));
  }
}
