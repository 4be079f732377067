package nelvar.core.network;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.units.Length;

/// How long conductors are, one way. Who knows their ways says so; the network only asks, and not
/// before it is solved.
public interface Lengths {
  /// Empty where it is not known.
  Optional<Length> of(Conductor conductor);

  /// As they are written in the project, each by itself, else as its cable: for who has no ways.
  static Lengths written(Project project) {
    Map<Id, Length> cables = new HashMap<>();
    for (var cable : project.cables())
      cable.length().ifPresent(length -> cables.put(cable.id(), length));
    return wire -> wire.length().or(() -> wire.cable().map(cables::get));
  }
}
