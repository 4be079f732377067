package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Lays one path out: in rows, the current coming from above, and side by side so that wires run
/// straight down where they can.
final class PathLayout {
  /// Free steps between two symbols side by side: room for one wire.
  static final int GAP = 2;

  private static final int SWEEPS = 6;

  /// Symbols with their places, counted from the upper left corner of the path.
  ///
  /// @param rows how many it takes
  record Block(List<Put> puts, int width, int rows) {}

  record Put(Piece piece, int x, int row) {}

  private final Paths.Path path;
  private final Map<Piece, Integer> row = new HashMap<>();
  private final Map<Piece, Integer> x = new HashMap<>();
  private final List<List<Piece>> rows = new ArrayList<>();

  private PathLayout(Paths.Path path) {
    this.path = path;
  }

  static Block of(Paths.Path path) {
    var layout = new PathLayout(path);
    layout.rank();
    layout.place();
    return layout.block();
  }

  /// Each row in the order its symbols are listed: what [#of] is measured against.
  static Block plain(Paths.Path path) {
    var layout = new PathLayout(path);
    layout.rank();
    layout.inOrder();
    return layout.block();
  }

  /// How many rows its symbols stand one below the other.
  static Map<Piece, Integer> ranks(Paths.Path path) {
    var layout = new PathLayout(path);
    layout.rank();
    return layout.row;
  }

  private static boolean orders(Paths.Joint joint) {
    return !joint.from().top() && joint.to().top();
  }

  /// Each symbol below all that lead down to it; a ring is cut where it closes.
  private void rank() {
    var down = new HashMap<Piece, List<Piece>>();
    for (var joint : path.joints())
      if (orders(joint))
        down.computeIfAbsent(joint.from().piece(), _ -> new ArrayList<>()).add(joint.to().piece());
    var order = new ArrayList<Piece>();
    var state = new HashMap<Piece, Boolean>();
    var kept = new HashMap<Piece, Set<Piece>>();
    var fed = new HashSet<Piece>();
    down.values().forEach(fed::addAll);
    for (var piece : path.pieces())
      if (!fed.contains(piece)) visit(piece, down, state, kept, order);
    for (var piece : path.pieces()) visit(piece, down, state, kept, order);
    for (var piece : order.reversed()) {
      var at = row.computeIfAbsent(piece, _ -> 0);
      for (var next : kept.getOrDefault(piece, Set.of())) row.merge(next, at + 1, Math::max);
    }
    settle(kept);
    for (var piece : path.pieces()) {
      var at = row.getOrDefault(piece, 0);
      while (rows.size() <= at) rows.add(new ArrayList<>());
      rows.get(at).add(piece);
    }
  }

  /// What nothing leads to stands right above what it feeds, not at the top.
  private void settle(Map<Piece, Set<Piece>> kept) {
    var led = new HashSet<Piece>();
    kept.values().forEach(led::addAll);
    for (var piece : path.pieces()) {
      if (led.contains(piece)) continue;
      kept.getOrDefault(piece, Set.of()).stream()
          .mapToInt(next -> row.getOrDefault(next, 0))
          .min()
          .ifPresent(least -> row.put(piece, Math.max(0, least - 1)));
    }
  }

  private void visit(
      Piece start,
      Map<Piece, List<Piece>> down,
      Map<Piece, Boolean> state,
      Map<Piece, Set<Piece>> kept,
      List<Piece> order) {
    if (state.containsKey(start)) return;
    record Frame(Piece piece, java.util.Iterator<Piece> next) {}
    var stack = new java.util.ArrayDeque<Frame>();
    state.put(start, false);
    stack.push(new Frame(start, down.getOrDefault(start, List.of()).iterator()));
    while (!stack.isEmpty()) {
      var frame = stack.element();
      if (!frame.next().hasNext()) {
        state.put(frame.piece(), true);
        order.add(frame.piece());
        stack.pop();
        continue;
      }
      var next = frame.next().next();
      var seen = state.get(next);
      if (seen == null) {
        state.put(next, false);
        stack.push(new Frame(next, down.getOrDefault(next, List.of()).iterator()));
      }
      // What is still open below on the stack closes a ring.
      if (seen == null || seen) kept.computeIfAbsent(frame.piece(), _ -> new HashSet<>()).add(next);
    }
  }

  private int at(Piece piece) {
    return x.getOrDefault(piece, 0);
  }

  private void inOrder() {
    for (var line : rows) {
      var left = 0;
      for (var piece : line) {
        x.put(piece, left);
        left += piece.width() + GAP;
      }
    }
  }

  private void place() {
    inOrder();
    for (var sweep = 0; sweep < SWEEPS; sweep++) {
      var downwards = sweep % 2 == 0;
      for (var i = 0; i < rows.size(); i++)
        align(rows.get(downwards ? i : rows.size() - 1 - i), downwards);
    }
  }

  /// Moves the symbols of a row under (or over) what they are joined to, in the order of where they
  /// want to be, none over another.
  private void align(List<Piece> line, boolean downwards) {
    var wants = new HashMap<Piece, List<Integer>>();
    for (var piece : line) wants.put(piece, wishes(piece, downwards));
    line.sort(
        Comparator.comparingInt((Piece piece) -> median(wants.getOrDefault(piece, List.of(0))))
            .thenComparingInt(piece -> path.pieces().indexOf(piece)));
    // From the left, as near to where each wants to be as those before it allow.
    var runs = new ArrayList<Run>();
    for (var piece : line) {
      var run = new Run(piece, wants.getOrDefault(piece, List.of(0)));
      while (!runs.isEmpty() && runs.getLast().end() + GAP > run.begin()) {
        run = runs.removeLast().with(run);
      }
      runs.add(run);
    }
    for (var run : runs) {
      var left = run.begin();
      for (var piece : run.pieces) {
        x.put(piece, left);
        left += piece.width() + GAP;
      }
    }
  }

  /// Symbols that touch, standing where most of their wires run straight.
  private static final class Run {
    final List<Piece> pieces = new ArrayList<>();
    private final List<Integer> wishes = new ArrayList<>();
    private int width;

    Run(Piece piece, List<Integer> wanted) {
      pieces.add(piece);
      wishes.addAll(wanted);
      width = piece.width();
    }

    Run with(Run after) {
      for (var wish : after.wishes) wishes.add(wish - width - GAP);
      pieces.addAll(after.pieces);
      width += GAP + after.width;
      return this;
    }

    int begin() {
      return median(wishes);
    }

    int end() {
      return begin() + width;
    }
  }

  private static int median(List<Integer> wishes) {
    return wishes.stream().sorted().toList().get((wishes.size() - 1) / 2);
  }

  /// Where its left edge would be for each of the wires to its neighbours to run straight.
  private List<Integer> wishes(Piece piece, boolean downwards) {
    var here = row.getOrDefault(piece, 0);
    var wishes = new ArrayList<Integer>();
    for (var joint : path.joints()) {
      if (joint.from().piece() != piece && joint.to().piece() != piece) continue;
      var other = joint.other(piece);
      var there = row.getOrDefault(other, 0);
      if (downwards ? there >= here : there <= here) continue;
      var mine = joint.from().piece() == piece ? joint.from() : joint.to();
      var theirs = joint.from().piece() == piece ? joint.to() : joint.from();
      wishes.add(at(other) + theirs.x() - mine.x());
    }
    return wishes.isEmpty() ? List.of(at(piece)) : wishes;
  }

  private Block block() {
    var least = path.pieces().stream().mapToInt(this::at).min().orElse(0);
    var puts = new ArrayList<Put>();
    var width = 0;
    for (var piece : path.pieces()) {
      puts.add(new Put(piece, at(piece) - least, row.getOrDefault(piece, 0)));
      width = Math.max(width, at(piece) - least + piece.width());
    }
    return new Block(puts, width, rows.size());
  }
}
