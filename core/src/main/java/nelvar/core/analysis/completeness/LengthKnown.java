package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;

/// Every conductor and cable has a length.
///
/// Without it neither its drop nor the cut list can be had. Demand: common practice.
public final class LengthKnown implements Rule {
  private static final Reason NO_LENGTH = Reason.of("No length");

  @Override
  public String id() {
    return "completeness.length";
  }

  @Override
  public String asks() {
    return "Every conductor has a length, its own or its cable's.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .map(conductor -> {
          var answer = HowLong.of(study).answer(conductor);
          var trail = answer.trail();
          if (answer.length().isPresent()) return new Verdict.Pass(conductor.id(), trail);
          return new Verdict.Finding(
              conductor.id(),
              Severity.WARNING,
              NO_LENGTH,
              "%s has no length: its voltage drop is not checked and it is missing from the cut list. No way says it either, as %s. Measure the way it goes, once."
                  .formatted(conductor.label(), answer.why()),
              trail,
              List.of());
        });
  }
}
