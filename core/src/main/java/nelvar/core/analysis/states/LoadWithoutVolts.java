package nelvar.core.analysis.states;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.trail.Working;

/// Every load that a state of the machine calls for has voltage in it.
///
/// Below 10 % of its voltage it counts as without. A load is called for when no hand and no program
/// on its way stands open, and every coil on its way is called for itself. A load whose supply is
/// itself without voltage is left to the finding on that supply.
///
/// Demand: common practice.
public final class LoadWithoutVolts implements Rule {
  private static final Reason WITHOUT_VOLTAGE = Reason.of("Without voltage");

  private static final double NEXT_TO_NOTHING = 0.1;

  @Override
  public String id() {
    return "states.load-dead";
  }

  @Override
  public String asks() {
    return "Every load that a state calls for has voltage in it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.source().isPresent() && feed.voltage().volts() > 0)
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var w = Working.of("Volts at " + feed.device().designation());
    w.given("U", feed.voltage(), feed.source().orElseThrow().toString());
    var judged = false;
    for (var state : MachineStates.of(study)) {
      if (!state.settled() || !new Called(study, state.live()).calls(feed)) continue;
      if (!alive(feed, state)) continue;
      var found = state.live().at(feed.device(), feed.intake());
      if (found.isEmpty()) continue;
      judged = true;
      var volts = found.get();
      w.result("U " + state.name(), "network solved", state.live().solution().balance(), volts);
      if (volts.volts() >= NEXT_TO_NOTHING * feed.voltage().volts()) continue;
      return new Verdict.Finding(
          id,
          Severity.ERROR,
          WITHOUT_VOLTAGE,
          "%s has %s at %s %s, though nothing on its way is switched off: it does not work. Follow its way in the path strip to the place where the volts end."
              .formatted(
                  feed.device().designation(),
                  volts,
                  String.join(", ", feed.intake().lines()),
                  state.words()),
          w.explain(volts).trail(),
          List.of());
    }
    return judged
        ? new Verdict.Pass(id, w.explain(id).trail())
        : new Verdict.NotChecked(
            id,
            study.project().states().isEmpty()
                ? "a machine with everything on does not call for it; name a state that does (meter, Keep as a state)"
                : "no named state calls for it");
  }

  /// Whether what feeds it gives at all; if not, the fault lies there.
  private static boolean alive(Feed feed, MachineStates.State state) {
    var source = feed.source().orElseThrow();
    return state.outputs(source.device().id()).stream()
        .filter(output -> output.output().name().equals(source.output().name()))
        .allMatch(Live.Output::on);
  }
}
