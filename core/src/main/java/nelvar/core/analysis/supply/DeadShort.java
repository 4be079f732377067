package nelvar.core.analysis.supply;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;

/// No wire joins two terminals of one source: neither with everything on that can be, nor with
/// every relay and contactor let go. What only some of them together join is left to the states.
///
/// Demand: physics.
public final class DeadShort implements Rule {
  private static final Reason SHORTED_BY_ITS_OWN_WIRING = Reason.of("Shorted by its own wiring");

  @Override
  public String id() {
    return "supply.short";
  }

  @Override
  public String asks() {
    return "No source has its own terminals joined by wires and closed contacts.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source -> source.terminals().size() > 1)
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  private static Verdict judge(Source source, Study study) {
    var w = Working.of("Short circuit");
    w.given("terminals", source.terminals().size(), source.toString());
    var trail = w.explain(source).trail();
    return joined(source, study)
        .<Verdict>map(text ->
            new Verdict.Finding(
                source.device().id(),
                Severity.ERROR,
                SHORTED_BY_ITS_OWN_WIRING,
                text + " Find the wire that lands on the wrong terminal before power comes near.",
                trail,
                List.of()))
        .orElseGet(() -> new Verdict.Pass(source.device().id(), trail));
  }

  private static Optional<String> joined(Source source, Study study) {
    var name = source.device().designation();
    return study
        .network()
        .shorted(source)
        .map(pair ->
            "Wires and contacts that are closed in work join %s of %s.".formatted(pair, name))
        .or(() ->
            study
                .network()
                .shortedAtRest(source)
                .map(pair ->
                    "With every relay and contactor let go, wires and contacts that are closed then join %s of %s."
                        .formatted(pair, name)));
  }
}
