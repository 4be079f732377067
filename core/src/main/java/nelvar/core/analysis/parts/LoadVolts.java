package nelvar.core.analysis.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.standards.MetricConductors;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;

/// With everything on that can be on, each load still gets the least voltage its part accepts.
///
/// The network is solved with shared returns and real loads. Coils have a rule of their own; loads
/// whose source misses their range even at rest are found by `parts.supply-voltage`.
///
/// Demand: the part's own data.
public final class LoadVolts implements Rule {
  private static final Reason TOO_FEW_VOLTS_WITH_EVERYTHING_ON =
      Reason.of("Too few volts with everything on");

  @Override
  public String id() {
    return "parts.load-volts";
  }

  @Override
  public String asks() {
    return "With everything on, every load still gets its least voltage at its own terminals.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed ->
            !feed.intake().eitherWay()
                && feed.source().isPresent()
                && feed.intake().accepts().contains(feed.voltage())
                && !regulated(feed, study))
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static boolean regulated(Feed feed, Study study) {
    var part = study.part(feed.source().orElseThrow().device()).orElse(null);
    return part != null && (part.chops() || part instanceof ServoDrive);
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    return switch (WorstVolts.of(feed, study)) {
      case Computed.Missing<WorstVolts.Span>(var why) -> new Verdict.NotChecked(id, why);
      case Computed.Known<WorstVolts.Span>(var span) -> {
        var range = feed.intake().accepts();
        var w = Working.of("Volts at " + feed.device().designation());
        w.use(span);
        w.given("accepts", range, feed.name());
        var trail = w.explain(range).trail();
        var least = span.value().least();
        if (mainsLow(feed, least) || least.compareTo(range.least()) >= 0)
          yield new Verdict.Pass(id, trail);
        yield new Verdict.Finding(
            id,
            Severity.ERROR,
            TOO_FEW_VOLTS_WITH_EVERYTHING_ON,
            "%s needs %s and gets %s when all that can be on together is on and its wires are warm: %s too little. It drops out, or resets, then."
                .formatted(
                    feed.device().designation(), range.least(), least, range.missedBy(least)),
            trail,
            repairs(feed, study));
      }
    };
  }

  /// A load straight on the mains whose range is narrower than the mains' own tolerance is the
  /// mains' matter, not that of the wires.
  private static boolean mainsLow(Feed feed, nelvar.core.units.Voltage least) {
    return feed.source().orElseThrow().output().alternating()
        && least.volts() >= 0.95 * 0.9 * feed.voltage().volts();
  }

  private static List<Repair> repairs(Feed feed, Study study) {
    return thicker(feed, study, trying -> holds(feed.device(), feed, trying)).stream().toList();
  }

  private static boolean holds(Device device, Feed feed, Study trying) {
    return trying.network().feeds(device.id()).stream()
        .filter(next -> next.intake().name().equals(feed.intake().name()))
        .allMatch(next ->
            WorstVolts.of(next, trying)
                .found()
                .filter(
                    span -> next.intake().accepts().least().compareTo(span.value().least()) <= 0)
                .isPresent());
  }

  /// The wire on the way that loses most, in the least section with which `cured` holds, tried on
  /// the solved network.
  static Optional<Repair> thicker(
      Feed feed, Study study, java.util.function.Predicate<Study> cured) {
    var wires = new ArrayList<Conductor>();
    for (var way : feed.lineWays()) wires.addAll(study.wires(way));
    wires.addAll(study.wires(feed.backWay()));
    var worst =
        wires.stream()
            .filter(wire -> wire.section().isPresent() && wire.cable().isEmpty())
            .max(java.util.Comparator.comparingDouble(wire -> lost(wire, study)));
    if (worst.isEmpty()) return Optional.empty();
    var now = worst.get().section().orElseThrow();
    return MetricConductors.sections().stream()
        .filter(section -> section.compareTo(now) > 0 && section.squareMillimetres() <= 16)
        .map(section ->
            Edits.section(
                worst.get().label().text(),
                java.util.Set.of(worst.get().id()),
                section,
                study.catalogue()))
        .filter(edit -> cured.test(study.tried(edit.change().apply(study.project()))))
        .findFirst()
        .map(Repair::of);
  }

  private static double lost(Conductor wire, Study study) {
    return study.hotAndLow().voltage(wire.from(), wire.to()).map(both -> both.rms()).orElse(0.0);
  }
}
