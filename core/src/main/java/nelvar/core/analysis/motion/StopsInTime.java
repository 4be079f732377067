package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;

/// Behind the point where its switch trips an axis has room to stop: `v · t + v²/(2 · a)`, with
/// what switch, input and program take before they act (assumed).
///
/// Judged where the room (`overrun 12 mm`) and the ramp are said with its function. Mechanics; the
/// reaction is common practice.
public final class StopsInTime implements Rule {
  private static final Reason HITS = Reason.of("It runs into its stop");

  /// Switch, input filter and a cycle of the program.
  static final Duration REACTS = new Duration(0.01);

  @Override
  public String id() {
    return "motion.overrun";
  }

  @Override
  public String asks() {
    return "Every axis stops within the room behind its switch.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .flatMap(Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis).stream()));
  }

  /// What it takes to stop, m; empty where speed or ramp is not said.
  public static Optional<Length> stopping(MotionAxis axis) {
    var mechanics = axis.mechanics();
    if (mechanics.unit() == Mechanics.Unit.DEGREE) return Optional.empty();
    return axis.wants()
        .speed()
        .filter(v -> v.unit() == Measure.Unit.FEED)
        .flatMap(v -> mechanics.ramp().map(a -> stopping(v.value() / 60_000, a / 1000)));
  }

  private static Length stopping(double speed, double ramp) {
    return new Length(speed * REACTS.seconds() + speed * speed / (2 * ramp));
  }

  private static Optional<Verdict> judge(MotionAxis axis) {
    var room = axis.mechanics().overrun().map(mm -> new Length(mm / 1000));
    if (room.isEmpty()) return Optional.empty();
    var needs = stopping(axis);
    if (needs.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              axis.motor().id(),
              "how fast %s goes or how hard it slows down is not said".formatted(axis.name())));
    var w = Working.of("Overrun of " + axis.name());
    w.given("v", axis.wants().speed().orElseThrow(), "fastest");
    w.given("a", new Measure(axis.mechanics().ramp().orElseThrow(), Measure.Unit.RAMP), "ramp");
    w.assumed("t", REACTS, "switch, input and program");
    w.result("s", "v · t + v²/(2 · a)", needs.get());
    w.given("room", room.get(), "behind the switch");
    var trail = w.explain(needs.get()).trail();
    if (needs.get().metres() <= room.get().metres() * (1 + 1e-9))
      return Optional.of(new Verdict.Pass(axis.motor().id(), trail));
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            Severity.WARNING,
            HITS,
            "%s needs %s to stop from its fastest and has %s behind its switch: it runs into its stop. Trip earlier, go slower near the ends (soft limits hold only after homing), or ramp harder."
                .formatted(axis.name(), needs.get(), room.get()),
            trail,
            List.of()));
  }
}
