package nelvar.core.analysis.states;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;

/// No supply stands alone at its current limit, trips or starves in a state of the machine.
///
/// A drive or transformer for which no working point is found is warned of.
///
/// Demand: common practice.
public final class SupplyAtLimit implements Rule {
  private static final Reason NO_WORKING_POINT_IS_FOUND_FOR_IT =
      Reason.of("No working point is found for it");
  private static final Reason ITS_INPUT_COLLAPSES = Reason.of("Its input collapses");
  private static final Reason AT_ITS_LIMIT = Reason.of("At its limit");

  @Override
  public String id() {
    return "states.supply-limit";
  }

  @Override
  public String asks() {
    return "No supply stands at its limit in a state of the machine.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> !study.network().sources(device).isEmpty())
        .filter(device -> !(study.part(device).orElse(null) instanceof MainsInlet))
        .flatMap(Contained.one(this, device -> device.id(), device -> judge(device, study)));
  }

  /// A drive or transformer for which no state was found with its load on: it may starve, or the
  /// solution is not to be trusted there. Said, so that what hangs on it passes nowhere in silence.
  private static Verdict noWorkingPoint(Device device, MachineStates.State state, Trail trail) {
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        NO_WORKING_POINT_IS_FOUND_FOR_IT,
        "Computed %s, the input of %s falls away as often as it takes up its load, so that it and what hangs on it count as off: they are not judged there. Either what feeds it is too weak, or the computation does not reach its working point; measure before you rely on it."
            .formatted(state.words(), device.designation()),
        trail,
        List.of());
  }

  /// Whether another supply of the same bus holds its voltage: then this one gives all it can,
  /// which the rules on banks judge, and nothing falls.
  private static boolean held(Device device, MachineStates.State state, Study study) {
    return study.network().sources(device).stream()
        .flatMap(source -> study.network().together(source).stream())
        .filter(member -> !member.device().id().equals(device.id()))
        .flatMap(member -> state.outputs(member.device().id()).stream())
        .anyMatch(other -> other.on() && !other.limited() && !other.starved() && !other.backFed());
  }

  private static Verdict judge(Device device, Study study) {
    var w = Working.of("What " + device.designation() + " gives");
    var judged = false;
    for (var state : MachineStates.of(study)) {
      if (!state.settled()) continue;
      judged = true;
      for (var output : state.outputs(device.id())) {
        w.result("I " + state.name(), "network solved", output.output().name(), output.current());
        if (!output.limited() && !output.tripped() && !output.starved()) continue;
        if (output.limited() && held(device, state, study)) continue;
        if (output.starved() && output.limit().isEmpty())
          return noWorkingPoint(device, state, w.explain(output.current()).trail());
        return new Verdict.Finding(
            device.id(),
            Severity.ERROR,
            output.starved() ? ITS_INPUT_COLLAPSES : AT_ITS_LIMIT,
            "%s %s %s: %s Measure nothing by it; find what takes the current (the path strip shows where it goes), or take a larger one."
                .formatted(
                    device.designation(),
                    output.starved()
                        ? "starves"
                        : output.tripped()
                            ? "switches itself off"
                            : "gives all it can, " + output.current() + ",",
                    state.words(),
                    output.limited()
                        ? "its voltage falls and what hangs on it works by chance."
                        : "what hangs on it has no voltage."),
            w.explain(output.current()).trail(),
            List.of());
      }
    }
    return judged
        ? new Verdict.Pass(device.id(), w.explain(device).trail())
        : new Verdict.NotChecked(device.id(), "no state of the machine comes to rest");
  }
}
