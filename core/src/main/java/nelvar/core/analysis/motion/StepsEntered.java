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
import nelvar.core.units.Significant;

/// One commanded unit is one unit: the steps entered in the controller are those that motor, drive
/// and mechanics make. A value to try with is not handed over. Demand: common practice.
public final class StepsEntered implements Rule {
  private static final Reason NOT_ONE = Reason.of("One unit is not one unit");
  private static final Reason TO_TRY = Reason.of("A value to try with is still entered");

  /// Rounding of what is typed.
  private static final double NEAR = 5e-4;

  @Override
  public String id() {
    return "motion.steps";
  }

  @Override
  public String asks() {
    return "The steps entered for each axis are those its motor, drive and mechanics make.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.settings().steps().isPresent() && possible(axis))
        .flatMap(Contained.one(this, axis -> axis.motor().id(), StepsEntered::judge));
  }

  /// Microsteps that the drive does not have are a finding of their own.
  private static boolean possible(MotionAxis axis) {
    var has = axis.settable().microsteps();
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    return axis.servo().isPresent()
        || has.isEmpty()
        || micro.isEmpty()
        || has.stream().anyMatch(m -> m.doubleValue() == micro.get());
  }

  private static Verdict judge(MotionAxis axis) {
    var entered = axis.settings().steps().orElseThrow();
    if (entered.value().isEmpty())
      return new Verdict.NotChecked(
          axis.motor().id(),
          "'%s' is no number of steps for %s: write it such as 40, or 1000 steps/inch"
              .formatted(entered.text(), axis.name()));
    var computed = AxisSteps.computed(axis);
    if (computed.isEmpty()) return new Verdict.NotChecked(axis.motor().id(), missing(axis));
    var right = computed.get().value();
    var has = inUnit(axis, entered);
    var w = Working.of("Steps of " + axis.name());
    w.use(computed.get());
    w.given(
        "entered", AxisSteps.words(axis, has), axis.board().designation() + ", " + entered.name());
    var trail = w.explain(has).trail();
    var off = has / right;
    if (entered.test())
      return new Verdict.Finding(
          axis.motor().id(),
          Severity.WARNING,
          TO_TRY,
          "%s has %s entered to try %s with; its own are %s. Replace it before the machine is handed over."
              .formatted(
                  axis.board().designation(),
                  entered.text(),
                  axis.name(),
                  AxisSteps.words(axis, right)),
          trail,
          List.of(Repair.of(enter(axis, right))));
    if (Math.abs(off - 1) <= NEAR) return new Verdict.Pass(axis.motor().id(), trail);
    return new Verdict.Finding(
        axis.motor().id(),
        Severity.ERROR,
        NOT_ONE,
        "%s counts %s for %s, and %s with its drive and mechanics makes %s: told to go 100 %s it goes %s."
            .formatted(
                axis.board().designation(),
                AxisSteps.words(axis, has),
                axis.name(),
                axis.motor().designation(),
                AxisSteps.words(axis, right),
                axis.mechanics().unit().sign(),
                Significant.plain(100 * off, axis.mechanics().unit().sign())),
        trail,
        List.of(Repair.of(enter(axis, right))));
  }

  private static nelvar.core.model.edit.Edit enter(MotionAxis axis, double steps) {
    return PinEdits.say(axis.board(), AxisSettings.STEPS + axis.name(), AxisSteps.typed(steps));
  }

  /// What is written per inch counts so, whatever the axis is counted in.
  private static double inUnit(MotionAxis axis, AxisSettings.Entered entered) {
    var value = entered.value().orElseThrow();
    return entered.perInch() && axis.mechanics().unit() == Mechanics.Unit.MILLIMETRE
        ? value / Mechanics.Unit.INCH.own()
        : value;
  }

  private static String missing(MotionAxis axis) {
    return axis.mechanics().perTurn().isEmpty()
        ? "what one turn of %s moves is not said: say it with its function, %s"
            .formatted(axis.motor().designation(), Mechanics.ACCEPTED)
        : "the %s set on %s are not known"
            .formatted(
                axis.divides().toLowerCase(java.util.Locale.ROOT), axis.drive().designation());
  }

  /// What is missing before steps can be computed at all.
  static Optional<String> lacks(MotionAxis axis) {
    return AxisSteps.computed(axis).isPresent() ? Optional.empty() : Optional.of(missing(axis));
  }
}
