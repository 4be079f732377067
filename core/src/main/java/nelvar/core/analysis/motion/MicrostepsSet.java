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
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;
import nelvar.core.units.Significant;

/// Microsteps are such as the drive has, and fine enough for the wanted resolution. Demand: common
/// practice; a microstep is a commanded one: what a motor holds is some 5 % of a full step.
public final class MicrostepsSet implements Rule {
  private static final Reason NOT_THERE = Reason.of("The drive has no such microsteps");
  private static final Reason TOO_COARSE = Reason.of("A step is coarser than wanted");

  @Override
  public String id() {
    return "motion.microsteps";
  }

  @Override
  public String asks() {
    return "The microsteps set are such as the drive has, and as fine as wanted.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.servo().isEmpty() && axis.settings().microsteps().isPresent())
        .flatMap(Contained.one(this, axis -> axis.drive().id(), MicrostepsSet::judge));
  }

  private static Verdict judge(MotionAxis axis) {
    var entered = axis.settings().microsteps().orElseThrow();
    var has = axis.settable().microsteps();
    if (entered.value().isEmpty() || has.isEmpty())
      return new Verdict.NotChecked(
          axis.drive().id(),
          entered.value().isEmpty()
              ? "'%s' is no number of microsteps".formatted(entered.text())
              : "what microsteps %s has is not stated".formatted(axis.drive().designation()));
    var micro = entered.value().get();
    var w = Working.of("Microsteps of " + axis.drive().designation());
    w.given("m", Significant.digits(micro), "set");
    w.given("has", has.toString(), "of the drive");
    if (has.stream().noneMatch(m -> m.doubleValue() == micro))
      return new Verdict.Finding(
          axis.drive().id(),
          Severity.ERROR,
          NOT_THERE,
          "%s divides a step into %s, not into %s."
              .formatted(axis.drive().designation(), listed(has), Significant.digits(micro)),
          w.explain(micro).trail(),
          axis.settable().atLeast(micro).map(m -> set(axis, m)).stream().toList());
    var resolution = axis.wants().resolution().map(Length::metres).map(m -> m * 1000);
    var step = AxisSteps.step(axis, micro);
    if (resolution.isEmpty() || step.isEmpty())
      return new Verdict.Pass(axis.drive().id(), w.explain(micro).trail());
    w.result("step", "s/(N · m · i)", new Length(step.get() / 1000));
    w.given("wanted", new Length(resolution.get() / 1000), axis.name());
    var trail = w.explain(micro).trail();
    if (step.get() <= resolution.get() * (1 + 1e-9))
      return new Verdict.Pass(axis.drive().id(), trail);
    var next = AxisSteps.wanted(axis).flatMap(AxisSteps.Wanted::next);
    return new Verdict.Finding(
        axis.drive().id(),
        Severity.WARNING,
        TOO_COARSE,
        "With %s microsteps one pulse moves %s by %s; %s is wanted. %s"
            .formatted(
                Significant.digits(micro),
                axis.name(),
                new Length(step.get() / 1000),
                new Length(resolution.get() / 1000),
                next.map(m -> "%d do.".formatted(m))
                    .orElse("The drive has none that do: take a gear, a finer screw.")),
        trail,
        next.map(m -> set(axis, m)).stream().toList());
  }

  private static Repair set(MotionAxis axis, int micro) {
    return Repair.of(PinEdits.say(axis.drive(), AxisSettings.MICROSTEPS, String.valueOf(micro)));
  }

  private static String listed(List<Integer> all) {
    return String.join(", ", all.stream().map(String::valueOf).toList());
  }

  /// What suits an axis for which nothing is set: the next finer, with the doubling kept in
  /// reserve.
  static Optional<Integer> proposed(MotionAxis axis) {
    return AxisSteps.wanted(axis).flatMap(wanted -> wanted.reserve().or(wanted::next));
  }
}
