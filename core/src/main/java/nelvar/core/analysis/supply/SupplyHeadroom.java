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
import nelvar.core.trail.Working;

/// A supply keeps the headroom of the project's policy, 80 % of its rating where nothing else is
/// said, of what is left of it in warm and thin air.
///
/// Demand: common practice (0.7 to 0.9 in use); the policy stands in the Brief.
public final class SupplyHeadroom implements Rule {
  private static final Reason WITHOUT_HEADROOM = Reason.of("Without headroom");

  @Override
  public String id() {
    return "supply.headroom";
  }

  @Override
  public String asks() {
    return "Every supply keeps headroom for warmth, ageing and what is added later.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return SupplyLoad.converters(study)
        .filter(source -> study.designCurrent(source).compareTo(source.output().rating()) <= 0)
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  private static Verdict judge(Source source, Study study) {
    var device = source.device();
    var policy = study.project().brief().policies().headroom();
    var left =
        RatingLeft.of(study.part(device).orElseThrow(), source.output().rating(), device, study);
    var usable = left.value().times(policy.fraction());
    var w = Working.of("Headroom of " + device.designation());
    w.use(left);
    var judged =
        Explained.atMost(
            w.explain(w.use(SupplyLoad.of(source, study))),
            "Ib",
            usable,
            new Citation(
                "headroom policy of this project",
                policy + " of " + left.value(),
                Citation.Status.ASSUMED));
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    var text =
        "%s gives %s of %s with everything on, that is %s; the policy of this project is %s%s. A warm or aged supply gives less."
            .formatted(
                device.designation(),
                judged.value(),
                source.output().rating(),
                judged.value().of(source.output().rating()),
                policy,
                left.value().compareTo(source.output().rating()) < 0
                    ? " of the %s left at this warmth and height".formatted(left.value())
                    : "");
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        WITHOUT_HEADROOM,
        text,
        judged.trail(),
        SupplyLoad.larger(source, study));
  }
}
