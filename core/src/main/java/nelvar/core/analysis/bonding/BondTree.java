package nelvar.core.analysis.bonding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import nelvar.core.model.TerminalRef;

/// The bonding network as it is drawn: from the inlet's protective terminal outwards, every piece
/// of metal under the one by which it is nearest at 1 MHz, the worst branch first. What joins it
/// besides closes rings.
///
/// @param branches what nothing joins, then the tree, parents before their children
/// @param rings those that matter, each between two rows
public record BondTree(List<Branch> branches, List<Ring> rings) {
  /// @param depth 0 of the inlet, and of what nothing joins
  /// @param by what joins it to its parent
  /// @param also what else joins it to anything
  public record Branch(Bonding.Piece piece, int depth, Optional<Bond> by, List<Bond> also) {}

  /// @param from row of one end; @param to row of the other
  public record Ring(Bond closes, int from, int to) {}

  private record Reached(int node, double ohms, Optional<Bond> by, int parent) {}

  public static BondTree of(Bonding net) {
    return new Growing(net).tree();
  }

  private static final class Growing {
    private final Bonding net;
    private final Map<Integer, Bonding.Piece> pieces;
    private final Map<Integer, Reached> reached = new HashMap<>();
    private final Map<Integer, List<Integer>> children = new HashMap<>();
    private final List<Branch> branches = new ArrayList<>();
    private final Map<Integer, Integer> rows = new HashMap<>();

    Growing(Bonding net) {
      this.net = net;
      this.pieces = net.solved();
    }

    BondTree tree() {
      net.inlet().ifPresent(this::reach);
      for (var node : pieces.keySet()) if (!reached.containsKey(node)) grow(node, 0);
      net.inlet().filter(pieces::containsKey).ifPresent(root -> grow(root, 0));
      return new BondTree(List.copyOf(branches), rings());
    }

    /// The nearest way to each, joint by joint.
    private void reach(int inlet) {
      var next = new PriorityQueue<Reached>(Comparator.comparingDouble(Reached::ohms));
      next.add(new Reached(inlet, 0, Optional.empty(), -1));
      while (!next.isEmpty()) {
        var now = next.remove();
        if (reached.putIfAbsent(now.node(), now) != null) continue;
        children.computeIfAbsent(now.parent(), _ -> new ArrayList<>()).add(now.node());
        for (var bond : net.bonds()) {
          int a = net.node(bond.from());
          int b = net.node(bond.to());
          if (a == b || (a != now.node() && b != now.node())) continue;
          var other = a == now.node() ? b : a;
          var ohms = Math.hypot(bond.ohms(), 2 * Math.PI * Bonding.FAST * bond.henry());
          next.add(new Reached(other, now.ohms() + ohms, Optional.of(bond), now.node()));
        }
      }
    }

    private void grow(int node, int depth) {
      var piece = pieces.get(node);
      var below = children.getOrDefault(node, List.of());
      if (piece != null) {
        var by = by(node);
        var also =
            net.of(piece).stream()
                .filter(bond -> by.filter(b -> b == bond).isEmpty())
                .filter(bond ->
                    below.stream().noneMatch(child -> by(child).filter(b -> b == bond).isPresent()))
                .toList();
        rows.put(node, branches.size());
        branches.add(new Branch(piece, depth, by, also));
      }
      below.stream()
          .sorted(Comparator.comparingDouble(this::worst).reversed())
          .forEach(child -> grow(child, piece == null ? depth : depth + 1));
    }

    private Optional<Bond> by(int node) {
      return Optional.ofNullable(reached.get(node)).flatMap(Reached::by);
    }

    /// Of a branch, Ω at 1 MHz.
    private double worst(int node) {
      var worst = Optional.ofNullable(pieces.get(node)).flatMap(Bonding.Piece::fast).orElse(0.0);
      for (var child : children.getOrDefault(node, List.of()))
        worst = Math.max(worst, worst(child));
      return worst;
    }

    private List<Ring> rings() {
      var all = new ArrayList<Ring>();
      for (var loop : net.loops()) {
        if (!loop.matters()) continue;
        var from = row(loop.closes().from());
        var to = row(loop.closes().to());
        // 0 V that is earthed again closes its ring from where it is earthed first.
        var again =
            net.zeroVolt().stream()
                .filter(z -> z.wires().size() > 1)
                .filter(z ->
                    z.wires().stream().skip(1).anyMatch(w -> w.id().equals(loop.closes().about())))
                .findFirst();
        if (again.isPresent()) {
          var first = again.get().wires().getFirst();
          from = deeper(first.from(), first.to());
          to = deeper(loop.closes().from(), loop.closes().to());
        }
        if (from.isPresent() && to.isPresent() && !from.equals(to))
          all.add(new Ring(loop.closes(), from.get(), to.get()));
      }
      return List.copyOf(all);
    }

    /// The end of a wire to earth that is the deeper in the tree: its 0 V.
    private Optional<Integer> deeper(TerminalRef a, TerminalRef b) {
      var one = row(a);
      var other = row(b);
      if (one.isEmpty() || other.isEmpty()) return one.isPresent() ? one : other;
      return branches.get(one.get()).depth() > branches.get(other.get()).depth() ? one : other;
    }

    private Optional<Integer> row(TerminalRef end) {
      return Optional.ofNullable(rows.get(net.node(end)));
    }
  }
}
