package nelvar.core.analysis.supply;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;

/// A supply gives no more than it is rated for.
///
/// `Ib ≤ In`, everything on that can be on together. Demand: common practice; the rating is the
/// part's own.
public final class SupplyOverloaded implements Rule {
  private static final Reason OVERLOADED_WHEN_EVERYTHING_RUNS =
      Reason.of("Overloaded when everything runs");

  @Override
  public String id() {
    return "supply.overloaded";
  }

  @Override
  public String asks() {
    return "No supply must give more than its rating.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return SupplyLoad.converters(study)
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  private static Verdict judge(Source source, Study study) {
    var device = source.device();
    var rating = source.output().rating();
    var judged = Explained.atMost(SupplyLoad.of(source, study), "Ib", rating, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    var text =
        "With everything on, %s must give %s; it is made for %s. %s"
            .formatted(
                device.designation(),
                judged.value(),
                rating,
                study.part(device).filter(part -> part.electronicSupply()).isPresent()
                    ? "It will limit its current, its voltage falls and what hangs on it drops out."
                    : "Nothing in it limits: it overheats until its device opens, if that is small enough.");
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        OVERLOADED_WHEN_EVERYTHING_RUNS,
        text,
        judged.trail(),
        SupplyLoad.larger(source, study));
  }
}
