package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// A stepper motor has twice the torque at its fastest that moving asks for: it gives no warning
/// before it loses steps.
///
/// An estimate ± 30 % ([StepperTorque]), so it warns and never condemns. What nobody says of the
/// load is not counted, and named. Demand: common practice.
public final class TorqueReserve implements Rule {
  private static final Reason LITTLE = Reason.of("Little torque to spare at speed");

  private static final Reason SHORT = Reason.of("The motor cannot do what is wanted");

  @Override
  public String id() {
    return "motion.torque";
  }

  @Override
  public String asks() {
    return "Every stepper motor has twice the torque at its fastest that is asked of it, every servo as much.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.wants().speed().isPresent())
        .flatMap(Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis).stream()));
  }

  private static Optional<Verdict> judge(MotionAxis axis) {
    var asked = AxisForces.asked(axis);
    var turns = AxisSteps.turns(axis, axis.wants().speed().orElseThrow());
    if (asked.isEmpty() || turns.isEmpty()) return Optional.empty();
    if (axis.servo().isPresent()) return servo(axis, axis.servo().get(), asked.get(), turns.get());
    if (AxisForces.motor(axis).isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              axis.motor().id(),
              "holding torque, resistance and inductance of %s are not stated"
                  .formatted(axis.motor().designation())));
    if (axis.bus().isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              axis.motor().id(),
              "what volts %s has is not known".formatted(axis.drive().designation())));
    return Optional.of(judge(axis, asked.get(), turns.get(), axis.bus().get()));
  }

  /// A servo gives its torque up to its rated speed, and more for a moment: what holds and rubs is
  /// for ever, speeding up for a moment.
  private static Optional<Verdict> servo(
      MotionAxis axis, ServoMotor servo, AxisForces.Asked asked, double turns) {
    var lasting = servo.torque();
    var peak = servo.stated().peakTorque();
    if (lasting.isEmpty() || peak.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              axis.motor().id(),
              "rated speed and peak torque of %s are not stated"
                  .formatted(axis.motor().designation())));
    var w = Working.of("Torque of " + axis.motor().designation());
    var fastest = servo.stated().ratedSpeed().orElseThrow();
    w.given("n", new Measure(turns, Measure.Unit.ROTATION), "motor, at the wanted speed");
    w.given("nN", fastest, "rated");
    w.result("TN", "P/(2π · nN)", lasting.get());
    w.given("Tpeak", peak.get(), "for a moment, stated");
    if (asked.usualEfficiency())
      w.assumed("η", Significant.plain(AxisForces.USUAL_EFFICIENCY * 100, "%"), "of the mechanics");
    w.given("steady", new Measure(asked.steady(), Measure.Unit.TORQUE), "friction and weight");
    w.given("asked", new Measure(asked.asked(), Measure.Unit.TORQUE), "with the ramp");
    AxisForces.holding(axis)
        .ifPresent(t -> w.given("hold", t, "its weight at the motor: a brake must hold it"));
    if (!asked.leftOut().isEmpty())
      w.given("left out", String.join(", ", asked.leftOut()), "nobody says it");
    var cycle = AxisCycle.of(axis);
    cycle.ifPresent(c -> {
      w.given("stroke", Significant.plain(c.stroke() * 1000, "mm"), "its travel, at its fastest");
      w.result("Teff", "√(Σ T² · t/Σ t) over one stroke", c.effective());
      c.current().ifPresent(i -> w.result("Ieff", "IN · Teff/TN, effective", i));
    });
    var trail = w.explain(lasting.get()).trail();
    var why =
        turns > fastest.value()
            ? "its motor is to turn at %s and is made for %s"
                .formatted(new Measure(turns, Measure.Unit.ROTATION), fastest)
            : asked.steady() > lasting.get().value()
                ? "friction and weight ask %s for ever and it gives %s"
                    .formatted(new Measure(asked.steady(), Measure.Unit.TORQUE), lasting.get())
                : cycle.filter(c -> c.effective().value() > lasting.get().value()).isPresent()
                    ? "over one stroke it gives %s effective and stands %s"
                        .formatted(cycle.get().effective(), lasting.get())
                    : asked.asked() > peak.get().value()
                        ? "speeding up asks %s and it gives %s for a moment"
                            .formatted(new Measure(asked.asked(), Measure.Unit.TORQUE), peak.get())
                        : "";
    if (why.isEmpty()) return Optional.of(new Verdict.Pass(axis.motor().id(), trail));
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            Severity.WARNING,
            SHORT,
            "%s cannot move %s as wanted: %s. It falls behind until its drive gives up: go slower, ramp gentler, gear it, or take a larger one."
                .formatted(axis.motor().designation(), axis.name(), why),
            trail,
            List.of()));
  }

  private static Verdict judge(MotionAxis axis, AxisForces.Asked asked, double turns, Voltage bus) {
    var w = Working.of("Torque of " + axis.motor().designation());
    w.given("n", new Measure(turns, Measure.Unit.ROTATION), "motor, at the wanted speed");
    w.given("U", bus, "bus of " + axis.drive().designation());
    w.given("I", AxisForces.current(axis), "of a phase, effective");
    var gives = AxisForces.gives(axis, bus, turns).orElseThrow();
    w.result("T", "the lesser of what current and bus allow, ± 30 %", gives);
    if (asked.usualEfficiency())
      w.assumed("η", Significant.plain(AxisForces.USUAL_EFFICIENCY * 100, "%"), "of the mechanics");
    w.given("steady", new Measure(asked.steady(), Measure.Unit.TORQUE), "friction and weight");
    w.given("ramp", new Measure(asked.speedingUp(), Measure.Unit.TORQUE), "speeding up");
    AxisForces.holding(axis)
        .ifPresent(t -> w.given("hold", t, "its weight at the motor: a brake must hold it"));
    if (!asked.leftOut().isEmpty())
      w.given("left out", String.join(", ", asked.leftOut()), "nobody says it");
    var need = new Measure(asked.asked(), Measure.Unit.TORQUE);
    var reserve = asked.asked() <= 0 ? Double.MAX_VALUE : gives.value() / asked.asked();
    w.result("asked", "steady + ramp", need);
    var trail = w.explain(gives).trail();
    if (reserve >= AxisForces.RESERVE) return new Verdict.Pass(axis.motor().id(), trail);
    return new Verdict.Finding(
        axis.motor().id(),
        Severity.WARNING,
        LITTLE,
        "At %s rpm %s gives some %s (± 30 %%) on %s, and %s asks for %s: a reserve of %s where 2 is usual. It loses steps without a warning: go slower, ramp gentler, gear it, or raise its volts."
            .formatted(
                Significant.digits(turns),
                axis.motor().designation(),
                gives,
                bus,
                axis.name(),
                need,
                Significant.digits(reserve)),
        trail,
        List.of());
  }
}
