package nelvar.core.analysis.parts;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.RectifierBank;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.network.Source;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// The least and the most volts an intake gets, from the solved network.
///
/// Least: everything on that can be on together, wires as hot as their insulation allows, mains at
/// 0.9 of nominal. Most: loads at rest, wires at 20 °C, mains at 1.1 of nominal (IEC 60204-1:2016,
/// 4.3.2, unchecked). Shared returns, contacts and protective devices count.
public final class WorstVolts {
  /// An inlet that stands lower than this has another fault.
  private static final double MOST = 1.15;

  public record Span(Voltage least, Voltage most) {}

  private WorstVolts() {}

  /// Missing where a wire on its way is not known, where nothing feeds it, or where a running
  /// machine does not energise it.
  public static Computed<Span> of(Feed feed, Study study) {
    if (feed.source().isEmpty()) return Computed.missing("no supply reaches it");
    var unknown = unknown(feed, study);
    if (unknown.isPresent()) return Computed.missing(unknown.get());
    var most = study.coldAndHigh().at(feed.device(), feed.intake());
    var least = new Voltage(0);
    MachineStates.State worst = null;
    var known = false;
    for (var state : MachineStates.hotAndLow(study)) {
      var stands = state.live().at(feed.device(), feed.intake());
      if (stands.isEmpty()) continue;
      known = true;
      var volts = atInlet(stands.get(), feed, state.live(), study);
      if (volts.volts() < 0.3 * feed.voltage().volts()) continue;
      if (worst != null && volts.compareTo(least) >= 0) continue;
      worst = state;
      least = volts;
    }
    if (!known || most.isEmpty())
      return Computed.missing("the network has no steady state with everything on");
    if (worst == null)
      return Computed.missing(
          "a running machine does not energise it; set its switches in the meter to see");
    var low = worst.live();
    var w = Working.of("Volts at " + feed.device().designation());
    w.given("U", feed.voltage(), feed.source().get().toString());
    w.result(
        "Umin",
        "network solved %s, wires %s, 0.9 Un at the inlet".formatted(worst.words(), study.hot()),
        low.solution().solves() + " solves, " + low.solution().balance(),
        least);
    w.result("Umax", "network solved: loads at rest, wires 20 °C, mains 1.1 Un", most.get());
    var span = new Span(least, most.get());
    return Computed.known(new Explained<>(span, w.explain(span).trail()));
  }

  /// The 0.9 Un stand at the terminals of the inlet, whatever lies before them: an impedance of the
  /// mains, stated or assumed, condemns no load. A drive gives no more than it gets; what a
  /// regulated supply gives does not follow.
  private static Voltage atInlet(Voltage least, Feed feed, Live low, Study study) {
    if (!follows(feed.source().orElseThrow(), study)) return least;
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof MainsInlet)
        .flatMap(inlet -> study.network().sources(inlet).stream())
        .findFirst()
        .map(inlet -> least.times(Math.clamp(lowered(inlet, low), 1, MOST)))
        .orElse(least);
  }

  /// Whether what it gives sinks with the mains.
  private static boolean follows(Source source, Study study) {
    var part = study.part(source.device());
    if (part.isEmpty()) return false;
    var p = part.get();
    if (p instanceof MainsInlet || p instanceof RectifierBank || p.bareTransformer()) return true;
    return p.drives()
        && study.network().feeds(source.device().id()).stream()
            .flatMap(feed -> feed.source().stream())
            .anyMatch(before -> study.part(before.device()).orElse(null) instanceof MainsInlet);
  }

  /// How much more would stand at an inlet without what the mains itself loses.
  private static double lowered(Source inlet, Live low) {
    var ends = inlet.terminals();
    var stands = low.voltage(ends.getFirst(), ends.get(1)).map(Live.Both::rms).orElse(0.0);
    var wanted = inlet.output().voltage().volts();
    return stands > 0 ? 0.9 * wanted / stands : 1;
  }

  private static Optional<String> unknown(Feed feed, Study study) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
        .flatMap(way -> study.wires(way).stream())
        .filter(wire -> wire.section().isEmpty() || study.length(wire).isEmpty())
        .findFirst()
        .map(wire ->
            "the %s of %s is not known yet"
                .formatted(wire.section().isEmpty() ? "section" : "length", wire.label()));
  }
}
