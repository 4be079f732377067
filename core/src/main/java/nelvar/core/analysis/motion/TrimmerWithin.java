package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Trimmer;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A drive that is set with a trimmer is set to no more than it stands as it is cooled: with a heat
/// sink (setting *Heat sink*: `yes`), or bare. Its maker's figures; common practice.
public final class TrimmerWithin implements Rule {
  private static final Reason HOT = Reason.of("Set to more than it stands without its heat sink");

  /// The name of the setting.
  public static final String SETTING = "Heat sink";

  @Override
  public String id() {
    return "motion.trimmer";
  }

  @Override
  public String asks() {
    return "A drive set with a trimmer is set to no more than it stands as it is cooled.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.settable().trimmer().isPresent() && axis.set().isPresent())
        .flatMap(
            Contained.many(this, axis -> axis.drive().id(), axis -> judge(axis, study).stream()));
  }

  private static Optional<Verdict> judge(MotionAxis axis, Study study) {
    var trimmer = axis.settable().trimmer().orElseThrow();
    var cooled =
        study
            .project()
            .setting(axis.drive().id(), SETTING)
            .filter(text -> text.strip().toLowerCase(Locale.ROOT).matches("yes|fitted|on|1"))
            .isPresent();
    var most = stands(trimmer, cooled);
    if (most.isEmpty()) return Optional.empty();
    var set = axis.set().orElseThrow();
    var w = Working.of("Trimmer of " + axis.drive().designation());
    w.given("I", set, "set");
    w.given(
        "Imax", most.get(), cooled ? "with its heat sink, stated" : "without a heat sink, stated");
    w.result("U", "I · volts for an ampere", trimmer.reference(set));
    var trail = w.explain(set).trail();
    if (set.compareTo(most.get()) <= 0)
      return Optional.of(new Verdict.Pass(axis.drive().id(), trail));
    return Optional.of(
        new Verdict.Finding(
            axis.drive().id(),
            Severity.WARNING,
            HOT,
            cooled
                ? "%s is set to %s and stands %s even with its heat sink: it switches itself off and loses steps. Set its trimmer to %s."
                    .formatted(
                        axis.drive().designation(), set, most.get(), trimmer.reference(most.get()))
                : "%s is set to %s and stands %s without a heat sink: it switches itself off and loses steps. Put one on (say it: %s), or set its trimmer to %s."
                    .formatted(
                        axis.drive().designation(),
                        set,
                        most.get(),
                        SETTING,
                        trimmer.reference(most.get())),
            trail,
            List.of()));
  }

  private static Optional<Current> stands(Trimmer trimmer, boolean cooled) {
    return cooled ? trimmer.cooled() : trimmer.bare();
  }
}
