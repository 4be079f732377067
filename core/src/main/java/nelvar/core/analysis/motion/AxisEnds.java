package nelvar.core.analysis.motion;

import java.util.ArrayList;
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
import nelvar.core.model.Subject;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Significant;

/// Soft limits lie between switch and stop and are not trusted before homing; a target is long
/// enough to be seen until the axis stands, and far enough not to rub. Common practice.
public final class AxisEnds implements Rule {
  private static final Reason OUTSIDE = Reason.of("A soft limit lies where the axis cannot be");
  private static final Reason TRUSTED = Reason.of("Soft limits are trusted before homing");
  private static final Reason PAST = Reason.of("An axis runs past its target");
  private static final Reason RUBS = Reason.of("A target may rub on its sensor");

  /// Play and run-out of usual guides, mm.
  private static final double PLAY = 0.5;

  @Override
  public String id() {
    return "motion.ends";
  }

  @Override
  public String asks() {
    return "Soft limits, switches and targets of every axis are where they can do their work.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .flatMap(
            Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis, study).stream()));
  }

  private static List<Verdict> judge(MotionAxis axis, Study study) {
    var stretch = AxisStretch.of(axis, study);
    var said = AxisStretch.said(axis, AxisStretch.SOFT);
    var seen = stretch.target().isPresent();
    if (said.isEmpty() && !seen) return List.of();
    if (said.isPresent() && stretch.soft().isEmpty())
      return List.of(
          new Verdict.NotChecked(
              axis.motor().id(),
              "'%s' are no soft limits of %s: write them such as 0 to 180"
                  .formatted(said.get(), axis.name())));
    var w = Working.of("Ends of " + axis.name());
    w.given("trip", mm(stretch.trip()), "home switch");
    stretch.low().ifPresent(x -> w.given("low stop", mm(x), "trip less the room behind it"));
    stretch.high().ifPresent(x -> w.given("high stop", mm(x), "with the travel of its function"));
    said.ifPresent(text -> w.given("soft", text, "entered"));
    stretch.stopping().ifPresent(s -> w.given("stops in", mm(s), "from its fastest"));
    stretch.target().ifPresent(t -> w.given("target", mm(t), "along its way"));
    var trail = w.explain(stretch).trail();
    var all = new ArrayList<Verdict>();
    stretch
        .soft()
        .ifPresent(soft -> {
          outside(axis, stretch, soft, trail).ifPresent(all::add);
          trusted(axis, stretch, trail).ifPresent(all::add);
        });
    target(stretch, trail, all);
    if (all.isEmpty()) all.add(new Verdict.Pass(axis.motor().id(), trail));
    return all;
  }

  private static String mm(double value) {
    return Significant.plain(value, "mm");
  }

  private static Optional<Verdict> outside(
      MotionAxis axis, AxisStretch stretch, AxisStretch.Soft soft, Trail trail) {
    var beyond = stretch.high().filter(end -> soft.greatest() > end).isPresent();
    var behind = soft.least() < stretch.trip();
    if (!beyond && !behind) return Optional.empty();
    var ways =
        stretch
            .allowed()
            .map(a ->
                Repair.of(PinEdits.say(axis.board(), AxisStretch.SOFT + axis.name(), words(a))))
            .stream()
            .toList();
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            beyond ? Severity.ERROR : Severity.WARNING,
            OUTSIDE,
            beyond
                ? "The program lets %s go to %s, and its stop is at %s: it runs into it."
                    .formatted(axis.name(), mm(soft.greatest()), mm(stretch.high().orElseThrow()))
                : "The program lets %s go to %s, and its switch trips at %s: it stops there each time."
                    .formatted(axis.name(), mm(soft.least()), mm(stretch.trip())),
            trail,
            ways));
  }

  static String words(AxisStretch.Soft soft) {
    return "%s to %s".formatted(AxisSteps.typed(soft.least()), AxisSteps.typed(soft.greatest()));
  }

  private static Optional<Verdict> trusted(MotionAxis axis, AxisStretch stretch, Trail trail) {
    var said = stretch.beforeHoming();
    if (said.filter(text -> text.startsWith("refused") || text.startsWith("slow")).isPresent())
      return Optional.empty();
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            Severity.WARNING,
            TRUSTED,
            "Soft limits of %s count from where it homed: %s Let the program refuse to move it before homing, or only slowly, and say so (%s: refused, or slow)."
                .formatted(
                    axis.name(),
                    said.isPresent()
                        ? "before that it is free to run into its stop."
                        : "what the program does before that is not said.",
                    AxisStretch.BEFORE + axis.name()),
            trail,
            List.of()));
  }

  /// What its home switch sees: long enough, far enough.
  private static void target(AxisStretch stretch, Trail trail, List<Verdict> all) {
    var at = stretch.homeSwitch().map(d -> new Subject.Thing(d.id()));
    if (at.isEmpty()) return;
    var sensor = stretch.homeSwitch().orElseThrow().designation();
    if (stretch.target().isPresent()
        && stretch.stopping().filter(s -> s > stretch.target().get()).isPresent())
      all.add(
          new Verdict.Finding(
              at.get(),
              Severity.WARNING,
              PAST,
              "The target of %s is %s long, and its axis needs %s to stop: it passes it, and the switch lets go while it still moves. Make it longer, home slowly, or let the program keep that it tripped."
                  .formatted(
                      sensor, mm(stretch.target().get()), mm(stretch.stopping().orElseThrow())),
              trail,
              List.of()));
    if (stretch.gap().filter(g -> g < PLAY).isPresent())
      all.add(
          new Verdict.Finding(
              at.get(),
              Severity.WARNING,
              RUBS,
              "The target of %s passes it at %s: with the play of a usual guide (%s assumed) it rubs, and takes the face with it. Set it back."
                  .formatted(sensor, mm(stretch.gap().get()), mm(PLAY)),
              trail,
              List.of()));
  }
}
