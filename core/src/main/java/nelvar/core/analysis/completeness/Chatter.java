package nelvar.core.analysis.completeness;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Live;
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
    var live = study.asDesigned();
    var w = Working.of("Contacts following their coils");
    var what = names(live.chatter(), live);
    w.result(
        "state",
        "solve, move contacts, solve again",
        live.status() == Live.Status.NOT_SETTLED
            ? "no steady state"
            : !live.race().isEmpty()
                ? "decided by a race: " + names(live.race(), live)
                : what.isEmpty() ? "at rest" : "round in a circle: " + what);
    var trail = w.explain(live).trail();
    if (live.status() == Live.Status.NOT_SETTLED)
      return study.project().devices().stream()
          .limit(1)
          .map(device ->
              new Verdict.NotChecked(
                  device.id(), "the network has no steady state with everything on"));
    if (!live.race().isEmpty())
      return live.race().stream()
          .map(ref ->
              new Verdict.Finding(
                  ref.device(),
                  Severity.ERROR,
                  "A race decides",
                  "Whether %s comes in depends on which of %s is quicker, which nobody can say. Interlock them so that one of them is always first."
                      .formatted(live.label(ref.device()), names(live.race(), live)),
                  trail,
                  List.of()));
    if (live.chatter().isEmpty())
      return live.circuitry().actuatorRefs().stream()
          .filter(ref -> ref.name().equals(nelvar.core.catalogue.Actuator.COIL))
          .map(ref -> new Verdict.Pass(ref.device(), trail));
    return live.chatter().stream()
        .map(ref ->
            new Verdict.Finding(
                ref.device(),
                Severity.ERROR,
                "It chatters",
                "%s pulls in and drops out without end: %s. A contact it moves takes away its own coil's voltage."
                    .formatted(live.label(ref.device()), what),
                trail,
                List.of()));
  }

  private static String names(List<ActuatorRef> all, Live live) {
    return all.stream().map(live::name).collect(Collectors.joining(", "));
  }
}
