package nelvar.core.analysis.motion;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;

/// A speed command reaches the fastest speed of its drive: pulses of 5 V on an input of 0–10 V
/// command half of it, whatever their width. Circuit laws; that 10 V command the greatest frequency
/// is common practice.
public final class CommandReaches implements Rule {
  private static final Reason HALF = Reason.of("A speed command does not reach the fastest speed");

  private static final double NEAR = 0.98;

  @Override
  public String id() {
    return "motion.command-range";
  }

  @Override
  public String asks() {
    return "Every speed command reaches the fastest speed of its drive.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return DrivenMotor.all(study).stream()
        .filter(driven -> driven.command().isPresent())
        .flatMap(Contained.one(this, d -> d.drive().id(), driven -> judge(driven, study)));
  }

  private static Verdict judge(DrivenMotor driven, Study study) {
    var map = SpeedMap.of(driven, study);
    var pin = driven.command().orElseThrow().pin();
    var w = Working.of("Speed command of " + driven.name());
    w.given("Ufull", map.full(), pin.type().words());
    w.given("n10", map.atTen(), "at 10 V");
    var reached = w.result("n", "n10 · Ufull/10 V", map.fastest());
    var trail = w.explain(reached).trail();
    if (reached.value() >= NEAR * map.atTen().value())
      return new Verdict.Pass(driven.drive().id(), trail);
    return new Verdict.Finding(
        driven.drive().id(),
        Severity.WARNING,
        HALF,
        "The command of %s reaches %s and its input wants 10 V: it turns at %s at the most, of %s. Put a converter for 0–10 V between, or set what its input counts as full where the drive can."
            .formatted(driven.drive().designation(), map.full(), reached, map.atTen()),
        trail,
        List.of());
  }
}
