package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;

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
          var w = Working.of("Length");
          w.given(
              "l",
              study.length(conductor).<Object>map(length -> length).orElse("not known"),
              conductor.label().text());
          var trail = w.explain(conductor).trail();
          if (study.length(conductor).isPresent()) return new Verdict.Pass(conductor.id(), trail);
          return new Verdict.Finding(
              conductor.id(),
              Severity.WARNING,
              NO_LENGTH,
              "%s has no length: its voltage drop is not checked and it is missing from the cut list. Measure the way it goes, once."
                  .formatted(conductor.label()),
              trail,
              List.of());
        });
  }
}
