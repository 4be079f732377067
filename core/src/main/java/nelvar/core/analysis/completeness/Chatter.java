package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.catalogue.Actuator;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Live;
import nelvar.core.network.Outcome;
import nelvar.core.trail.Working;

/// Contacts come to rest: no relay interrupts itself, alone or through others, and none races
/// another for who comes first.
///
/// The network is solved again and again with contacts following their coils; a state that comes
/// back is a circle. Moved one at a time, some circles end, where they end depending on which was
/// quicker: a race.
///
/// Demand: common practice.
public final class Chatter implements Rule {
  private static final Reason A_RACE_DECIDES = Reason.of("A race decides");
  private static final Reason IT_CHATTERS = Reason.of("It chatters");

  @Override
  public String id() {
    return "completeness.chatter";
  }

  @Override
  public String asks() {
    return "No contactor or relay interrupts itself or races another.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var states = MachineStates.of(study);
    return Stream.concat(
        states.stream()
            .flatMap(state -> state.leftOff().stream().map(ref -> leftOff(ref, state.live()))),
        states.stream()
            .filter(state -> !(state.live().outcome() instanceof Outcome.Settled))
            .findFirst()
            .map(state -> judge(state, study))
            .orElseGet(() -> judge(states.getFirst(), study)));
  }

  private static Verdict leftOff(ActuatorRef ref, Live live) {
    return new Verdict.NotChecked(
        ref.device(),
        "%s is off where everything else is on, as it and another exclude each other; name a state with it (meter, Keep as a state)"
            .formatted(live.name(ref)));
  }

  private static Stream<Verdict> judge(MachineStates.State state, Study study) {
    var live = state.live();
    var w = Working.of("Contacts following their coils");
    w.result(
        "state " + state.name(),
        "solve, move contacts, solve again",
        switch (live.outcome()) {
          case Outcome.Unsettled _ -> "no steady state";
          case Outcome.Undecided(var race) -> "decided by a race: " + names(race, live);
          case Outcome.Chattering(var circle) -> "round in a circle: " + names(circle, live);
          case Outcome.Settled _ -> "at rest";
        });
    var trail = w.explain(live).trail();
    return switch (live.outcome()) {
      case Outcome.Unsettled(var sources) ->
          sources.stream()
              .filter(source -> study.project().device(source).isPresent())
              .limit(1)
              .map(source ->
                  new Verdict.NotChecked(
                      source,
                      "the network of %s has no steady state %s"
                          .formatted(
                              sources.stream().map(live::label).collect(Collectors.joining(", ")),
                              state.words())));
      case Outcome.Settled _ ->
          live.circuitry().actuatorRefs().stream()
              .filter(ref -> ref.name().equals(Actuator.COIL))
              .map(ref -> new Verdict.Pass(ref.device(), trail));
      case Outcome.Undecided(var race) ->
          race.stream()
              .map(ref ->
                  new Verdict.Finding(
                      ref.device(),
                      Severity.ERROR,
                      A_RACE_DECIDES,
                      "Whether %s comes in %s depends on which of %s is quicker, which nobody can say. Interlock them so that one of them is always first."
                          .formatted(live.label(ref.device()), state.words(), names(race, live)),
                      trail,
                      List.of()));
      case Outcome.Chattering(var circle) ->
          circle.stream()
              .map(ref ->
                  new Verdict.Finding(
                      ref.device(),
                      Severity.ERROR,
                      IT_CHATTERS,
                      "%s pulls in and drops out without end %s: %s. A contact it moves takes away its own coil's voltage."
                          .formatted(live.label(ref.device()), state.words(), names(circle, live)),
                      trail,
                      List.of()));
    };
  }

  private static String names(List<ActuatorRef> all, Live live) {
    return all.stream().map(live::name).collect(Collectors.joining(", "));
  }
}
