package nelvar.core.analysis.states;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.model.Id;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;

/// Whether a state calls for a load: no hand and no program on its way stands open, and every coil
/// whose contact is on its way is called for itself.
final class Called {
  private final Study study;
  private final Live live;

  Called(Study study, Live live) {
    this.study = study;
    this.live = live;
  }

  boolean calls(Feed feed) {
    return calls(feed, new HashSet<>());
  }

  private boolean calls(Feed feed, Set<Id> asked) {
    if (feed.source().isEmpty()) return false;
    var source = feed.source().get().device().id();
    var needs = study.network().topology().part(source).orElseThrow().outputNeeds();
    for (var need : needs) if (!live.on(new ActuatorRef(source, need))) return false;
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
        .flatMap(way -> way.stream())
        .map(study.network().topology()::edge)
        .filter(Edge.Through.class::isInstance)
        .map(Edge.Through.class::cast)
        .allMatch(through -> wanted(through, asked));
  }

  /// Whether a way through a device is meant to be closed in this state.
  private boolean wanted(Edge.Through through, Set<Id> asked) {
    if (live.closed(through)) return true;
    var link = through.link();
    // A protective device that is pulled is tried, not called for; a resting contact that stands
    // open
    // does so because its coil is in.
    if (link.actuator().isEmpty() || link.closedAtRest()) return false;
    var device = through.device().id();
    return switch (actuator(device, link.actuator().get()).orElse(null)) {
      case Actuator.Magnet _ ->
          !asked.add(device)
              || study.network().feeds(device).stream().anyMatch(coil -> calls(coil, asked));
      case Actuator.Hand _, Actuator.Program _, Actuator.Watch _ -> false;
      case null -> false;
    };
  }

  private Optional<Actuator> actuator(Id device, String name) {
    return study.network().topology().part(device).stream()
        .flatMap(part -> part.actuators().stream())
        .filter(actuator -> actuator.name().equals(name))
        .findFirst();
  }
}
