package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;

/// The terminals of a project as numbered nodes, joined by conductors and by the ways through
/// devices.
///
/// Contacts and outputs count as closed: it is the machine with everything that can be on, on. A
/// device whose part is unknown has no terminals here.
public final class Topology {
  private final Map<Id, Integer> wires = new HashMap<>();
  private volatile @org.jspecify.annotations.Nullable Map<TerminalRef, Double> setCurrents;
  private final Project project;
  private final Lengths lengths;
  private final Map<TerminalRef, Integer> nodes = new HashMap<>();
  private final List<TerminalRef> terminals = new ArrayList<>();
  private final List<Edge> edges = new ArrayList<>();
  private final List<Part> parts = new ArrayList<>();
  private final Map<Id, Integer> deviceIndex = new HashMap<>();
  private int[] from = new int[64];
  private int[] to = new int[64];
  private int[] first = {};
  private int[] incident = {};

  private final Catalogue catalogue;

  private Topology(Project project, Catalogue catalogue, Lengths lengths) {
    this.catalogue = catalogue;
    this.project = project;
    this.lengths = lengths;
  }

  /// The terminals of a device that wires land on and another part in its place has not.
  public List<String> missing(Device device, Part part) {
    return project.conductors().stream()
        .flatMap(conductor -> java.util.stream.Stream.of(conductor.from(), conductor.to()))
        .filter(end -> end.device().equals(device.id()))
        .map(TerminalRef::terminal)
        .filter(name -> part.terminals().stream().noneMatch(t -> t.name().equals(name)))
        .distinct()
        .toList();
  }

  public Catalogue catalogue() {
    return catalogue;
  }

  static Topology of(Project project, Catalogue catalogue, Lengths lengths) {
    var topology = new Topology(project, catalogue, lengths);
    var entered = new HashMap<Id, Map<String, String>>();
    for (var setting : project.settings())
      entered
          .computeIfAbsent(setting.device(), _ -> new HashMap<>())
          .put(setting.name().toLowerCase(java.util.Locale.ROOT), setting.value());
    for (var device : project.devices())
      catalogue
          .find(device.part())
          .ifPresent(part ->
              topology.add(device, part.asSet(entered.getOrDefault(device.id(), Map.of()))));
    for (var conductor : project.conductors()) topology.add(conductor);
    topology.index();
    return topology;
  }

  private void add(Device device, Part part) {
    deviceIndex.put(device.id(), parts.size());
    parts.add(part);
    for (var terminal : part.terminals()) {
      var ref = new TerminalRef(device.id(), terminal.name());
      nodes.put(ref, terminals.size());
      terminals.add(ref);
    }
    for (var link : part.links())
      join(
          new Edge.Through(device, asSet(link, device)),
          new TerminalRef(device.id(), link.a()),
          new TerminalRef(device.id(), link.b()));
  }

  /// An adjustable trip counts with what it is set to.
  private static Link asSet(Link link, Device device) {
    return device.trip().isPresent()
            && link.protection().orElse(null) instanceof ProtectiveDevice.MotorSwitch motor
        ? link.with(motor.setTo(device.trip()))
        : link;
  }

  private void add(Conductor conductor) {
    join(new Edge.Wire(conductor), conductor.from(), conductor.to());
  }

  private void join(Edge edge, TerminalRef a, TerminalRef b) {
    var nodeA = nodes.get(a);
    var nodeB = nodes.get(b);
    if (nodeA == null || nodeB == null) return;
    if (edges.size() == from.length) {
      from = Arrays.copyOf(from, 2 * from.length);
      to = Arrays.copyOf(to, 2 * to.length);
    }
    if (edge instanceof Edge.Wire(var conductor)) wires.put(conductor.id(), edges.size());
    from[edges.size()] = nodeA;
    to[edges.size()] = nodeB;
    edges.add(edge);
  }

  /// Lists the edges at each node, so that a walk touches each edge a bounded number of times.
  private void index() {
    first = new int[terminals.size() + 1];
    for (var edge = 0; edge < edges.size(); edge++) {
      first[from[edge] + 1]++;
      first[to[edge] + 1]++;
    }
    for (var node = 0; node < terminals.size(); node++) first[node + 1] += first[node];
    incident = new int[2 * edges.size()];
    var next = Arrays.copyOf(first, terminals.size());
    for (var edge = 0; edge < edges.size(); edge++) {
      incident[next[from[edge]]++] = edge;
      incident[next[to[edge]]++] = edge;
    }
  }

  /// The same of another project, with the same catalogue.
  Topology of(Project other) {
    return of(other, catalogue, lengths);
  }

  /// What chopper drives make flow, by the first terminal of each winding they feed, A.
  public Map<TerminalRef, Double> setCurrents() {
    var known = setCurrents;
    if (known == null) setCurrents = known = Map.copyOf(SetCurrents.of(this));
    return known;
  }

  /// How long a conductor is, one way; empty where that is not known.
  public Optional<Length> length(Conductor conductor) {
    return lengths.of(conductor);
  }

  public Project project() {
    return project;
  }

  public Optional<Part> part(Id device) {
    var index = deviceIndex.get(device);
    return index == null ? Optional.empty() : Optional.of(parts.get(index));
  }

  public int nodeCount() {
    return terminals.size();
  }

  public int edgeCount() {
    return edges.size();
  }

  /// The node of a terminal, or -1.
  public int node(TerminalRef terminal) {
    return nodes.getOrDefault(terminal, -1);
  }

  public TerminalRef terminal(int node) {
    return terminals.get(node);
  }

  public Edge edge(int edge) {
    return edges.get(edge);
  }

  /// The edge that is a conductor, or -1.
  public int edgeOf(Id conductor) {
    return wires.getOrDefault(conductor, -1);
  }

  int degree(int node) {
    return first[node + 1] - first[node];
  }

  int edgeAt(int node, int position) {
    return incident[first[node] + position];
  }

  public int from(int edge) {
    return from[edge];
  }

  public int otherEnd(int edge, int node) {
    return from[edge] == node ? to[edge] : from[edge];
  }

  /// For each terminal the number of the node it is one with: terminals that parts join for good
  /// are one.
  public int[] joinedNodes() {
    var root = new int[terminals.size()];
    for (var i = 0; i < root.length; i++) root[i] = i;
    for (var edge = 0; edge < edges.size(); edge++) {
      if (!(edges.get(edge) instanceof Edge.Through(_, var link))
          || link.kind() != Link.Kind.JOINED) continue;
      var a = find(root, from[edge]);
      var b = find(root, to[edge]);
      root[Math.max(a, b)] = Math.min(a, b);
    }
    var number = new int[root.length];
    var next = 0;
    for (var i = 0; i < root.length; i++)
      number[i] = find(root, i) == i ? next++ : number[find(root, i)];
    return number;
  }

  private static int find(int[] root, int i) {
    while (root[i] != i) {
      root[i] = root[root[i]];
      i = root[i];
    }
    return i;
  }

  /// Whether any conductor lands on the terminal.
  public boolean wired(TerminalRef terminal) {
    var node = node(terminal);
    if (node < 0) return false;
    for (var i = 0; i < degree(node); i++)
      if (edge(edgeAt(node, i)) instanceof Edge.Wire) return true;
    return false;
  }
}
