package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;

/// An axis that somebody has seen run runs the wanted way, by what reverses it now. What nobody has
/// seen is not judged. Common practice.
public final class RunsRightWay implements Rule {
  private static final Reason WRONG = Reason.of("It runs the wrong way");

  @Override
  public String id() {
    return "motion.direction";
  }

  @Override
  public String asks() {
    return "Every axis that was seen running runs the wanted way.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .flatMap(
            Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis, study).stream()));
  }

  private static Optional<Verdict> judge(MotionAxis axis, Study study) {
    var direction = Direction.of(axis, study);
    var right = direction.right();
    if (right.isEmpty()) return Optional.empty();
    var seen = direction.seen().orElseThrow();
    var w = Working.of("Direction of " + axis.name());
    w.given(
        "seen", seen.right() ? "right" : "wrong", "with %d reversals".formatted(seen.reversals()));
    for (var reversal : direction.reversals()) w.given("reversal", reversal, "now");
    var trail = w.explain(direction).trail();
    if (right.get()) return Optional.of(new Verdict.Pass(axis.motor().id(), trail));
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            Severity.WARNING,
            WRONG,
            seen.right()
                ? "%s ran the wanted way with %d reversals, and now there are %d: it runs the other way, towards the wrong end and away from its home switch."
                    .formatted(axis.name(), seen.reversals(), direction.reversals().size())
                : "%s was seen running the wrong way. One reversal turns it: the setting of the controller; leave the wiring as it is."
                    .formatted(axis.name()),
            trail,
            List.of(Repair.of(Direction.turned(axis, study)))));
  }
}
