package nelvar.core.analysis.states;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.model.Id;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Outcome;
import nelvar.core.network.WhatIf;

/// The states in which a machine is judged, each solved once.
///
/// Until every output is on in one of the builder's own states, there is besides them, or alone,
/// one with everything on that can be on together: naming one state hides no other. Where not
/// everything can (two directions of one motor), outputs are left off that clash only together with
/// others, in the order of the devices; they are named, not judged.
public final class MachineStates {
  /// An alternating source giving this many times its rating is shorted; common practice.
  private static final double SHORTED = 10;

  /// A direct-current source at its limit below this share of its voltage is shorted.
  private static final double COLLAPSED = 0.5;

  private MachineStates() {}

  /// @param name in words, to follow "in the state"
  /// @param ownName whether the builder named it
  /// @param leftOff outputs that exclude others and so are off
  /// @param outputs what each device's sources give; @param poles its protective poles
  public record State(
      String name,
      boolean ownName,
      Live live,
      List<ActuatorRef> leftOff,
      Map<Id, List<Live.Output>> outputs,
      Map<Id, List<Live.Loaded>> poles) {
    static State of(String name, boolean ownName, Live live, List<ActuatorRef> leftOff) {
      return new State(
          name,
          ownName,
          live,
          List.copyOf(leftOff),
          live.outputs().stream().collect(Collectors.groupingBy(o -> o.device().id())),
          live.poles().stream().collect(Collectors.groupingBy(pole -> pole.device().id())));
    }

    public List<Live.Output> outputs(Id device) {
      return outputs.getOrDefault(device, List.of());
    }

    public List<Live.Loaded> poles(Id device) {
      return poles.getOrDefault(device, List.of());
    }

    /// `in the state homing`, `with everything on`.
    public String words() {
      return ownName ? "in the state '" + name + "'" : "with everything on that can be";
    }

    public boolean settled() {
      return live.settled();
    }
  }

  public static List<State> of(Study study) {
    return study.once(MachineStates.class, () -> solve(study));
  }

  /// The same with the least volts: hot wires, mains low.
  public static List<State> hotAndLow(Study study) {
    return study.once(
        "states hot and low",
        () ->
            of(study).stream()
                .map(state ->
                    State.of(
                        state.name(),
                        state.ownName(),
                        study
                            .engine()
                            .solve(state.live().trial(), Conditions.hotAndLow(study.hot())),
                        state.leftOff()))
                .toList());
  }

  private static List<State> solve(Study study) {
    var circuitry = study.engine().circuitry(conditions(study).wires());
    var all = new ArrayList<State>();
    var on = new HashSet<ActuatorRef>();
    for (var state : study.project().states()) {
      for (var held : state.held())
        if (held.on()) on.add(new ActuatorRef(held.device(), held.actuator()));
      all.add(
          State.of(
              state.name(),
              true,
              study.engine().solve(circuitry.in(state), conditions(study)),
              List.of()));
    }
    if (all.isEmpty() || !on.containsAll(circuitry.programs())) all.add(everything(study));
    return List.copyOf(all);
  }

  private static Conditions conditions(Study study) {
    return Conditions.usual(study.project().brief().surroundings().inside());
  }

  private static State everything(Study study) {
    var all = study.asDesigned();
    if (!clashes(all)) return state(all, List.of());
    var programs = all.circuitry().programs();
    var none = WhatIf.AS_DESIGNED;
    none = none.holding(programs, false);
    if (programs.isEmpty() || clashes(solved(none, study))) return state(all, List.of());
    var off = new ArrayList<ActuatorRef>();
    var now = none;
    for (var program : programs) {
      var tried = now.releasing(program);
      if (!clashes(solved(tried, study))) {
        now = tried;
        continue;
      }
      // What clashes all by itself excludes nothing: it is a fault, and is shown as one.
      if (clashes(solved(none.releasing(program), study))) return state(all, List.of());
      off.add(program);
    }
    return state(solved(now, study), off);
  }

  private static State state(Live live, List<ActuatorRef> leftOff) {
    return State.of("everything on", false, live, leftOff);
  }

  private static Live solved(WhatIf trial, Study study) {
    return study.engine().solve(trial, conditions(study));
  }

  /// Whether contacts do not come to rest, or a source is shorted.
  private static boolean clashes(Live live) {
    return !(live.outcome() instanceof Outcome.Settled)
        || live.outputs().stream().anyMatch(MachineStates::shorted);
  }

  private static boolean shorted(Live.Output output) {
    if (output.output().alternating())
      return output.current().amperes() > SHORTED * output.output().rating().amperes();
    return output.tripped()
        || (output.limited()
            && output.power().watts()
                < COLLAPSED * output.output().voltage().volts() * output.current().amperes());
  }
}
