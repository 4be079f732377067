package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Relay;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// A coil gets a voltage inside its operating range, at the end of its wires with everything on.
///
/// Volts from the solved network, at worst (see [WorstVolts]); for a coil a running machine does
/// not energise, `Ucoil = U − ΔU`. Least and greatest from the part: 85–110 % for contactors (IEC
/// 60947-4-1, 8.2.1.2, unchecked), 80–110 % for relays (IEC 61810-1, unchecked).
public final class CoilRange implements Rule {
  private static final Reason COIL_VOLTAGE_TOO_LOW = Reason.of("Coil voltage too low");
  private static final Reason COIL_VOLTAGE_TOO_HIGH = Reason.of("Coil voltage too high");

  @Override
  public String id() {
    return "parts.coil-range";
  }

  @Override
  public String asks() {
    return "Every coil pulls in: its voltage with everything on lies in its operating range.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.intake().eitherWay() && feed.source().isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var range = feed.intake().accepts();
    var w = Working.of("Coil voltage");
    w.given("U", feed.voltage(), feed.source().orElseThrow().toString());
    if (range.contains(feed.voltage())
        && WorstVolts.of(feed, study) instanceof Computed.Known<WorstVolts.Span>(var span))
      return solved(feed, span, study);
    var drop = VoltageDrop.of(feed, study);
    if (range.contains(feed.voltage()) && drop instanceof Computed.Missing<Percent>(var why))
      return new Verdict.NotChecked(id, why);
    var lost =
        drop.found()
            .map(share -> feed.voltage().times(share.value().fraction()))
            .orElse(new Voltage(0));
    w.given("ΔU", lost, "on its wires, with everything on");
    var coil = w.result("Ucoil", "U − ΔU", feed.voltage().less(lost));
    w.given("operates", range, feed.name());
    var trail = w.explain(coil).trail();
    if (range.contains(coil) && range.contains(feed.voltage())) return new Verdict.Pass(id, trail);
    var judged = range.contains(feed.voltage()) ? coil : feed.voltage();
    var low = judged.compareTo(range.least()) < 0;
    var text =
        "The coil of %s operates at %s and gets %s: %s %s. %s"
            .formatted(
                feed.device().designation(),
                range,
                judged,
                range.missedBy(judged),
                low ? "too little" : "too much",
                low ? "It may not pull in, or chatter." : "It overheats.");
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        low ? COIL_VOLTAGE_TOO_LOW : COIL_VOLTAGE_TOO_HIGH,
        text,
        trail,
        repairs(feed, study));
  }

  /// By the volts of the solved network, least and most.
  private static Verdict solved(Feed feed, Explained<WorstVolts.Span> span, Study study) {
    var id = feed.device().id();
    var range = feed.intake().accepts();
    var w = Working.of("Coil voltage");
    w.use(span);
    w.given("operates", range, feed.name());
    var trail = w.explain(span.value()).trail();
    var low = span.value().least().compareTo(range.least()) < 0;
    var judged = low ? span.value().least() : span.value().most();
    if (range.contains(judged)) return new Verdict.Pass(id, trail);
    var text =
        "The coil of %s operates at %s and gets %s at worst: %s %s. %s"
            .formatted(
                feed.device().designation(),
                range,
                judged,
                range.missedBy(judged),
                low ? "too little" : "too much",
                low ? "It may not pull in, or chatter." : "It overheats.");
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        low ? COIL_VOLTAGE_TOO_LOW : COIL_VOLTAGE_TOO_HIGH,
        text,
        trail,
        low
            ? LoadVolts.thicker(feed, study, next -> pullsIn(feed, next)).stream().toList()
            : List.of());
  }

  private static boolean pullsIn(Feed feed, Study trying) {
    return trying.network().feeds(feed.device().id()).stream()
        .filter(next -> next.intake().name().equals(feed.intake().name()))
        .allMatch(next ->
            WorstVolts.of(next, trying)
                .found()
                .filter(
                    span -> span.value().least().compareTo(next.intake().accepts().least()) >= 0)
                .isPresent());
  }

  private static List<Repair> repairs(Feed feed, Study study) {
    var part = study.part(feed.device()).orElseThrow();
    return Alternatives.like(part, study)
        .filter(next ->
            next.ownCoil()
                .filter(coil ->
                    coil.operates().contains(feed.voltage())
                        && coil.madeForAlternating()
                            == feed.source().orElseThrow().output().alternating())
                .isPresent())
        .filter(next -> sameButForCoil(part, next))
        .findFirst()
        .map(next -> Repair.of(Edits.swap(feed.device(), next)))
        .stream()
        .toList();
  }

  static boolean sameButForCoil(Part now, Part next) {
    return switch (now) {
      case Contactor contactor ->
          next instanceof Contactor other && other.rating().equals(contactor.rating());
      case Relay relay -> next instanceof Relay other && other.rating().equals(relay.rating());
      case Part _ -> true;
    };
  }
}
