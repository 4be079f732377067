package nelvar.core.network.solve;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;

/// The parts of a network that do not reach each other: whatever one does, the volts across the
/// elements of another stay as they are.
///
/// Two circuits that meet in one node only (the bar of the protective conductors) are apart:
/// nothing flows from one to the other. They are the biconnected components of the network
/// (Hopcroft and Tarjan 1973), joined again by what hands power on: windings, and converters that
/// may be on.
final class Parts {
  private final Grid grid;
  private final List<Inputs.Bridged> bridges;
  private final int firstBridge;
  private final int firstEmf;
  private final int firstLoad;
  private final int firstTransformer;
  private final Sets sets;
  private final int[] root;

  private Parts(Grid grid, Inputs inputs) {
    this.grid = grid;
    this.bridges = inputs.bridges();
    this.firstBridge = grid.branches().size();
    this.firstEmf = firstBridge + bridges.size();
    this.firstLoad = firstEmf + grid.emfs().size();
    this.firstTransformer = firstLoad + grid.loads().size();
    this.sets = new Sets(firstTransformer + grid.transformers().size());
    new Search(edges(inputs)).run();
    handOn(inputs);
    this.root = sets.roots();
  }

  static Parts of(Grid grid, Inputs inputs) {
    return new Parts(grid, inputs);
  }

  int ofBranch(int branch) {
    return root[branch];
  }

  int ofBridge(int bridge) {
    return root[firstBridge + bridge];
  }

  int ofEmf(int emf) {
    return root[firstEmf + emf];
  }

  int ofLoad(int load) {
    return root[firstLoad + load];
  }

  int ofTransformer(int transformer) {
    return root[firstTransformer + transformer];
  }

  /// The part of a source; -1 where it has no voltage of its own.
  int ofGroup(int group) {
    for (var i = 0; i < grid.emfs().size(); i++)
      if (grid.emfs().get(i).group() == group) return ofEmf(i);
    return -1;
  }

  /// The parts with a source that may give.
  List<Integer> withSource(Inputs inputs) {
    var all = new TreeSet<Integer>();
    for (var i = 0; i < grid.emfs().size(); i++)
      if (inputs.allowed(grid.emfs().get(i).group())) all.add(ofEmf(i));
    return List.copyOf(all);
  }

  private record Ends(int a, int b, int element) {}

  private List<Ends> edges(Inputs inputs) {
    var all = new ArrayList<Ends>();
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (inputs.closes(i)) all.add(new Ends(branch.a(), branch.b(), i));
    }
    for (var i = 0; i < bridges.size(); i++)
      all.add(new Ends(bridges.get(i).a(), bridges.get(i).b(), firstBridge + i));
    for (var i = 0; i < grid.emfs().size(); i++)
      all.add(new Ends(grid.emfs().get(i).minus(), grid.emfs().get(i).plus(), firstEmf + i));
    for (var i = 0; i < grid.loads().size(); i++)
      all.add(new Ends(grid.loads().get(i).a(), grid.loads().get(i).b(), firstLoad + i));
    for (var i = 0; i < grid.transformers().size(); i++) {
      var t = grid.transformers().get(i);
      all.add(new Ends(t.a(), t.b(), firstTransformer + i));
      all.add(new Ends(t.c(), t.d(), firstTransformer + i));
    }
    return all;
  }

  /// The lines of one source, and what a converter joins.
  private void handOn(Inputs inputs) {
    var first = new int[grid.groups().size()];
    Arrays.fill(first, -1);
    for (var i = 0; i < grid.emfs().size(); i++) {
      var group = grid.emfs().get(i).group();
      if (first[group] < 0) first[group] = firstEmf + i;
      sets.join(first[group], firstEmf + i);
    }
    for (var converter : grid.converters()) {
      var loads = converter.loads();
      for (var load : loads) sets.join(firstLoad + loads.getFirst(), firstLoad + load);
      if (inputs.allowed(converter.group()) && first[converter.group()] >= 0)
        sets.join(firstLoad + loads.getFirst(), first[converter.group()]);
    }
  }

  /// Walks depth first, without recursion, so that a long chain of wires does not exhaust a stack.
  private final class Search {
    private final List<Ends> edges;
    private final int[][] at = new int[grid.nodes()][];
    private final int[] entered = new int[grid.nodes()];
    private final int[] lowest = new int[grid.nodes()];
    private final int[] next = new int[grid.nodes()];
    private final int[] by = new int[grid.nodes()];
    private final int[] path = new int[grid.nodes()];
    private final int[] pending;
    private int count;
    private int clock;

    Search(List<Ends> edges) {
      this.edges = edges;
      this.pending = new int[edges.size()];
      var degree = new int[grid.nodes()];
      for (var edge : edges) {
        degree[edge.a()]++;
        degree[edge.b()]++;
      }
      for (var node = 0; node < degree.length; node++) at[node] = new int[degree[node]];
      Arrays.fill(degree, 0);
      for (var i = 0; i < edges.size(); i++) {
        at[edges.get(i).a()][degree[edges.get(i).a()]++] = i;
        at[edges.get(i).b()][degree[edges.get(i).b()]++] = i;
      }
      Arrays.fill(by, -1);
    }

    void run() {
      for (var node = 0; node < entered.length; node++) if (entered[node] == 0) from(node);
    }

    private void from(int start) {
      var depth = 0;
      path[0] = start;
      enter(start);
      while (depth >= 0) {
        var node = path[depth];
        if (next[node] == at[node].length) {
          depth--;
          if (depth >= 0) leave(node, path[depth]);
          continue;
        }
        var edge = at[node][next[node]++];
        var other = edges.get(edge).a() == node ? edges.get(edge).b() : edges.get(edge).a();
        if (edge == by[node] || other == node) continue;
        if (entered[other] == 0) {
          pending[count++] = edge;
          by[other] = edge;
          enter(other);
          path[++depth] = other;
        } else if (entered[other] < entered[node]) {
          pending[count++] = edge;
          lowest[node] = Math.min(lowest[node], entered[other]);
        }
      }
    }

    private void enter(int node) {
      entered[node] = ++clock;
      lowest[node] = clock;
    }

    /// Back from a node to the one before: where nothing leads round that, all since is a part.
    private void leave(int node, int parent) {
      lowest[parent] = Math.min(lowest[parent], lowest[node]);
      if (lowest[node] < entered[parent]) return;
      var last = by[node];
      int edge;
      do {
        edge = pending[--count];
        sets.join(edges.get(last).element(), edges.get(edge).element());
      } while (edge != last);
    }
  }
}
