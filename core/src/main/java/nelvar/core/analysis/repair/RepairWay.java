package nelvar.core.analysis.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.network.Source;
import nelvar.core.network.Topology;
import nelvar.core.network.WhatIf;

/// The way from a source to one load, terminal by terminal, with the volts a meter shows on it
/// while the load is on, and while the machine rests: running with its stops reset, its program off
/// and nobody pressing anything.
///
/// A load on three lines, or on two without a way back, is measured from its first line to its
/// second; each other one from its line to where its way back leads. The order from the source on
/// is the order in which a fault is looked for: the last terminal with volts, the first without.
///
/// @param protector the protective device nearest before it
/// @param onIn the state in which it is on, in words; empty where no state was found
/// @param points from the source to the load, and its way back from there
public record RepairWay(
    Feed feed, Optional<Feed.Protector> protector, Optional<String> onIn, List<Point> points) {
  /// A load with less than this share of its volts is not on.
  private static final double ON = 0.5;

  public RepairWay {
    points = List.copyOf(points);
  }

  /// @param against where the meter's other probe is
  public record Point(TerminalRef at, TerminalRef against, Reading on, Reading rest) {}

  /// What a meter shows.
  public sealed interface Reading {
    record Volts(Live.Both value) implements Reading {}

    /// Nothing joins the two probes: what a meter shows there means nothing.
    record Floats() implements Reading {}

    /// No state of the machine was found.
    record Unknown() implements Reading {}
  }

  /// The ways of all loads something feeds, in the order of the devices.
  public static List<RepairWay> all(Study study) {
    return study.once(
        RepairWay.class,
        () ->
            study.network().feeds().stream()
                .filter(feed -> feed.state() == Feed.State.FED && feed.source().isPresent())
                .filter(feed -> feed.voltage().volts() > 0 && !feed.lineWays().isEmpty())
                .map(feed -> of(feed, study))
                .toList());
  }

  /// The machine as it runs, with its program off and nobody at it.
  public static Live atRest(Study study) {
    return study.once(
        "repair at rest",
        () -> {
          var conditions = Conditions.usual(study.project().brief().surroundings().inside());
          var programs = study.engine().circuitry(conditions.wires()).programs();
          return study.engine().solve(WhatIf.AS_DESIGNED.holding(programs, false), conditions);
        });
  }

  private static RepairWay of(Feed feed, Study study) {
    var on = MachineStates.of(study).stream().filter(state -> runs(feed, state.live())).findFirst();
    var rest = atRest(study);
    var points = new ArrayList<Point>();
    var ways = ways(feed, study.network().topology());
    var across = across(feed, ways, study.network().topology());
    for (var n = 0; n < ways.getFirst().size(); n++) {
      var at = ways.getFirst().get(n);
      var against = across.get(Math.min(n, across.size() - 1));
      points.add(
          new Point(
              at,
              against,
              on.map(state -> read(state.live(), at, against)).orElse(new Reading.Unknown()),
              read(rest, at, against)));
    }
    // From the load back to the source, which is what is measured against.
    for (var at : back(feed, study.network().topology()).reversed())
      points.add(
          new Point(
              at,
              across.getLast(),
              on.map(state -> read(state.live(), at, across.getLast()))
                  .orElse(new Reading.Unknown()),
              read(rest, at, across.getLast())));
    return new RepairWay(
        feed,
        study.network().protection(feed.lineWays().getFirst()),
        on.map(MachineStates.State::name),
        points);
  }

  private static boolean runs(Feed feed, Live live) {
    return live.at(feed.device(), feed.intake())
        .filter(volts -> volts.volts() >= ON * feed.voltage().volts())
        .isPresent();
  }

  private static Reading read(Live live, TerminalRef at, TerminalRef against) {
    if (!live.known(at, against)) return new Reading.Unknown();
    return live.voltage(at, against)
        .<Reading>map(Reading.Volts::new)
        .orElseGet(Reading.Floats::new);
  }

  /// The terminals of each line's way, from the source on.
  private static List<List<TerminalRef>> ways(Feed feed, Topology topology) {
    var all = new ArrayList<List<TerminalRef>>();
    for (var line = 0; line < feed.lineWays().size(); line++)
      all.add(way(feed, feed.intake().lines().get(line), feed.lineWays().get(line), topology));
    return all;
  }

  /// The terminals of its way back, from the source's on without that one; empty where it has none.
  private static List<TerminalRef> back(Feed feed, Topology topology) {
    return feed.intake()
        .back()
        .map(back -> way(feed, back, feed.backWay(), topology))
        .map(way -> way.subList(1, way.size()))
        .orElse(List.of());
  }

  private static List<TerminalRef> way(
      Feed feed, String terminal, List<Integer> edges, Topology topology) {
    var node = topology.node(new TerminalRef(feed.device().id(), terminal));
    var way = new ArrayList<TerminalRef>();
    way.add(topology.terminal(node));
    for (var edge : edges.reversed()) {
      node = topology.otherEnd(edge, node);
      way.add(topology.terminal(node));
    }
    return way.reversed();
  }

  /// Where the other probe is, step by step: at the source's terminal that the way back leads to,
  /// or on the second line beside the first.
  private static List<TerminalRef> across(
      Feed feed, List<List<TerminalRef>> ways, Topology topology) {
    var back = back(feed, topology);
    if (!back.isEmpty())
      return List.of(
          way(feed, feed.intake().back().orElseThrow(), feed.backWay(), topology).getFirst());
    if (ways.size() < 2) return List.of(ways.getFirst().getFirst());
    return ways.get(0).size() == ways.get(1).size() ? ways.get(1) : List.of(ways.get(1).getFirst());
  }

  /// Whether all of it is measured against one place.
  public boolean oneProbe() {
    return points.stream().map(Point::against).distinct().count() == 1;
  }

  public Source source() {
    return feed.source().orElseThrow();
  }
}
