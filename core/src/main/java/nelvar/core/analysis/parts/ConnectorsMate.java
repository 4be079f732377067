package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Connector;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// What is plugged together goes together: same size, same polarity, same number of ways.
///
/// Two connectors are plugged together where a conductor of 0 m joins them. `5.5/2.1 mm, + inside`
/// and `5.5/2.5 mm, + inside` look alike and do not hold; one with + outside turns the volts round.
/// Demand: the makers' sizes, common practice.
public final class ConnectorsMate implements Rule {
  private static final Reason DO_NOT_GO_TOGETHER = Reason.of("Connectors that do not go together");

  @Override
  public String id() {
    return "parts.connectors-mate";
  }

  @Override
  public String asks() {
    return "Connectors that are plugged together have the same size and polarity.";
  }

  private record Pair(Device one, Device other) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.cable().isEmpty() && plugged(wire))
        .flatMap(wire -> pair(wire, study))
        .distinct()
        .flatMap(Contained.one(this, pair -> pair.one().id(), pair -> judge(pair, study)));
  }

  private static boolean plugged(Conductor wire) {
    return wire.length().filter(length -> length.metres() == 0).isPresent();
  }

  private static Stream<Pair> pair(Conductor wire, Study study) {
    var one = study.device(wire.from().device());
    var other = study.device(wire.to().device());
    if (one.isEmpty() || other.isEmpty() || one.equals(other)) return Stream.of();
    if (!(study.part(one.get()).orElse(null) instanceof Connector)
        || !(study.part(other.get()).orElse(null) instanceof Connector)) return Stream.of();
    return Stream.of(
        one.get().designation().compareTo(other.get().designation()) < 0
            ? new Pair(one.get(), other.get())
            : new Pair(other.get(), one.get()));
  }

  private static Verdict judge(Pair pair, Study study) {
    var one = (Connector) study.part(pair.one()).orElseThrow();
    var other = (Connector) study.part(pair.other()).orElseThrow();
    var w =
        Working.of("%s into %s".formatted(pair.one().designation(), pair.other().designation()));
    w.given("size", one.size().orElse("not stated"), pair.one().designation().text());
    w.given("size", other.size().orElse("not stated"), pair.other().designation().text());
    var trail = w.explain(one).trail();
    if (one.ways() != other.ways() || differ(one, other))
      return new Verdict.Finding(
          pair.one().id(),
          Severity.ERROR,
          DO_NOT_GO_TOGETHER,
          "%s (%s) is plugged into %s (%s): it does not hold, or turns + and - round. Take the same size at both, or an adapter between."
              .formatted(
                  pair.one().designation(), words(one), pair.other().designation(), words(other)),
          trail,
          List.of());
    if (one.size().isEmpty() || other.size().isEmpty())
      return new Verdict.NotChecked(
          pair.one().id(),
          "the size of %s is not stated"
              .formatted((one.size().isEmpty() ? pair.one() : pair.other()).designation()));
    return new Verdict.Pass(pair.one().id(), trail);
  }

  private static boolean differ(Connector one, Connector other) {
    return one.size().isPresent()
        && other.size().isPresent()
        && !one.size().get().equalsIgnoreCase(other.size().get());
  }

  private static String words(Connector part) {
    return part.size().orElse("%d ways".formatted(part.ways()));
  }
}
