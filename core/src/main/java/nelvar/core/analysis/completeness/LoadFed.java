package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;

/// Every load is fed, and its current finds the way back to the same source.
///
/// Demand: common sense.
public final class LoadFed implements Rule {
  private static final Reason NOT_FED = Reason.of("Not fed");
  private static final Reason NO_WAY_BACK = Reason.of("No way back");

  @Override
  public String id() {
    return "completeness.load-fed";
  }

  @Override
  public String asks() {
    return "Every load has a supply and a way back to it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .map(feed -> {
          var w = Working.of("Supply and return");
          w.given(
              "source",
              feed.source().map(Source::toString).orElse("none"),
              feed.name() + ", " + feed.intake().name());
          var trail = w.explain(feed).trail();
          var id = feed.device().id();
          return switch (feed.state()) {
            case FED -> new Verdict.Pass(id, trail);
            case NO_SUPPLY ->
                new Verdict.Finding(
                    id,
                    Severity.ERROR,
                    NOT_FED,
                    "No source reaches %s at %s. Follow its wire back from there."
                        .formatted(
                            feed.device().designation(), String.join(", ", feed.intake().lines())),
                    trail,
                    List.of());
            case NO_RETURN ->
                new Verdict.Finding(
                    id,
                    Severity.ERROR,
                    NO_WAY_BACK,
                    "%s is fed, but %s leads to no, or to another, source: no current flows, or it flows where it should not."
                        .formatted(
                            feed.device().designation(),
                            feed.intake().back().orElse("one of its lines")),
                    trail,
                    List.of());
          };
        });
  }
}
