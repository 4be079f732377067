package nelvar.core.analysis.space;

import java.util.BitSet;
import java.util.HashSet;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.model.Id;

/// Which devices and which conductors have more than extra-low volts on them when everything that
/// can be on is on: by the ways from the sources, not by names.
///
/// @param devices with at least one terminal on such a way
/// @param conductors on such a way
public record OnMains(Set<Id> devices, Set<Id> conductors) {
  /// More is dangerous to touch: 50 V alternating, 120 V direct (IEC 60364-4-41, from memory,
  /// unchecked); direct current from 60 V counts too, as most panels keep it apart.
  private static final double ALTERNATING = 50;

  private static final double DIRECT = 60;

  public static OnMains of(Study study) {
    return study.once(OnMains.class, () -> find(study));
  }

  private static OnMains find(Study study) {
    var topology = study.network().topology();
    var reached = new BitSet();
    for (var source : study.network().sources()) {
      var output = source.output();
      if (output.voltage().volts() <= (output.alternating() ? ALTERNATING : DIRECT)) continue;
      for (var walk : study.network().walks(source))
        for (var node : walk.reached()) reached.set(node);
    }
    var devices = new HashSet<Id>();
    reached.stream().forEach(node -> devices.add(topology.terminal(node).device()));
    var conductors = new HashSet<Id>();
    for (var wire : study.project().conductors())
      if (reached.get(topology.node(wire.from())) && reached.get(topology.node(wire.to())))
        conductors.add(wire.id());
    return new OnMains(devices, conductors);
  }
}
