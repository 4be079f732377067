package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Output;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.OperatingState;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Grid;

/// A project as a grid of numbers, with the way back from each number to the terminal, conductor,
/// contact or load it stands for.
public final class Circuitry {
  /// A screwdriver, a strand: what bridges two terminals, Ω.
  private static final double BRIDGE = 0.001;

  /// A branch that an actuator opens and closes.
  record Switched(int branch, int actuator, boolean closedAtRest, PoleRef pole) {}

  /// An actuator with the nodes its coil or its readings stand between.
  record Set(ActuatorRef ref, Device device, Actuator actuator) {}

  /// One intake of a device: its loads in the grid.
  public record Served(Device device, Intake intake, List<Integer> loads) {}

  /// One output of a device, or the mains: its source in the grid. Pull-ups have no output.
  public record Given(
      Device device, Optional<Output> output, int group, List<Integer> emfs, List<Integer> needs) {}

  /// A capacitor: its source in the grid, which gives only where it is charged.
  record Stored(Device device, int group, nelvar.core.catalogue.Element.Across across) {}

  /// A protective pole.
  record Pole(
      int branch, Device device, nelvar.core.catalogue.ProtectiveDevice protection, PoleRef pole) {}

  final Topology topology;
  final Grid grid;
  final int[] node;
  final int[] branch;
  final List<Switched> switched;
  final List<Set> actuators;
  final List<Served> served;
  final List<Given> given;
  final List<Stored> stores;
  final List<Pole> poles;
  final List<Id> assumed;
  final StrayOutputs stray;
  private final int[] firstTerminal;
  private final Map<ActuatorRef, Integer> actuatorIndex = new LinkedHashMap<>();
  private final Map<PoleRef, Integer> branchOfPole = new HashMap<>();
  private final Map<Id, List<Served>> servedOf = new HashMap<>();

  Circuitry(
      Topology topology,
      Grid grid,
      int[] node,
      int[] branch,
      List<Switched> switched,
      List<Set> actuators,
      List<Served> served,
      List<Given> given,
      List<Stored> stores,
      List<Pole> poles,
      List<Id> assumed) {
    this.topology = topology;
    this.grid = grid;
    this.node = node;
    this.branch = branch;
    this.switched = List.copyOf(switched);
    this.actuators = List.copyOf(actuators);
    this.served = List.copyOf(served);
    this.given = List.copyOf(given);
    this.stores = List.copyOf(stores);
    this.poles = List.copyOf(poles);
    this.assumed = List.copyOf(assumed);
    this.stray = new StrayOutputs(grid);
    this.firstTerminal = new int[grid.nodes()];
    java.util.Arrays.fill(firstTerminal, -1);
    for (var terminal = node.length - 1; terminal >= 0; terminal--)
      firstTerminal[node[terminal]] = terminal;
    for (var s : switched) branchOfPole.putIfAbsent(s.pole(), s.branch());
    for (var p : poles) branchOfPole.putIfAbsent(p.pole(), p.branch());
    for (var s : served) servedOf.computeIfAbsent(s.device().id(), _ -> new ArrayList<>()).add(s);
    for (var i = 0; i < actuators.size(); i++) actuatorIndex.put(actuators.get(i).ref(), i);
  }

  public Grid grid() {
    return grid;
  }

  public Topology topology() {
    return topology;
  }

  public List<Served> served() {
    return served;
  }

  public List<Given> given() {
    return given;
  }

  /// The node of a terminal, or -1 where there is no such terminal.
  public int node(TerminalRef terminal) {
    var at = topology.node(terminal);
    return at < 0 ? -1 : node[at];
  }

  /// The first terminal that is a node; empty for nodes inside a device.
  public Optional<TerminalRef> terminal(int node) {
    return firstTerminal[node] < 0
        ? Optional.empty()
        : Optional.of(topology.terminal(firstTerminal[node]));
  }

  /// A bridge between two terminals; empty where both are one node, or one is not there.
  Optional<nelvar.core.network.solve.Inputs.Bridged> bridged(Disturbance.Bridge bridge) {
    var a = node(bridge.a());
    var b = node(bridge.b());
    return a < 0 || b < 0 || a == b
        ? Optional.empty()
        : Optional.of(new nelvar.core.network.solve.Inputs.Bridged(a, b, BRIDGE));
  }

  /// The branch of a conductor; empty where both its ends are one, or it is not in the network.
  public Optional<Integer> branch(Id conductor) {
    var edge = topology.edgeOf(conductor);
    return edge < 0 || branch[edge] < 0 ? Optional.empty() : Optional.of(branch[edge]);
  }

  /// The branch of an edge of the topology; empty where both its ends are one.
  public Optional<Integer> branchOf(int edge) {
    return branch[edge] < 0 ? Optional.empty() : Optional.of(branch[edge]);
  }

  /// The number of an actuator, or -1.
  int actuator(ActuatorRef ref) {
    return actuatorIndex.getOrDefault(ref, -1);
  }

  /// All that can be set by hand or held for a trial, in the order of the devices.
  public List<ActuatorRef> actuatorRefs() {
    return actuators.stream().map(Set::ref).toList();
  }

  /// Whether the impedance of the mains is assumed, the site stating none.
  public boolean assumesMains() {
    var supply = topology.project().brief().supply();
    return supply.loopImpedance().isEmpty() && supply.prospectiveShortCircuitCurrent().isEmpty();
  }

  /// Conductors without length or section, which count as a milliohm.
  public List<Id> assumed() {
    return assumed;
  }

  /// The contacts of a device, outputs of transistors among them.
  public List<PoleRef> contacts(Id device) {
    var all = new ArrayList<PoleRef>();
    for (var s : switched) if (s.pole().a().device().equals(device)) all.add(s.pole());
    return all;
  }

  /// The branch of a contact, an output or a protective pole; empty for what is always joined.
  Optional<Integer> branch(PoleRef pole) {
    return Optional.ofNullable(branchOfPole.get(pole));
  }

  /// Outputs and sensors: what a program or what is sensed sets.
  public List<ActuatorRef> programs() {
    return actuators.stream()
        .filter(set -> set.actuator() instanceof Actuator.Program)
        .map(Set::ref)
        .toList();
  }

  /// What is tried when the machine stands in a state its builder named: programs that are not
  /// named are off, hands that are not named stand as while it runs.
  public WhatIf in(OperatingState state) {
    var trial = WhatIf.AS_DESIGNED;
    trial = trial.holding(programs(), false);
    for (var held : state.held())
      trial = trial.holding(new ActuatorRef(held.device(), held.actuator()), held.on());
    return trial;
  }

  /// What hands and programs do in a trial, as a state holds it; empty where more is tried than
  /// hands and programs can do: coils held, wires cut, contacts welded, terminals bridged.
  public Optional<List<OperatingState.Held>> held(WhatIf trial) {
    if (!trial.onlyHolds()) return Optional.empty();
    var all = new ArrayList<OperatingState.Held>();
    for (var set : actuators) {
      var on = trial.held(set.ref()).orElse(null);
      switch (set.actuator()) {
        // A program is on while the machine runs, and off in a state that does not name it.
        case Actuator.Program _ -> {
          if (on == null || on) all.add(held(set.ref(), true));
        }
        case Actuator.Hand(_, var atRest) -> {
          if (on != null && on != atRest) all.add(held(set.ref(), on));
        }
        case Actuator.Magnet _, Actuator.Watch _ -> {
          if (on != null) return Optional.empty();
        }
      }
    }
    return Optional.of(all);
  }

  private static OperatingState.Held held(ActuatorRef ref, boolean on) {
    return new OperatingState.Held(ref.device(), ref.name(), on);
  }

  /// A contact that a coil moves, in the grid: closed at rest or not, by the volts between two
  /// nodes.
  public record CoilContact(
      int branch, boolean closedAtRest, int a, int b, double pickUp, double dropOut) {}

  /// The contacts that coils are free to move in a trial: none that is held, frozen, welded, open
  /// or of a dead device.
  public List<CoilContact> coilContacts(WhatIf trial) {
    var all = new ArrayList<CoilContact>();
    for (var s : switched) {
      var set = actuators.get(s.actuator());
      if (!(set.actuator() instanceof Actuator.Magnet coil)
          || trial.held(set.ref()).isPresent()
          || trial.frozen(set.ref()).isPresent()
          || trial.dead(set.device().id())
          || trial.welded(s.pole())
          || trial.opened(s.pole())) continue;
      var a = node(new TerminalRef(set.device().id(), coil.a()));
      var b = node(new TerminalRef(set.device().id(), coil.b()));
      if (a >= 0 && b >= 0)
        all.add(
            new CoilContact(
                s.branch(), s.closedAtRest(), a, b, coil.pickUp().volts(), coil.dropOut().volts()));
    }
    return all;
  }

  /// The protective poles of a device.
  public List<PoleRef> protectivePoles(Id device) {
    return poles.stream().map(Pole::pole).filter(pole -> pole.a().device().equals(device)).toList();
  }

  /// Whether a device has a protective pole that can be pulled.
  public boolean protects(Id device) {
    return poles.stream().anyMatch(pole -> pole.device().id().equals(device));
  }

  /// The intakes of a device.
  public List<Served> served(Id device) {
    return servedOf.getOrDefault(device, List.of());
  }

  /// What moves the contacts of a device.
  public List<ActuatorRef> actuators(Id device) {
    return actuators.stream().map(Set::ref).filter(ref -> ref.device().equals(device)).toList();
  }
}
