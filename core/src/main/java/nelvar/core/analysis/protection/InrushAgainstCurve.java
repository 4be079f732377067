package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.Guard;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// Switching on does not trip the breaker.
///
/// The peak at switching on, divided by √2, stays below what the curve still lets pass. All
/// capacitor inputs behind one breaker charge at once; of motors started one by one the hardest
/// counts. Conservative: peaks of 1 ms are tolerated somewhat better than the curve says.
///
/// Demand: common practice; curve bands IEC 60898-1:2015 Table 7 (unchecked).
public final class InrushAgainstCurve implements Rule {
  @Override
  public String id() {
    return "protection.inrush";
  }

  @Override
  public String asks() {
    return "Every breaker stands the inrush of what it feeds.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Guards.all(study).stream()
        .filter(g -> g.device().guard() instanceof Guard.Breaker && g.inrushPeak().amperes() > 0)
        .map(g -> judge(g, study));
  }

  private static Verdict judge(Guards.Guarding guarding, Study study) {
    var device = guarding.device().device();
    var breaker = (Guard.Breaker) guarding.device().guard();
    var w = Working.of("Inrush against curve");
    w.given("Ipeak", guarding.inrushPeak(), "at switching on, all behind " + device.designation());
    var effective = w.result("Ieff", "Ipeak/√2", BreakerChoice.effective(guarding.inrushPeak()));
    var holds =
        w.table("Ihold", breaker.curve().holds(breaker.rating()), breaker + " still lets pass");
    var judged = Explained.atMost(w.explain(effective), "Ieff", holds, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    var repairs = new ArrayList<Repair>();
    if (study.part(device).orElse(null) instanceof CircuitBreaker now)
      BreakerSwap.candidates(now, guarding, study)
          .findFirst()
          .ifPresent(next -> repairs.add(Repair.of(Edits.swap(device, next))));
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        "May trip when switched on",
        "At switching on %s peak flow through %s; as %s it lets only %s pass for certain."
            .formatted(guarding.inrushPeak(), device.designation(), breaker, holds),
        judged.trail(),
        repairs);
  }
}
