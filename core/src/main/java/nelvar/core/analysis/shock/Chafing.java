package nelvar.core.analysis.shock;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// Where a line of the mains, led through devices or ending at them, comes against one piece of
/// metal: a wire that chafes through at the cabinet, a filter that breaks down to its body.
///
/// Of a housing the places behind a protective device of the machine are counted; before the first
/// one the building's device opens, which nobody described: a filter there has its current and no
/// time.
///
/// @param most the greatest current of all these places, wires hot
/// @param opens the latest that one of them is cut off; empty where one of them never is
record Chafing(Current most, Optional<Duration> opens) {
  private record Spot(TerminalRef line, Optional<Feed.Protector> behind) {}

  /// Of a housing: anything that stands in the cabinet.
  static Optional<Chafing> atHousing(TerminalRef metal, Study study) {
    return at(metal, spot -> spot.behind().isPresent() && inPanel(spot, study), study);
  }

  /// Of a device that lines are led through.
  static Optional<Chafing> in(Device device, TerminalRef metal, Study study) {
    return at(metal, spot -> spot.line().device().equals(device.id()), study);
  }

  private static boolean inPanel(Spot spot, Study study) {
    return study.device(spot.line().device()).filter(d -> d.place() == Place.PANEL).isPresent();
  }

  private static Optional<Chafing> at(TerminalRef metal, Predicate<Spot> where, Study study) {
    var seen = new HashSet<TerminalRef>();
    var most = Optional.<Current>empty();
    var latest = Optional.<Duration>empty();
    var never = false;
    for (var feed : study.network().feeds()) {
      if (feed.source().filter(s -> s.output().alternating()).isEmpty()) continue;
      for (var n = 0; n < feed.lineWays().size(); n++)
        for (var spot : spots(feed, n, study)) {
          if (!where.test(spot) || !seen.add(spot.line())) continue;
          var fault = study.leastFault().between(spot.line(), metal);
          if (fault.isEmpty()) continue;
          var current = fault.get().current();
          if (most.filter(m -> m.compareTo(current) >= 0).isEmpty()) most = Optional.of(current);
          var opens =
              spot.behind()
                  .flatMap(by ->
                      TripTime.latest(
                          by.protection(),
                          current,
                          study
                              .project()
                              .brief()
                              .policies()
                              .magneticBand(fault.get().alternating())));
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
