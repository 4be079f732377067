package nelvar.core.analysis.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;

/// No source feeds another: their lines are not joined, unless through diodes.
///
/// Two electronic supplies in parallel do not share by themselves: the one a little higher gives
/// all, the other is held up and rests; switched off, it is fed backwards. Those made for parallel
/// use say so in their data. Sources of different voltages must never meet.
///
/// Demand: common practice, no published source.
public final class BackFeed implements Rule {
  @Override
  public String id() {
    return "supply.back-feed";
  }

  @Override
  public String asks() {
    return "No supply is fed by another.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var verdicts = new ArrayList<Verdict>();
    Contained.each(
        this,
        study.network().sources(),
        source -> source.device().id(),
        verdicts,
        source -> {
          if (study.network().walks(source).isEmpty()) return;
          var w = Working.of("Lines of " + source.device().designation());
          var other = joined(source, study);
          w.given(
              "joined to",
              other.map(o -> o.device().designation().text()).orElse("no other source"),
              "through wires, contacts and protective devices; diodes keep apart");
          var trail = w.explain(source).trail();
          verdicts.add(
              other
                  .filter(o -> !(shares(source, study) && shares(o, study)))
                  .<Verdict>map(o -> finding(source, o, trail))
                  .orElseGet(() -> new Verdict.Pass(source.device().id(), trail)));
        });
    return verdicts.stream();
  }

  /// Whether its part is made to work in parallel.
  private static boolean shares(Source source, Study study) {
    return study.part(source.device()).orElse(null) instanceof DcSupply supply
        && supply.sharesLoad();
  }

  private static Optional<Source> joined(Source source, Study study) {
    var starts = source.terminals();
    for (var line = 0; line < source.output().lines().size(); line++) {
      var reached = study.network().withoutDiodes(starts.get(line));
      for (var other : study.network().sources()) {
        if (other.device().id().equals(source.device().id())) continue;
        for (var at = 0; at < other.output().lines().size(); at++)
          if (reached.contains(other.terminals().get(at))) return Optional.of(other);
      }
    }
    return Optional.empty();
  }

  private static Verdict finding(Source source, Source other, nelvar.core.trail.Trail trail) {
    var same =
        Math.abs(source.output().voltage().volts() - other.output().voltage().volts()) < 0.5
            && source.output().alternating() == other.output().alternating();
    return new Verdict.Finding(
        source.device().id(),
        same ? Severity.WARNING : Severity.ERROR,
        same ? "Supplies joined without diodes" : "Sources of different voltage joined",
        same
            ? "The outputs of %s and %s are joined: the higher one gives all, the other rests, and a failed one pulls both down. Part them with a diode module, or take supplies that are made for parallel use."
                .formatted(source.device().designation(), other.device().designation())
            : "%s (%s) and %s (%s) meet: the higher feeds the lower backwards and destroys it."
                .formatted(
                    source.device().designation(),
                    source.output().voltage(),
                    other.device().designation(),
                    other.output().voltage()),
        trail,
        List.of());
  }
}
