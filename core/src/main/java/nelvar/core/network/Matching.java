package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Phasor;
import nelvar.core.units.Voltage;

/// Finds for every intake the source that reaches all its lines and its way back.
final class Matching {
  private final Topology topology;
  private final Map<Source, List<Walk>> walks;

  /// For every node that an intake uses: the sources that reach it, each with the number of its
  /// terminal.
  private final Map<Integer, List<Hit>> hits = new HashMap<>();

  private record Hit(Source source, int terminal) {}

  Matching(Topology topology, List<Source> sources, Map<Source, List<Walk>> walks) {
    this.topology = topology;
    this.walks = walks;
    forEachIntake((device, intake) -> {
      for (var line : intake.lines()) hits.putIfAbsent(node(device, line), new ArrayList<>());
      intake.back().ifPresent(back -> hits.putIfAbsent(node(device, back), new ArrayList<>()));
    });
    for (var source : sources) {
      var fromEach = walks.getOrDefault(source, List.of());
      for (var terminal = 0; terminal < fromEach.size(); terminal++) {
        for (var node : fromEach.get(terminal).reached()) {
          var list = hits.get(node);
          if (list != null) list.add(new Hit(source, terminal));
        }
      }
    }
  }

  private interface IntakeVisitor {
    void visit(Device device, Intake intake);
  }

  private void forEachIntake(IntakeVisitor visitor) {
    for (var device : topology.project().devices()) {
      topology
          .part(device.id())
          .ifPresent(part -> device.intakes(part).forEach(intake -> visitor.visit(device, intake)));
    }
  }

  private int node(Device device, String terminal) {
    return topology.node(new TerminalRef(device.id(), terminal));
  }

  List<Feed> feeds() {
    var feeds = new ArrayList<Feed>();
    forEachIntake((device, intake) -> feeds.add(match(device, intake)));
    return feeds;
  }

  private Feed match(Device device, Intake intake) {
    var lines = intake.lines().stream().map(line -> node(device, line)).toList();
    var back = intake.back().map(terminal -> node(device, terminal));
    var found = fedFrom(device, intake, lines, back);
    if (found.isEmpty() && intake.eitherWay() && back.isPresent()) {
      found = fedFrom(device, turned(intake), List.of(back.get()), Optional.of(lines.getFirst()));
    }
    if (found.isEmpty()) found = inSeries(device, intake, lines, back);
    if (found.isEmpty()) found = throughAnother(device, intake, lines, back);
    if (found.isPresent()) return found.get();
    var anyLine = lines.stream().anyMatch(node -> !hits.getOrDefault(node, List.of()).isEmpty());
    return new Feed(
        device,
        intake,
        Optional.empty(),
        List.of(),
        -1,
        List.of(),
        List.of(),
        new Voltage(0),
        List.of(),
        anyLine ? Feed.State.NO_RETURN : Feed.State.NO_SUPPLY);
  }

  private Optional<Feed> fedFrom(
      Device device, Intake intake, List<Integer> lines, Optional<Integer> back) {
    for (var hit : hits.getOrDefault(lines.getFirst(), List.of())) {
      var source = hit.source();
      if (source.device().id().equals(device.id())) continue;
      var lineTerminals = lines.stream().map(node -> terminalOf(source, node)).toList();
      var backTerminal = back.map(node -> terminalOf(source, node)).orElse(Integer.MAX_VALUE);
      if (lineTerminals.contains(-1) || backTerminal == -1) continue;
      var voltages = source.voltages();
      var ways = new ArrayList<List<Integer>>();
      for (var i = 0; i < lines.size(); i++)
        ways.add(walks(source).get(lineTerminals.get(i)).way(lines.get(i)));
      var backWay =
          back.isPresent() ? walks(source).get(backTerminal).way(back.get()) : List.<Integer>of();
      var reference =
          intake.threePhase()
              ? voltages.get(lineTerminals.get(1))
              : back.isPresent() ? voltages.get(backTerminal) : Phasor.ZERO;
      // The way back of a plus-to-minus load must lie below its line: the same terminal twice is no
      // supply.
      var voltage = Network.magnitude(voltages.get(lineTerminals.getFirst()).minus(reference));
      if (!source.output().alternating()
          && back.isPresent()
          && lineTerminals.getFirst() > backTerminal
          && !intake.eitherWay()) continue;
      if (voltage.volts() == 0) continue;
      return Optional.of(
          new Feed(
              device,
              intake,
              Optional.of(source),
              lineTerminals,
              back.isPresent() ? backTerminal : -1,
              ways,
              backWay,
              voltage,
              List.of(),
              Feed.State.FED));
    }
    return Optional.empty();
  }

  /// From the line of one source to the back of another below it: two windings of a transformer,
  /// two direct-current supplies. Windings the other way round give the difference of their volts,
  /// which is nothing to work with.
  private Optional<Feed> inSeries(
      Device device, Intake intake, List<Integer> lines, Optional<Integer> back) {
    if (lines.size() != 1 || back.isEmpty()) return Optional.empty();
    for (var ends :
        List.of(List.of(lines.getFirst(), back.get()), List.of(back.get(), lines.getFirst()))) {
      var turned = !ends.getFirst().equals(lines.getFirst());
      if (turned && !intake.eitherWay()) break;
      for (var upper : hits.getOrDefault(ends.getFirst(), List.of()))
        for (var lower : hits.getOrDefault(ends.getLast(), List.of())) {
          if (upper.terminal() != 0 || lower.terminal() != 1) continue;
          if (!stack(upper.source(), lower.source(), device)) continue;
          var between =
              walks(upper.source())
                  .get(1)
                  .way(topology.node(lower.source().terminals().getFirst()));
          var backWay = new ArrayList<>(between);
          backWay.addAll(walks(lower.source()).get(1).way(ends.getLast()));
          return Optional.of(
              new Feed(
                  device,
                  turned ? turned(intake) : intake,
                  Optional.of(upper.source()),
                  List.of(0),
                  1,
                  List.of(walks(upper.source()).getFirst().way(ends.getFirst())),
                  backWay,
                  new Voltage(
                      upper.source().output().voltage().volts()
                          + lower.source().output().voltage().volts()),
                  List.of(lower.source()),
                  Feed.State.FED));
        }
    }
    return Optional.empty();
  }

  /// A winding in series with that of another motor: the current that one drive sets flows through
  /// both, one after the other.
  private Optional<Feed> throughAnother(
      Device device, Intake intake, List<Integer> lines, Optional<Integer> back) {
    if (lines.size() != 1 || back.isEmpty() || !winding(intake)) return Optional.empty();
    var line = lines.getFirst();
    for (var source : walks.keySet()) {
      if (!source.output().back().isPresent() || walks(source).size() != 2 || !chops(source))
        continue;
      var first = terminalOf(source, line) == 0;
      var last = terminalOf(source, back.get()) == 1;
      if (first == last) continue;
      var between = reached(first ? back.get() : line);
      var other = beyond(device, between, first, source);
      if (other < 0) continue;
      return Optional.of(
          new Feed(
              device,
              intake,
              Optional.of(source),
              List.of(0),
              1,
              List.of(walks(source).getFirst().way(first ? line : other)),
              walks(source).get(1).way(first ? other : back.get()),
              source.output().voltage(),
              List.of(),
              Feed.State.FED));
    }
    return Optional.empty();
  }

  private static boolean winding(Intake intake) {
    return intake.demand() instanceof Demand.FixedCurrent;
  }

  private boolean chops(Source source) {
    return topology.part(source.device().id()).filter(Part::chops).isPresent();
  }

  private Set<Integer> reached(int node) {
    var scratch = new int[topology.nodeCount()];
    Arrays.fill(scratch, -1);
    return Arrays.stream(Walk.from(node, topology, Network::carriesWork, scratch).reached())
        .boxed()
        .collect(Collectors.toSet());
  }

  /// The far end of the other winding that hangs between, on the source's other terminal; -1 where
  /// there is none.
  private int beyond(Device device, Set<Integer> between, boolean first, Source source) {
    var found = new int[] {-1};
    forEachIntake((other, intake) -> {
      if (other.id().equals(device.id()) || !winding(intake) || intake.back().isEmpty()) return;
      var near = node(other, first ? intake.lines().getFirst() : intake.back().get());
      var far = node(other, first ? intake.back().get() : intake.lines().getFirst());
      if (between.contains(near) && terminalOf(source, far) == (first ? 1 : 0)) found[0] = far;
    });
    return found[0];
  }

  /// Whether the back of one leads to the line of the other, and their volts add.
  private boolean stack(Source upper, Source lower, Device load) {
    var a = upper.output();
    var b = lower.output();
    return !upper.equals(lower)
        && !upper.device().id().equals(load.id())
        && !lower.device().id().equals(load.id())
        && a.lines().size() == 1
        && b.lines().size() == 1
        && a.back().isPresent()
        && b.back().isPresent()
        && a.alternating() == b.alternating()
        && (!a.alternating() || upper.device().id().equals(lower.device().id()))
        && walks(upper).size() == 2
        && walks(lower).size() == 2
        && Arrays.stream(walks(upper).get(1).reached())
            .anyMatch(node -> node == topology.node(lower.terminals().getFirst()));
  }

  private static Intake turned(Intake intake) {
    return new Intake(
        intake.name(),
        List.of(intake.back().orElseThrow()),
        Optional.of(intake.lines().getFirst()),
        intake.accepts(),
        intake.demand(),
        intake.inrush(),
        true);
  }

  private List<Walk> walks(Source source) {
    return walks.getOrDefault(source, List.of());
  }

  private int terminalOf(Source source, int node) {
    for (var hit : hits.getOrDefault(node, List.of()))
      if (hit.source() == source) return hit.terminal();
    return -1;
  }
}
