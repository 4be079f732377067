package nelvar.core.analysis.interference;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// What couples into an input stays below what disturbs it, whatever disturbs it the most.
///
/// An error only where it is disturbed by more than can be known (± 6 dB where geometry is fixed, ±
/// 12 dB in a loom), a warning where it may be. It proves nothing about emissions.
public final class QuietEnough implements Rule {
  private static final Reason DISTURBED = Reason.of("An input is disturbed");
  private static final Reason MAY_BE = Reason.of("An input may be disturbed");

  @Override
  public String id() {
    return "quiet.margin";
  }

  @Override
  public String asks() {
    return "What couples into an input stays below what disturbs it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Receivers.of(study).stream()
        .flatMap(Contained.one(this, r -> r.at().device(), r -> judge(r, study)));
  }

  private static Verdict judge(Receiver r, Study study) {
    var subject = new Subject.AtTerminal(r.at());
    var worst = Coupled.of(study).of(r).stream().findFirst();
    if (worst.isEmpty()) {
      var w = Working.of("What disturbs " + r.label());
      w.given("beside it", "nothing that disturbs", "as it is laid");
      return new Verdict.Pass(subject, w.explain(r.label()).trail());
    }
    var pair = worst.get();
    Explained<?> working = MarginWorking.of(pair, study);
    if (pair.margin() >= 0) return new Verdict.Pass(subject, working.trail());
    if (!pair.unknown().isEmpty())
      return new Verdict.NotChecked(
          subject,
          "%s is not known; at the worst %s would be disturbed by %s"
              .formatted(String.join(", ", pair.unknown()), r.label(), pair.emitter().label()));
    var sure = pair.standing() == Pair.Standing.DISTURBED;
    return new Verdict.Finding(
        subject,
        sure ? Severity.ERROR : Severity.WARNING,
        sure ? DISTURBED : MAY_BE,
        "%s (%s) %s by %s, mostly %s: %.0f dB, ± %.0f dB."
            .formatted(
                r.label(),
                r.words(),
                sure ? "is disturbed" : "may be disturbed",
                pair.emitter().label(),
                pair.dominant().orElseThrow().words(),
                pair.margin(),
                pair.uncertainty()),
        working.trail(),
        Remedies.proposals(pair, study));
  }
}
