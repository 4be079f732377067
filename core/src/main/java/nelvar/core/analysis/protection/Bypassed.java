package nelvar.core.analysis.protection;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Edge;
import nelvar.core.trail.Working;

/// Opening a protective device kills what it protects: no other way leads round it.
///
/// Looked for in the graph of wires, contacts and protective devices: a pole on a ring is bypassed.
///
/// Demand: common practice, no published source.
public final class Bypassed implements Rule {
  private static final Reason A_SECOND_WAY_LEADS_ROUND_IT =
      Reason.of("A second way leads round it");

  @Override
  public String id() {
    return "protection.sneak-path";
  }

  @Override
  public String asks() {
    return "No second way leads round a protective device.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var topology = study.network().topology();
    var bridges = study.network().bridges();
    return Stream.iterate(0, edge -> edge < topology.edgeCount(), edge -> edge + 1)
        .filter(edge ->
            topology.edge(edge) instanceof Edge.Through(_, var link)
                && link.protection().isPresent())
        .map(edge -> {
          var through = (Edge.Through) topology.edge(edge);
          var w = Working.of("Ways round " + through.device().designation());
          var sole = bridges.get(edge);
          w.given(
              "another way from " + through.link().a() + " to " + through.link().b(),
              sole ? "none" : "there is one",
              "through wires, contacts and protective devices");
          var trail = w.explain(sole).trail();
          return sole
              ? new Verdict.Pass(through.device().id(), trail)
              : new Verdict.Finding(
                  through.device().id(),
                  Severity.ERROR,
                  A_SECOND_WAY_LEADS_ROUND_IT,
                  "Opening %s leaves what is behind it alive: another way joins its terminals %s and %s. Find it and take it away, or put both ways behind one device."
                      .formatted(
                          through.device().designation(), through.link().a(), through.link().b()),
                  trail,
                  List.of());
        });
  }
}
