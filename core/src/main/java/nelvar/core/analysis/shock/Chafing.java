package nelvar.core.analysis.shock;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// Where a line of the mains, led through devices or ending at them, comes against one piece of
/// metal: a wire that chafes through at the cabinet, a filter that breaks down to its body.
///
/// Counted are the places behind a protective device of the machine; before the first one the
/// building's device opens, which nobody described.
///
/// @param most the greatest current of all these places, wires hot
/// @param opens the latest that one of them is cut off; empty where one of them never is
record Chafing(Current most, Optional<Duration> opens) {
  private record Spot(TerminalRef line, Optional<Feed.Protector> behind) {}

  /// @param where the devices whose lines come against it
  static Optional<Chafing> at(TerminalRef metal, Predicate<Device> where, Study study) {
    var seen = new HashSet<TerminalRef>();
    var most = Optional.<Current>empty();
    var latest = Optional.<Duration>empty();
    var never = false;
    for (var feed : study.network().feeds()) {
      if (feed.source().filter(s -> s.output().alternating()).isEmpty()) continue;
      for (var n = 0; n < feed.lineWays().size(); n++)
        for (var spot : spots(feed, n, study)) {
          var device = study.device(spot.line().device());
          if (spot.behind().isEmpty() || device.filter(where).isEmpty()) continue;
          if (!seen.add(spot.line())) continue;
          var fault = study.leastFault().between(spot.line(), metal);
          if (fault.isEmpty()) continue;
          var current = fault.get().current();
          if (most.filter(m -> m.compareTo(current) >= 0).isEmpty()) most = Optional.of(current);
          var opens =
              TripTime.latest(
                  spot.behind().get().protection(),
                  current,
                  study.project().brief().policies().magneticBand(fault.get().alternating()));
          never |= opens.isEmpty();
          var before = latest;
          if (opens.filter(t -> before.filter(b -> b.compareTo(t) >= 0).isEmpty()).isPresent())
            latest = opens;
        }
    }
    var opens = never ? Optional.<Duration>empty() : latest;
    return most.map(current -> new Chafing(current, opens));
  }

  /// Every device that a line is led through, and where it ends.
  private static List<Spot> spots(Feed feed, int line, Study study) {
    var way = feed.lineWays().get(line);
    var all = new ArrayList<Spot>();
    for (var i = 0; i < way.size(); i++)
      if (study.network().topology().edge(way.get(i)) instanceof Edge.Through(var device, var link))
        all.add(
            new Spot(
                new TerminalRef(device.id(), link.a()),
                study.network().protection(way.subList(0, i))));
    all.add(
        new Spot(
            new TerminalRef(feed.device().id(), feed.intake().lines().get(line)),
            study.network().protection(way)));
    return all;
  }
}
