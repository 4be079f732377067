package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;

/// The machine takes no more than the device upstream of its inlet carries.
///
/// Demand: IEC 60364-4-43:2008, 433.1 (unchecked).
public final class InletAgainstUpstream implements Rule {
  private static final Reason MORE_THAN_THE_MAINS_GIVES = Reason.of("More than the mains gives");

  @Override
  public String id() {
    return "load.inlet";
  }

  @Override
  public String asks() {
    return "The current from the mains stays within the rating of the device upstream.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return InletLoad.inlets(study).stream()
        .map(inlet -> {
          var judged =
              Explained.atMost(
                  InletLoad.of(inlet, study),
                  "Ib",
                  inlet.output().rating(),
                  Schools.demand(
                      study,
                      Citation.recalled("IEC 60364-4-43:2008", "433.1"),
                      Citation.recalled("NEC 2023 (NFPA 70)", "215.3")));
          var id = inlet.device().id();
          if (judged.holds()) return new Verdict.Pass(id, judged.trail());
          return new Verdict.Finding(
              id,
              Severity.ERROR,
              MORE_THAN_THE_MAINS_GIVES,
              "With everything on %s takes %s from its most loaded line; the device upstream is rated %s and will trip. Spread the loads over the lines, or ask for a larger supply."
                  .formatted(inlet.device().designation(), judged.value(), inlet.output().rating()),
              judged.trail(),
              List.of());
        });
  }
}
