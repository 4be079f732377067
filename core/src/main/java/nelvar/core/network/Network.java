package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Voltage;

/// The sources of a project, the feeds they serve, and the protective network: who is joined to
/// whom, and which way.
public final class Network {
  private final Topology topology;
  private final List<Source> sources;
  private final Map<Source, List<Walk>> walks;
  private final List<Feed> feeds;
  private final Map<Id, List<Feed>> feedsOf = new HashMap<>();
  private final boolean[] earthed;
  private final Map<Source, List<Source>> banks;

  private Network(
      Topology topology,
      List<Source> sources,
      Map<Source, List<Walk>> walks,
      List<Feed> feeds,
      boolean[] earthed) {
    this.topology = topology;
    this.sources = sources;
    this.walks = walks;
    this.feeds = feeds;
    this.earthed = earthed;
    this.banks = banks(topology, sources, walks);
    for (var feed : feeds)
      feedsOf.computeIfAbsent(feed.device().id(), _ -> new ArrayList<>()).add(feed);
  }

  /// With lengths as they are written.
  public static Network of(Project project, Catalogue catalogue) {
    return of(project, catalogue, Lengths.written(project));
  }

  public static Network of(Project project, Catalogue catalogue, Lengths lengths) {
    var topology = Topology.of(project, catalogue, lengths);
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    // A bridge gives what its winding gives, that what its primary gets: known once it is matched.
    var network = of(topology, sources(topology, Map.of()), scratch);
    for (var chain = 0; chain < LONGEST_CHAIN; chain++) {
      var next = sources(topology, network.fed());
      if (next.equals(network.sources)) break;
      network = of(topology, next, scratch);
    }
    return network;
  }

  /// By device, what its first intake that is fed is fed with.
  private Map<Id, Voltage> fed() {
    var all = new HashMap<Id, Voltage>();
    for (var feed : feeds)
      if (feed.source().isPresent()) all.putIfAbsent(feed.device().id(), feed.voltage());
    return all;
  }

  private static Network of(Topology topology, List<Source> sources, int[] scratch) {
    var walks = new LinkedHashMap<Source, List<Walk>>();
    for (var source : sources) {
      var fromEach = new ArrayList<Walk>();
      for (var terminal : source.terminals())
        fromEach.add(Walk.from(topology.node(terminal), topology, Network::carriesWork, scratch));
      walks.put(source, fromEach);
    }
    var feeds = new Matching(topology, sources, walks).feeds();
    return new Network(topology, sources, walks, feeds, earthed(topology, scratch));
  }

  /// Transformer behind transformer behind a bridge.
  private static final int LONGEST_CHAIN = 4;

  static boolean carriesWork(Edge edge) {
    return switch (edge) {
      case Edge.Wire(var conductor) -> conductor.carriesWork();
      case Edge.Through(_, var link) -> link.joinsWhenAllIsOn();
    };
  }

  private static List<Source> sources(Topology topology, Map<Id, Voltage> fed) {
    var all = new ArrayList<Source>();
    for (var device : topology.project().devices()) {
      topology
          .part(device.id())
          .ifPresent(part ->
              outputs(device, part, topology.project().brief(), fed)
                  .forEach(output -> all.add(new Source(device, output))));
    }
    return all;
  }

  private static List<Output> outputs(Device device, Part part, Brief brief, Map<Id, Voltage> fed) {
    if (!(part instanceof MainsInlet inlet)) {
      var volts = fed.get(device.id());
      return volts == null ? device.outputs(part) : device.outputs(part, volts);
    }
    var supply = brief.supply();
    var lines = new ArrayList<String>();
    for (var line = 1; line <= inlet.lines(); line++) lines.add("L" + line);
    var voltage = inlet.lines() == 1 ? supply.voltage().toNeutral() : supply.voltage().between();
    return List.of(
        new Output(
            "mains",
            lines,
            inlet.neutral() ? Optional.of("N") : Optional.empty(),
            true,
            voltage,
            device.connected().upstream().orElse(supply.upstream())));
  }

  /// Which terminals are joined to a protective terminal of an inlet by protective conductors.
  private static boolean[] earthed(Topology topology, int[] scratch) {
    var reached = new boolean[topology.nodeCount()];
    Predicate<Edge> protective =
        edge ->
            switch (edge) {
              case Edge.Wire(var conductor) ->
                  conductor.function() == Conductor.Function.PROTECTIVE;
              case Edge.Through(_, var link) ->
                  link.kind() == nelvar.core.catalogue.Link.Kind.JOINED;
            };
    for (var device : topology.project().devices()) {
      var part = topology.part(device.id());
      if (part.isEmpty() || !(part.get() instanceof MainsInlet)) continue;
      for (var terminal : part.get().terminals()) {
        if (terminal.role() != Terminal.Role.PROTECTIVE) continue;
        for (var node :
            Walk.from(
                    topology.node(new TerminalRef(device.id(), terminal.name())),
                    topology,
                    protective,
                    scratch)
                .reached()) reached[node] = true;
      }
    }
    return reached;
  }

  public Topology topology() {
    return topology;
  }

  public List<Source> sources() {
    return sources;
  }

  public List<Feed> feeds() {
    return feeds;
  }

  public List<Feed> feeds(Id device) {
    return feedsOf.getOrDefault(device, List.of());
  }

  public List<Source> sources(Device device) {
    return sources.stream().filter(source -> source.device().id().equals(device.id())).toList();
  }

  /// The walks from each terminal of `source`, in the order of its terminals.
  public List<Walk> walks(Source source) {
    return walks.getOrDefault(source, List.of());
  }

  /// The direct-current sources that serve one bus together with this one, itself included: of
  /// equal voltage, their plus and minus joined by wires, contacts or diodes.
  public List<Source> together(Source source) {
    return banks.getOrDefault(source, List.of(source));
  }

  /// The part a source gives of what those that serve one bus with it give together: by its rating,
  /// since the volts that supplies of one kind lose inside go by their rating. Alone: all.
  public double share(Source source) {
    var bank = together(source);
    if (bank.size() == 1) return 1;
    return source.output().rating().amperes()
        / bank.stream().mapToDouble(member -> member.output().rating().amperes()).sum();
  }

  private static Map<Source, List<Source>> banks(
      Topology topology, List<Source> sources, Map<Source, List<Walk>> walks) {
    var banks = new HashMap<Source, List<Source>>();
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    for (var source : sources) {
      if (banks.containsKey(source) || !single(source)) continue;
      if (walks.getOrDefault(source, List.of()).size() < 2) continue;
      var bank =
          sources.stream()
              .filter(other -> other.equals(source) || (single(other) && alike(source, other)))
              .filter(other ->
                  other.equals(source)
                      || joined(
                          source, other, topology, walks.getOrDefault(source, List.of()), scratch))
              .toList();
      if (bank.size() > 1) for (var member : bank) banks.put(member, bank);
    }
    return banks;
  }

  /// Whether plus and minus of both are one at once: not by a changeover that stands on one side or
  /// the other.
  private static boolean joined(
      Source source, Source other, Topology topology, List<Walk> walks, int[] scratch) {
    for (var i = 0; i < 2; i++)
      if (!walks.get(i).reaches(topology.node(other.terminals().get(i)))) return false;
    for (var pressed : new boolean[] {false, true}) {
      Predicate<Edge> stands = edge -> carriesWork(edge) && !handOpens(edge, pressed, topology);
      var all = true;
      for (var i = 0; i < 2; i++)
        all &=
            Walk.from(topology.node(source.terminals().get(i)), topology, stands, scratch)
                .reaches(topology.node(other.terminals().get(i)));
      if (all) return true;
    }
    return false;
  }

  private static boolean handOpens(Edge edge, boolean pressed, Topology topology) {
    if (!(edge instanceof Edge.Through(var device, var link)) || link.actuator().isEmpty())
      return false;
    var hand =
        topology.part(device.id()).stream()
            .flatMap(part -> part.actuators().stream())
            .filter(actuator -> actuator.name().equals(link.actuator().get()))
            .filter(Actuator.Hand.class::isInstance)
            .map(Actuator.Hand.class::cast)
            .findFirst();
    return hand.filter(h -> (pressed != h.onAtRest()) == link.closedAtRest()).isPresent();
  }

  private static boolean single(Source source) {
    return !source.output().alternating()
        && source.output().lines().size() == 1
        && source.output().back().isPresent();
  }

  private static boolean alike(Source a, Source b) {
    return Math.abs(a.output().voltage().volts() - b.output().voltage().volts()) < 0.5;
  }

  public boolean earthed(TerminalRef terminal) {
    var node = topology.node(terminal);
    return node >= 0 && earthed[node];
  }

  /// Pairs of one source's own terminals that wires join, with everything on that can be: a dead
  /// short.
  public Optional<String> shorted(Source source) {
    return joinedPair(source, walks(source));
  }

  /// The same with every relay and contactor let go and every output off; switches that hands move
  /// stand as while the machine runs.
  public Optional<String> shortedAtRest(Source source) {
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    var walks =
        source.terminals().stream()
            .map(terminal ->
                Walk.from(topology.node(terminal), topology, this::joinsAtRest, scratch))
            .toList();
    return joinedPair(source, walks);
  }

  private boolean joinsAtRest(Edge edge) {
    return switch (edge) {
      case Edge.Wire(var conductor) -> conductor.carriesWork();
      case Edge.Through(var device, var link) ->
          switch (link.kind()) {
            case JOINED, PROTECTIVE, DIODE -> true;
            case OUTPUT -> false;
            case CONTACT -> byHand(device, link) ? link.joinsWhenAllIsOn() : link.closedAtRest();
          };
    };
  }

  private boolean byHand(Device device, Link link) {
    return topology.part(device.id()).stream()
        .flatMap(part -> part.actuators().stream())
        .anyMatch(actuator ->
            actuator instanceof Actuator.Hand
                && link.actuator().equals(Optional.of(actuator.name())));
  }

  private Optional<String> joinedPair(Source source, List<Walk> fromEach) {
    var terminals = source.terminals();
    for (var a = 0; a < terminals.size(); a++) {
      for (var b = a + 1; b < terminals.size(); b++) {
        if (fromEach.get(a).reaches(topology.node(terminals.get(b))))
          return Optional.of(terminals.get(a).terminal() + " and " + terminals.get(b).terminal());
      }
    }
    return Optional.empty();
  }

  /// The protective device nearest before the end of `way`, if one is on it.
  public Optional<Feed.Protector> protection(List<Integer> way) {
    for (var i = way.size() - 1; i >= 0; i--) {
      if (topology.edge(way.get(i)) instanceof Edge.Through(var device, var link)
          && link.protection().isPresent())
        return Optional.of(new Feed.Protector(device, link.protection().get()));
    }
    return Optional.empty();
  }

  /// The terminals that are one with `terminal`: joined by wires and by what is always joined
  /// inside devices.
  public List<TerminalRef> joined(TerminalRef terminal) {
    var node = topology.node(terminal);
    if (node < 0) return List.of();
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    Predicate<Edge> fixed =
        edge ->
            carriesWork(edge)
                && !(edge instanceof Edge.Through(_, var link)
                    && link.kind() != nelvar.core.catalogue.Link.Kind.JOINED);
    return Arrays.stream(Walk.from(node, topology, fixed, scratch).reached())
        .mapToObj(topology::terminal)
        .toList();
  }

  /// The terminals reached from one without passing a diode.
  public java.util.Set<TerminalRef> withoutDiodes(TerminalRef terminal) {
    var node = topology.node(terminal);
    if (node < 0) return java.util.Set.of();
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    Predicate<Edge> passes =
        edge ->
            carriesWork(edge)
                && !(edge instanceof Edge.Through(_, var link)
                    && link.kind() == nelvar.core.catalogue.Link.Kind.DIODE);
    var all = new java.util.HashSet<TerminalRef>();
    for (var reached : Walk.from(node, topology, passes, scratch).reached())
      all.add(topology.terminal(reached));
    return all;
  }

  /// The edges without which their ends would be parted: those on no ring of working conductors,
  /// contacts and protective devices.
  public java.util.BitSet bridges() {
    return Bridges.of(topology, Network::carriesWork);
  }

  static Voltage magnitude(nelvar.core.network.solve.Phasor phasor) {
    return new Voltage(phasor.magnitude());
  }
}
