package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Fault;
import nelvar.core.network.Feed;
import nelvar.core.network.MainsSource;
import nelvar.core.network.TripTime;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// A short circuit at the far end of a circuit opens its own protective device within 5 s.
///
/// `Ik = U/Z` from the solved network: hot wires, mains at 0.95; an electronic supply gives no more
/// than its limit. Where the limit is what a wire can carry for ever, the wire is safe although the
/// device stays closed: then the whole supply collapses instead of one branch, a warning; else an
/// error.
///
/// Demand: IEC 60364-4-43:2008, 434.5.2, for 5 s (unchecked).
public final class ClearsFault implements Rule {
  private static final Reason A_SHORT_TAKES_THE_WHOLE_SUPPLY_DOWN =
      Reason.of("A short takes the whole supply down");
  private static final Reason A_SHORT_CIRCUIT_DOES_NOT_OPEN_IT =
      Reason.of("A short circuit does not open it");

  private static final Citation AMERICAN =
      Citation.recalled("NEC 2023 (NFPA 70)", "110.10, current that opens it within 5 s");
  private static final Citation DEMAND =
      Citation.recalled("IEC 60364-4-43:2008", "434.5.2, current that opens it within 5 s");
  private static final Duration WITHIN = new Duration(5);

  @Override
  public String id() {
    return "protection.clears-fault";
  }

  @Override
  public String asks() {
    return "A short circuit at the end of a circuit opens its own protective device.";
  }

  /// A protective device with the worst of its loads.
  private record Worst(Feed.Protector protection, Feed feed, Fault.Prospective fault) {}

  @Override
  public Stream<Verdict> check(Study study) {
    var worst = new LinkedHashMap<Feed.Protector, Worst>();
    var verdicts = new ArrayList<Verdict>();
    Contained.each(
        this,
        study.network().feeds(),
        feed -> feed.device().id(),
        verdicts,
        feed -> {
          if (feed.source().isEmpty() || feed.lineWays().isEmpty()) return;
          var protection = study.network().protection(feed.lineWays().getFirst());
          if (protection.isEmpty()) return;
          var fault = fault(feed, study);
          if (fault.isEmpty() || unknown(feed, study)) {
            verdicts.add(
                new Verdict.NotChecked(
                    protection.get().device().id(),
                    "the way to "
                        + feed.device().designation()
                        + " is not known, or a running machine does not close it"));
            return;
          }
          worst.merge(
              protection.get(),
              new Worst(protection.get(), feed, fault.get()),
              (a, b) -> a.fault().current().compareTo(b.fault().current()) <= 0 ? a : b);
        });
    Contained.each(
        this,
        worst.values(),
        found -> found.protection().device().id(),
        verdicts,
        found -> verdicts.add(judge(found, study)));
    return verdicts.stream();
  }

  private static boolean unknown(Feed feed, Study study) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
        .flatMap(way -> study.wires(way).stream())
        .anyMatch(wire -> wire.section().isEmpty() || study.length(wire).isEmpty());
  }

  private static Optional<Fault.Prospective> fault(Feed feed, Study study) {
    var a = new TerminalRef(feed.device().id(), feed.intake().lines().getFirst());
    var b =
        new TerminalRef(
            feed.device().id(), feed.intake().back().orElseGet(() -> feed.intake().lines().get(1)));
    return study.leastFault().between(a, b);
  }

  private static Verdict judge(Worst worst, Study study) {
    var protection = worst.protection();
    var fault = worst.fault();
    var id = protection.device().id();
    var policies = study.project().brief().policies();
    var band = policies.magneticBand(fault.alternating());
    var needed = TripTime.opensWithin(protection.protection(), WITHIN, band);
    var time = TripTime.latest(protection.protection(), fault.current(), band);
    var demand = Schools.demand(study, DEMAND, AMERICAN);
    var trail = trail(worst, needed, time, policies, demand);
    if (fault.current().compareTo(needed) >= 0) return new Verdict.Pass(id, trail);
    if (assumed(worst, needed, study))
      return new Verdict.NotChecked(
          id,
          "neither the loop impedance nor the short-circuit current at the inlet is known, and it decides whether a short at %s opens it"
              .formatted(worst.feed().device().designation()));
    var carried = carried(worst, study);
    var safe = carried.map(least -> least.compareTo(fault.current()) >= 0).orElse(false);
    var end = worst.feed().device().designation();
    var why =
        fault
            .limitedBy()
            .map(supply ->
                "%s gives no more than %s"
                    .formatted(supply.device().designation(), fault.current()))
            .orElse("only %s flow there".formatted(fault.current()));
    return new Verdict.Finding(
        id,
        safe ? Severity.WARNING : Severity.ERROR,
        safe ? A_SHORT_TAKES_THE_WHOLE_SUPPLY_DOWN : A_SHORT_CIRCUIT_DOES_NOT_OPEN_IT,
        "A short at %s does not open %s (%s): it needs %s to open within 5 s, and %s. %s"
            .formatted(
                end,
                protection.device().designation(),
                protection.protection(),
                needed,
                why,
                safe
                    ? "The wire carries that for ever, so nothing burns, but everything on the supply goes dead instead of this branch. Electronic protection would part it."
                    : "The wire burns before the device opens. Use a smaller or quicker device, a thicker wire, or electronic protection."),
        trail,
        List.of());
  }

  /// Whether only an impedance of the mains that nobody stated keeps the current down: without any,
  /// it would open.
  private static boolean assumed(Worst worst, Current needed, Study study) {
    var site = study.project().brief().supply();
    if (site.loopImpedance().isPresent()
        || site.prospectiveShortCircuitCurrent().isPresent()
        || !worst.fault().alternating()) return false;
    var source = worst.feed().source().orElseThrow();
    if (!(study.part(source.device()).orElse(null) instanceof MainsInlet)) return false;
    var own = worst.fault().ohms() - 2 * MainsSource.ASSUMED.ohms();
    return own <= 0
        || worst.fault().current().amperes() * worst.fault().ohms() / own >= needed.amperes();
  }

  private static Trail trail(
      Worst worst,
      Current needed,
      Optional<Duration> time,
      Brief.Policies policies,
      Citation demand) {
    var w = Working.of("Short circuit at " + worst.feed().device().designation());
    w.given(
        "Z",
        new nelvar.core.units.Resistance(worst.fault().ohms()),
        "there and back, wires at %s, contacts and devices on the way".formatted(policies.hot()));
    w.given(
        "curve",
        worst.protection().protection(),
        worst.fault().alternating()
            ? "AC"
            : "DC: " + policies.answer(School.DIRECT_TRIP).words() + " (Brief)");
    w.result("t", "by its curve", time.map(Duration::toString).orElse("it need not open at all"));
    var found =
        w.result(
            "Ik",
            worst.fault().limitedBy().isPresent() ? "limit of the supply" : "0.95 · U/Z",
            worst.fault().current());
    return Explained.atLeast(w.explain(found), "Ik", needed, demand).trail();
  }

  /// The least ampacity of the wires behind the protective device on the way to its load.
  private static Optional<Current> carried(Worst worst, Study study) {
    Optional<Current> least = Optional.empty();
    for (var wire : study.wires(worst.feed().lineWays().getFirst())) {
      if (study
          .circuit(wire)
          .flatMap(c -> c.protection())
          .filter(worst.protection()::equals)
          .isEmpty()) continue;
      if (!wire.sized()) continue;
      var own = Ampacity.of(wire, study).found().map(e -> e.value());
      if (own.isEmpty()) return Optional.empty();
      if (least.isEmpty() || own.get().compareTo(least.get()) < 0) least = own;
    }
    return least;
  }
}
