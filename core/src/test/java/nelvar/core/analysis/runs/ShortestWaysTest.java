package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import nelvar.core.Panel;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.catalogue.Fitting.Side;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.junit.jupiter.api.Test;

/// Ways in ducts against two ways of finding them that know nothing of ours: every simple path of a
/// small graph, and a general-purpose graph library on large ones. The graph is built here, from
/// the crossings of middle lines.
class ShortestWaysTest {
  private static final List<Side> BOTH = List.of(Side.TOP, Side.BOTTOM);

  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  private static Cabinet cabinet(double width, double height, List<Cabinet.Duct> ducts) {
    return Cabinet.of(
            new Id("C"), "cabinet", Optional.empty(), Shell.onWall(mm(width), mm(height), mm(250)))
        .withDucts(ducts);
  }

  /// A grid with some stretches left out, so that ways go round. Levels every 130 mm, uprights
  /// every 200 mm; each level duct may end at any upright.
  private static List<Cabinet.Duct> grid(SplittableRandom random, int levels, int uprights) {
    var ducts = new ArrayList<Cabinet.Duct>();
    var width = 200.0 * (uprights - 1) + 40;
    for (var u = 0; u < uprights; u++) {
      var from = u == 0 ? 0 : 130.0 * random.nextInt(Math.max(1, levels / 2));
      ducts.add(Panel.duct("V" + u, 200.0 * u, from, 130.0 * levels + 40 - from, true));
    }
    for (var l = 0; l < levels; l++) {
      var last = 1 + random.nextInt(uprights - 1);
      ducts.add(
          Panel.duct("H" + l, 40, 100 + 130.0 * l, last == uprights ? width : 200.0 * last, false));
    }
    return ducts;
  }

  private record Point(double x, double y) {
    double to(Point other) {
      return Math.abs(x - other.x) + Math.abs(y - other.y);
    }
  }

  /// All crossings of middle lines, and the two points asked for, joined along each duct.
  private static SimpleWeightedGraph<Point, DefaultWeightedEdge> graph(
      List<Cabinet.Duct> ducts, List<Point> more) {
    var graph = new SimpleWeightedGraph<Point, DefaultWeightedEdge>(DefaultWeightedEdge.class);
    for (var duct : ducts) {
      var on = new ArrayList<Point>();
      for (var other : ducts)
        if (other.vertical() != duct.vertical()) crossing(duct, other).ifPresent(on::add);
      for (var point : more) if (lies(point, duct)) on.add(point);
      for (var a : on)
        for (var b : on) {
          if (a.equals(b)) continue;
          graph.addVertex(a);
          graph.addVertex(b);
          var edge = graph.addEdge(a, b);
          if (edge != null) graph.setEdgeWeight(edge, a.to(b));
        }
    }
    return graph;
  }

  private static double middle(Cabinet.Duct duct) {
    return (duct.vertical() ? Box.mm(duct.left()) : Box.mm(duct.top())) + Box.mm(duct.width()) / 2;
  }

  private static double from(Cabinet.Duct duct) {
    return duct.vertical() ? Box.mm(duct.top()) : Box.mm(duct.left());
  }

  private static double to(Cabinet.Duct duct) {
    return from(duct) + Box.mm(duct.length());
  }

  private static Optional<Point> crossing(Cabinet.Duct a, Cabinet.Duct b) {
    var level = a.vertical() ? b : a;
    var upright = a.vertical() ? a : b;
    var meets =
        middle(upright) >= from(level) - 70
            && middle(upright) <= to(level) + 70
            && middle(level) >= from(upright) - 70
            && middle(level) <= to(upright) + 70;
    return meets ? Optional.of(new Point(middle(upright), middle(level))) : Optional.empty();
  }

  private static boolean lies(Point point, Cabinet.Duct duct) {
    return duct.vertical()
        ? point.x() == middle(duct) && point.y() >= from(duct) && point.y() <= to(duct)
        : point.y() == middle(duct) && point.x() >= from(duct) && point.x() <= to(duct);
  }

  /// A box just above a level duct enters it at its own middle, 20 mm above the middle line.
  private static Box above(Cabinet.Duct duct, SplittableRandom random) {
    var x = from(duct) + 5 + random.nextInt((int) (Box.mm(duct.length()) - 10));
    return new Box(x - 1, middle(duct) - 30, 2, 10);
  }

  private static double bruteForce(
      SimpleWeightedGraph<Point, DefaultWeightedEdge> graph, Point at, Point to, Set<Point> been) {
    if (at.equals(to)) return 0;
    var best = Double.POSITIVE_INFINITY;
    been.add(at);
    for (var edge : graph.edgesOf(at)) {
      var next =
          graph.getEdgeSource(edge).equals(at)
              ? graph.getEdgeTarget(edge)
              : graph.getEdgeSource(edge);
      if (been.contains(next)) continue;
      best = Math.min(best, graph.getEdgeWeight(edge) + bruteForce(graph, next, to, been));
    }
    been.remove(at);
    return best;
  }

  @Test
  void everySimplePathOfSmallGraphs() {
    var random = new SplittableRandom(15);
    for (var trial = 0; trial < 60; trial++) {
      var ducts = grid(random, 2 + random.nextInt(2), 3);
      var levels = ducts.stream().filter(duct -> !duct.vertical()).toList();
      var a = above(levels.get(random.nextInt(levels.size())), random);
      var b = above(levels.get(random.nextInt(levels.size())), random);
      var ways = DuctWays.of(cabinet(700, 700, ducts));
      var from = ways.access(Surface.PLATE, a, List.of(Side.BOTTOM));
      var to = ways.access(Surface.PLATE, b, List.of(Side.BOTTOM));
      var start = new Point(from.getFirst().x(), from.getFirst().y());
      var end = new Point(to.getFirst().x(), to.getFirst().y());
      var graph = graph(ducts, List.of(start, end));
      assertThat(ways.length(from, to) - 40)
          .as("trial %d", trial)
          .isCloseTo(bruteForce(graph, start, end, new HashSet<>()), within(1e-6));
    }
  }

  @Test
  void aGraphLibraryOnLargeOnes() {
    var random = new SplittableRandom(16);
    for (var trial = 0; trial < 20; trial++) {
      var ducts = grid(random, 12, 10);
      var levels = ducts.stream().filter(duct -> !duct.vertical()).toList();
      var ways = DuctWays.of(cabinet(2200, 2000, ducts));
      for (var pair = 0; pair < 20; pair++) {
        var a = above(levels.get(random.nextInt(levels.size())), random);
        var b = above(levels.get(random.nextInt(levels.size())), random);
        var from = ways.access(Surface.PLATE, a, List.of(Side.BOTTOM));
        var to = ways.access(Surface.PLATE, b, List.of(Side.BOTTOM));
        var start = new Point(from.getFirst().x(), from.getFirst().y());
        var end = new Point(to.getFirst().x(), to.getFirst().y());
        var path =
            new DijkstraShortestPath<>(graph(ducts, List.of(start, end))).getPathWeight(start, end);
        assertThat(ways.length(from, to) - 40).isCloseTo(path, within(1e-6));
      }
    }
  }

  /// What is passed adds up to the way, and no pass leaves its duct by more than the gap two may
  /// have where they meet.
  @Test
  void passesAddUp() {
    var random = new SplittableRandom(17);
    for (var trial = 0; trial < 60; trial++) {
      var ducts = grid(random, 4, 4);
      var levels = ducts.stream().filter(duct -> !duct.vertical()).toList();
      var ways = DuctWays.of(cabinet(900, 900, ducts));
      var a = above(levels.get(random.nextInt(levels.size())), random);
      var b = above(levels.get(random.nextInt(levels.size())), random);
      var way = ways.way(ways.access(Surface.PLATE, a, BOTH), ways.access(Surface.PLATE, b, BOTH));
      if (!way.found()) continue;
      for (var pass : way.passes()) {
        var duct = ducts.stream().filter(d -> d.id().equals(pass.duct())).findFirst().orElseThrow();
        assertThat(pass.from()).isGreaterThanOrEqualTo(from(duct) - 70);
        assertThat(pass.to()).isLessThanOrEqualTo(to(duct) + 70);
      }
      var along = way.passes().stream().mapToDouble(p -> p.to() - p.from()).sum();
      assertThat(along).isLessThanOrEqualTo(way.length() + 1e-6);
    }
  }
}
