package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Fault;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// The prospective short-circuit currents at the terminals of every load, and what opens on the
/// least of them, when.
///
/// @param at terminal of the load; `against` the other one
/// @param greatest cold wires, 1.05 of nominal; `least` hot wires, 0.95 of nominal
/// @param protection the nearest protective device before it
/// @param opens the latest it opens at the least current; empty where it need not
public record FaultCurrents(
    Feed feed,
    TerminalRef at,
    String against,
    Current greatest,
    Current least,
    Optional<Feed.Protector> protection,
    Optional<Duration> opens) {

  /// Between the lines, from line to back and from line to the protective conductor, wherever a
  /// running machine closes the way.
  public static List<FaultCurrents> all(Study study) {
    var all = new ArrayList<FaultCurrents>();
    for (var feed : study.network().feeds()) {
      if (feed.source().isEmpty() || feed.lineWays().isEmpty()) continue;
      var line = end(feed, feed.intake().lines().getFirst());
      if (feed.intake().threePhase())
        add(all, study, feed, line, end(feed, feed.intake().lines().get(1)), true);
      feed.intake().back().ifPresent(back -> add(all, study, feed, line, end(feed, back), false));
      study.part(feed.device()).stream()
          .flatMap(part -> part.terminals().stream())
          .filter(terminal -> terminal.role() == Role.PROTECTIVE)
          .findFirst()
          .ifPresent(pe -> add(all, study, feed, line, end(feed, pe.name()), false));
    }
    return all;
  }

  private static TerminalRef end(Feed feed, String terminal) {
    return new TerminalRef(feed.device().id(), terminal);
  }

  private static void add(
      List<FaultCurrents> all,
      Study study,
      Feed feed,
      TerminalRef a,
      TerminalRef b,
      boolean threePhase) {
    var least = study.leastFault().between(a, b);
    var greatest = threePhase ? three(study, a, b) : study.greatestFault().between(a, b);
    if (least.isEmpty() || greatest.isEmpty()) return;
    var protection = study.network().protection(feed.lineWays().getFirst());
    all.add(
        new FaultCurrents(
            feed,
            a,
            threePhase ? "all lines" : b.terminal(),
            greatest.get().current(),
            least.get().current(),
            protection,
            protection.flatMap(g ->
                TripTime.latest(
                    g.protection(),
                    least.get().current(),
                    study.project().brief().policies().magneticBand(least.get().alternating())))));
  }

  private static Optional<Fault.Prospective> three(Study study, TerminalRef a, TerminalRef b) {
    return study.greatestFault().threePhase(a, b);
  }
}
