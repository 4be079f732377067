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
import nelvar.core.units.Percent;

/// What an axis went when it was told to go is what its mechanics make, but for what wear, stretch
/// and a rule read by eye can be off: 2 %, common practice. More is another belt, screw or gear
/// than was written down, or lost steps.
public final class TravelMeasured implements Rule {
  private static final Reason OTHER =
      Reason.of("An axis went further or less far than its mechanics");

  @Override
  public String id() {
    return "motion.measured";
  }

  @Override
  public String asks() {
    return "Every measured travel is near what the mechanics of its axis make.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> AxisMeasured.of(axis).isPresent())
        .flatMap(Contained.one(this, axis -> axis.motor().id(), TravelMeasured::judge));
  }

  private static Verdict judge(MotionAxis axis) {
    var measured = AxisMeasured.of(axis).orElseThrow();
    var w = Working.of("Measured travel of " + axis.name());
    for (var point : measured.points())
      w.given(
          "told " + AxisSteps.typed(point.told()),
          "%s %s".formatted(AxisSteps.typed(point.went()), axis.mechanics().unit().sign()),
          "with " + AxisSteps.words(axis, point.steps()));
    var off =
        w.result(
            "off",
            "steps · told/gone against its mechanics",
            Percent.ofFraction(measured.factor() - 1));
    var trail = w.explain(off).trail();
    if (measured.corrects()) return new Verdict.Pass(axis.motor().id(), trail);
    return new Verdict.Finding(
        axis.motor().id(),
        Severity.WARNING,
        OTHER,
        "%s was measured %s off what its mechanics make: more than wear or a rule explain. Count teeth, measure the screw's lead over ten turns, look whether it loses steps; then say what it moves with."
            .formatted(axis.name(), off),
        trail,
        List.of());
  }
}
