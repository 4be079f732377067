package nelvar.core.analysis.motion;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Axis;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Significant;

/// The wanted speed needs no more pulses than controller and drive can do, with a fifth to spare.
/// Demand: common practice.
public final class PulseRate implements Rule {
  private static final Reason TOO_FAST = Reason.of("More pulses than they can do");
  private static final Reason AT_ITS_END = Reason.of("Pulses near what they can do");

  @Override
  public String id() {
    return "motion.pulse-rate";
  }

  @Override
  public String asks() {
    return "The pulses for the wanted speed are no more than controller and drive can do.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.wants().speed().isPresent())
        .flatMap(Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis).stream()));
  }

  private static Optional<Verdict> judge(MotionAxis axis) {
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    var speed = axis.wants().speed().orElseThrow();
    var rate = micro.flatMap(m -> AxisSteps.rate(axis, m, speed));
    // Before its microsteps are set there is nothing to judge.
    if (rate.isEmpty() || axis.greatestRate().isEmpty()) return Optional.empty();
    var greatest = axis.greatestRate().get();
    var w = Working.of("Pulses of " + axis.name());
    w.given("v", speed, "wanted");
    w.given("m", Significant.digits(micro.orElseThrow()), "microsteps");
    var asked = w.result("f", "n/60 · N · m", rate.get());
    w.given("fmax", greatest, "what controller and drive do at most");
    var trail = w.explain(asked).trail();
    var share = asked.hertz() / greatest.hertz();
    if (share <= Axis.USED) return Optional.of(new Verdict.Pass(axis.motor().id(), trail));
    var coarser =
        axis.settable().microsteps().stream()
            .filter(m -> m * share / micro.orElseThrow() <= Axis.USED)
            .max(Integer::compare);
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            share > 1 ? Severity.ERROR : Severity.WARNING,
            share > 1 ? TOO_FAST : AT_ITS_END,
            "At %s %s needs %s; controller and drive do %s at most. %s"
                .formatted(
                    speed,
                    axis.name(),
                    asked,
                    greatest,
                    coarser
                        .map(m ->
                            "With %d microsteps it would be %s."
                                .formatted(m, AxisSteps.rate(axis, m, speed).orElseThrow()))
                        .orElse("Want less speed, or take a faster controller.")),
            trail,
            coarser.stream()
                .map(m ->
                    Repair.of(
                        PinEdits.say(axis.drive(), AxisSettings.MICROSTEPS, String.valueOf(m))))
                .toList()));
  }
}
