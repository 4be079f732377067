package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Grid;
import nelvar.core.standards.CopperResistance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;

/// Turns a project into a grid: every conductor with its real resistance, every device as its kind
/// describes itself.
///
/// Common practice, no published source: 0.5 mΩ for a conductor landing in a terminal, 5 mΩ for a
/// contact, 2 Ω for a transistor output that is on, 0.08 mΩ/m reactance of wires lying together.
final class NetworkBuilder {
  private static final double LANDING = 0.0005;
  private static final double CONTACT = nelvar.core.catalogue.Link.CONTACT_RESISTANCE;

  /// What a conductor counts as while its length or section is not known.
  private static final double UNKNOWN = 0.001;

  final Topology topology;
  final Project project;
  private final Temperature wireTemperature;
  final List<Grid.Branch> branches = new ArrayList<>();
  final List<Grid.Transformer> transformers = new ArrayList<>();
  final List<Grid.Group> groups = new ArrayList<>();
  final List<Grid.Emf> emfs = new ArrayList<>();
  final List<Grid.Load> loads = new ArrayList<>();
  final List<Grid.Converter> converters = new ArrayList<>();
  private final Map<CrossSection, ResistancePerLength> perMetre = new HashMap<>();
  private final List<Circuitry.Switched> switched = new ArrayList<>();
  private final List<Circuitry.Set> actuators = new ArrayList<>();
  final List<Circuitry.Served> served = new ArrayList<>();
  final List<Circuitry.Given> given = new ArrayList<>();
  final List<Circuitry.Stored> stores = new ArrayList<>();
  private final List<Circuitry.Pole> poles = new ArrayList<>();
  private final List<Id> assumed = new ArrayList<>();
  private final Map<Id, Map<String, Integer>> actuatorsOf = new HashMap<>();
  final Map<TerminalRef, Double> setCurrents;
  private final int[] node;
  private final int[] branchOf;
  private int nodes;
  private int earth = -1;
  private int star = -1;

  private NetworkBuilder(Topology topology, Temperature wireTemperature) {
    this.topology = topology;
    this.project = topology.project();
    this.wireTemperature = wireTemperature;
    this.setCurrents = topology.setCurrents();
    this.node = topology.joinedNodes();
    for (var n : node) nodes = Math.max(nodes, n + 1);
    this.branchOf = new int[topology.edgeCount()];
  }

  /// @param wireTemperature of all conductors
  static Circuitry build(Topology topology, Temperature wireTemperature) {
    var builder = new NetworkBuilder(topology, wireTemperature);
    for (var device : builder.project.devices())
      topology.part(device.id()).ifPresent(part -> builder.actuators(device, part));
    builder.edges();
    for (var device : builder.project.devices())
      topology.part(device.id()).ifPresent(part -> builder.device(device, part));
    return builder.done();
  }

  private Circuitry done() {
    var grid = new Grid(nodes, earth, branches, transformers, groups, emfs, loads, converters);
    return new Circuitry(
        topology, grid, node, branchOf, switched, actuators, served, given, stores, poles, assumed);
  }

  int node(Device device, String terminal) {
    return node[topology.node(new TerminalRef(device.id(), terminal))];
  }

  /// Where the lines of all inlets begin.
  int star() {
    if (star < 0) star = inner();
    return star;
  }

  /// The protective terminal of the first inlet, or -1.
  int earth() {
    return earth;
  }

  /// A node that is no terminal.
  int inner() {
    return nodes++;
  }

  private void actuators(Device device, Part part) {
    for (var actuator : part.actuators()) {
      actuatorsOf
          .computeIfAbsent(device.id(), _ -> new HashMap<>())
          .put(actuator.name(), actuators.size());
      actuators.add(
          new Circuitry.Set(new ActuatorRef(device.id(), actuator.name()), device, actuator));
    }
  }

  int actuator(Device device, String name) {
    var own = actuatorsOf.getOrDefault(device.id(), Map.of()).get(name);
    if (own == null) throw new IllegalStateException(device.part() + " has no actuator " + name);
    return own;
  }

  private void edges() {
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      var a = node[topology.from(edge)];
      var b = node[topology.otherEnd(edge, topology.from(edge))];
      branchOf[edge] = -1;
      if (a == b) continue;
      branchOf[edge] = branches.size();
      switch (topology.edge(edge)) {
        case Edge.Wire(var conductor) -> branches.add(wire(conductor, a, b));
        case Edge.Through(var device, var link) -> through(device, link, a, b, edge);
      }
    }
  }

  private Grid.Branch wire(Conductor conductor, int a, int b) {
    var length = topology.length(conductor);
    if (length.isEmpty() || conductor.section().isEmpty()) {
      assumed.add(conductor.id());
      return Grid.Branch.linear(a, b, UNKNOWN, 0);
    }
    var reactance = CopperResistance.REACTANCE_PER_METRE * length.get().metres();
    return Grid.Branch.linear(a, b, ohms(conductor.section().get(), length.get()), reactance);
  }

  /// Of one conductor of a cord with its two ends.
  double ohms(nelvar.core.model.Connection.Cord cord) {
    return ohms(cord.section(), cord.length());
  }

  private double ohms(CrossSection section, Length length) {
    return perMetre.computeIfAbsent(section, this::perMetre).over(length).ohms() + 2 * LANDING;
  }

  private ResistancePerLength perMetre(CrossSection section) {
    return CopperResistance.perMetre(section).times(CopperResistance.warmed(wireTemperature));
  }

  private void through(Device device, Link link, int a, int b, int edge) {
    var index = branches.size();
    var pole =
        new PoleRef(new TerminalRef(device.id(), link.a()), new TerminalRef(device.id(), link.b()));
    switch (link.kind()) {
      case JOINED -> throw new IllegalStateException("joined terminals are one node");
      case CONTACT -> branches.add(Grid.Branch.linear(a, b, CONTACT, 0));
      case OUTPUT -> branches.add(Grid.Branch.linear(a, b, conducting(device, link), 0));
      case PROTECTIVE -> {
        var protection = link.protection().orElseThrow();
        branches.add(Grid.Branch.linear(a, b, protection.poleResistance().ohms(), 0));
        poles.add(new Circuitry.Pole(index, device, protection, pole));
      }
      // The diode itself stands among the part's elements.
      case DIODE -> branchOf[edge] = -1;
    }
    link.actuator()
        .ifPresent(name ->
            switched.add(
                new Circuitry.Switched(index, actuator(device, name), link.closedAtRest(), pole)));
  }

  private double conducting(Device device, Link link) {
    return topology
        .part(device.id())
        .map(part -> part.conducting(link).ohms())
        .orElse(Part.TRANSISTOR);
  }

  private void device(Device device, Part part) {
    if (part instanceof MainsInlet inlet) {
      var mains = MainsSource.of(device, inlet, project.brief(), this);
      if (earth < 0) earth = mains;
      return;
    }
    new DeviceBuilder(this, device, part).build();
  }
}
