package nelvar.core.analysis.load;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A drive on one phase takes about 1.7 to 2 times the current of its motor, in peaks: what
/// protects its input stands that.
///
/// Common practice for small drives without choke; what the power balance gives is less and is
/// judged by other rules. What the drive takes at switching on is judged by the inrush rule.
public final class DriveInputCurrent implements Rule {
  private static final Reason TRIPS = Reason.of("A drive on one phase may trip what protects it");

  private static final double LEAST = 1.7;
  private static final double MOST = 2;

  @Override
  public String id() {
    return "load.drive-input-current";
  }

  @Override
  public String asks() {
    return "What protects a drive on one phase carries 1.7 to 2 times the current of its motor.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return DrivenMotor.all(study).stream()
        .filter(driven ->
            driven.converter().phases() == 1
                || driven.converter().onTwoLines(driven.drive().spare()))
        .flatMap(
            Contained.many(
                this, driven -> driven.drive().id(), driven -> judge(driven, study).stream()));
  }

  private static Optional<Verdict> judge(DrivenMotor driven, Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.device().id().equals(driven.drive().id()))
        .filter(feed -> !feed.lineWays().isEmpty())
        .findFirst()
        .flatMap(feed -> study.network().protection(feed.lineWays().getFirst()))
        .map(ahead -> judge(driven, ahead));
  }

  private static Verdict judge(DrivenMotor driven, Feed.Protector ahead) {
    var w = Working.of("Input of " + driven.drive().designation());
    w.given("Imotor", driven.current(), "nameplate");
    var least = w.result("Iin", "1.7 to 2 · Imotor, at least", driven.current().times(LEAST));
    w.given("most", driven.current().times(MOST), "of the same rule of thumb");
    var rating = ahead.protection().rating();
    w.given("In", rating, ahead.device().designation().text());
    var trail = w.explain(least).trail();
    if (rating.compareTo(least) >= 0) return new Verdict.Pass(driven.drive().id(), trail);
    return new Verdict.Finding(
        driven.drive().id(),
        Severity.WARNING,
        TRIPS,
        "%s takes some %s to %s at its input, in peaks of its capacitors, and %s is rated for %s: it may open at full load. Take the next rating that its wires and the drive allow, or put a choke before it."
            .formatted(
                driven.drive().designation(),
                least,
                driven.current().times(MOST),
                ahead.device().designation(),
                rating),
        trail,
        List.of());
  }
}
