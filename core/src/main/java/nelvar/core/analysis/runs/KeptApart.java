package nelvar.core.analysis.runs;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.WireClass;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Working;

/// Every wire finds a way by ducts, trays and carriers that are kept for its like. Asked only where
/// something is kept.
public final class KeptApart implements Rule {
  private static final Reason NO_WAY = Reason.of("No way is kept for it");

  @Override
  public String id() {
    return "runs.kept";
  }

  @Override
  public String asks() {
    return "Every wire has a way that is kept for its like.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    if (!kept(study)) return Stream.empty();
    return study.project().conductors().stream()
        .filter(wire -> Routes.of(study).of(wire).route().isPresent())
        .flatMap(Contained.one(this, Conductor::id, wire -> judge(wire, study)));
  }

  private static boolean kept(Study study) {
    return study.project().bundles().stream().anyMatch(b -> b.only().isPresent())
        || study.project().layout().cabinets().stream()
            .flatMap(cabinet -> cabinet.ducts().stream())
            .anyMatch(duct -> duct.only().isPresent());
  }

  private static Verdict judge(Conductor wire, Study study) {
    var route = Routes.of(study).of(wire).route().orElseThrow();
    var of = WireClass.of(wire, study);
    var w = Working.of("Way of " + wire.label());
    w.given("kind", of.words(), wire.label().text());
    w.given("way", route.words(), route.forced() ? "by what is kept for others" : "open to it");
    var trail = w.explain(wire).trail();
    if (!route.forced()) return new Verdict.Pass(wire.id(), trail);
    return new Verdict.Finding(
        wire.id(),
        Severity.WARNING,
        NO_WAY,
        "%s (%s) finds no way by ducts and trays that are kept for its like, and goes by %s. Draw one for it, or let one of these take anything."
            .formatted(wire.label(), of.words(), route.words()),
        trail,
        List.of());
  }
}
