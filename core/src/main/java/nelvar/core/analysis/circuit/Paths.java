package nelvar.core.analysis.circuit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// Symbols that stand together: those of one function of the machine that wires join, without what
/// only a bar joins.
final class Paths {
  /// Wires between symbols of one path, and the function it serves.
  record Path(Optional<Id> function, List<Piece> pieces, List<Joint> joints) {}

  /// A wire between two symbols.
  ///
  /// @param from the symbol the current comes from
  record Joint(Conductor wire, Pieces.Landing from, Pieces.Landing to) {
    Piece other(Piece one) {
      return from.piece() == one ? to.piece() : from.piece();
    }
  }

  private final Study study;
  private final Pieces pieces;
  private final Map<Piece, List<Joint>> joints = new HashMap<>();

  /// Of each symbol, its place in the list of all.
  private final Map<Piece, Integer> order = new HashMap<>();

  private final Map<Piece, Id> serves = new HashMap<>();

  private Paths(Study study, Pieces pieces) {
    this.study = study;
    this.pieces = pieces;
    for (var piece : pieces.all()) {
      joints.put(piece, new ArrayList<>());
      order.put(piece, order.size());
    }
  }

  static Paths of(Study study, Pieces pieces) {
    var paths = new Paths(study, pieces);
    paths.join();
    paths.assign();
    return paths;
  }

  private void join() {
    for (var wire : study.project().conductors()) {
      var first = pieces.first(wire);
      var from = pieces.landing(first, wire.id());
      var to = pieces.landing(Pieces.beyond(wire, first), wire.id());
      if (from.isEmpty() || to.isEmpty() || from.get().piece() == to.get().piece()) continue;
      var joint = new Joint(wire, from.get(), to.get());
      joints.getOrDefault(joint.from().piece(), List.of()).add(joint);
      joints.getOrDefault(joint.to().piece(), List.of()).add(joint);
    }
  }

  /// A symbol serves what its device serves; a pin of a board what it leads to; what stands before
  /// one function alone serves that.
  private void assign() {
    for (var piece : pieces.all()) {
      var board = study.part(piece.device()).filter(p -> p.logic().isPresent()).isPresent();
      if (!board || piece.main())
        piece.device().serves().ifPresent(function -> serves.put(piece, function));
    }
    var changed = true;
    while (changed) {
      changed = false;
      for (var piece : pieces.all()) {
        if (serves.containsKey(piece)) continue;
        var only = piece.main() || !board(piece) ? before(piece) : beside(piece);
        if (only.isEmpty()) continue;
        serves.put(piece, only.get());
        changed = true;
      }
    }
  }

  private boolean board(Piece piece) {
    return study.part(piece.device()).filter(p -> p.logic().isPresent()).isPresent();
  }

  /// The one function that all that it feeds serves.
  private Optional<Id> before(Piece piece) {
    var found = new HashSet<Id>();
    for (var pin : piece.pins())
      for (var wire : pin.wires()) {
        var conductor = study.conductor(wire).orElseThrow();
        if (!conductor.carriesWork() || !pieces.first(conductor).equals(pin.terminal())) continue;
        var next = pieces.landing(Pieces.beyond(conductor, pin.terminal()), wire);
        if (next.isEmpty()) {
          if (!pin.top() && back(pin.terminal(), conductor)) continue;
          return Optional.empty();
        }
        var function = serves.get(next.get().piece());
        if (function == null) return Optional.empty();
        found.add(function);
      }
    return found.size() == 1 ? Optional.of(found.iterator().next()) : Optional.empty();
  }

  /// Whether a wire to a bar is a way back.
  private boolean back(TerminalRef from, Conductor wire) {
    return study
        .device(Pieces.beyond(wire, from).device())
        .flatMap(study::part)
        .flatMap(part -> part.row())
        .flatMap(row -> row.role())
        .filter(role ->
            switch (role) {
              case MINUS, NEUTRAL, PROTECTIVE -> true;
              case LINE, PLUS, CONTACT, SIGNAL -> false;
            })
        .isPresent();
  }

  private Optional<Id> beside(Piece piece) {
    return joints.getOrDefault(piece, List.of()).stream()
        .flatMap(joint -> Optional.ofNullable(serves.get(joint.other(piece))).stream())
        .findFirst();
  }

  /// The function each symbol stands with; none for what serves all.
  Map<Piece, Optional<Id>> serves() {
    var all = new HashMap<Piece, Optional<Id>>();
    for (var piece : pieces.all()) all.put(piece, Optional.ofNullable(serves.get(piece)));
    return all;
  }

  /// Those of the whole machine first, then function by function.
  List<Path> all(Set<Piece> among) {
    var all =
        new ArrayList<>(
            connected(pieces.all().stream().filter(among::contains).toList(), this::same));
    var rank = new HashMap<Id, Integer>();
    for (var function : study.project().functions()) rank.put(function.id(), rank.size());
    all.sort(
        java.util.Comparator.comparingInt(
            path -> path.function().map(f -> rank.getOrDefault(f, rank.size())).orElse(-1)));
    return all;
  }

  private boolean same(Joint joint) {
    return Optional.ofNullable(serves.get(joint.from().piece()))
        .equals(Optional.ofNullable(serves.get(joint.to().piece())));
  }

  /// What the wires that count join, in the order of the symbols.
  private List<Path> connected(List<Piece> among, java.util.function.Predicate<Joint> counts) {
    var left = new java.util.LinkedHashSet<>(among);
    var all = new ArrayList<Path>();
    while (!left.isEmpty()) {
      var members = reached(left.iterator().next(), left, counts);
      var ordered =
          members.stream()
              .sorted(java.util.Comparator.comparingInt(piece -> order.getOrDefault(piece, 0)))
              .toList();
      var inside = new ArrayList<Joint>();
      for (var piece : ordered)
        for (var joint : joints.getOrDefault(piece, List.of()))
          if (joint.from().piece() == piece
              && members.contains(joint.to().piece())
              && counts.test(joint)) inside.add(joint);
      all.add(new Path(Optional.ofNullable(serves.get(ordered.getFirst())), ordered, inside));
      left.removeAll(members);
    }
    return all;
  }

  /// The same in pieces that have room on a sheet: cut below every so many rows, then at the symbol
  /// that most wires lead to.
  List<Path> cut(Path path, int rows, int steps) {
    var ranks = PathLayout.ranks(path);
    var tall = ranks.values().stream().anyMatch(rank -> rank >= rows);
    if (tall)
      return connected(
              path.pieces(),
              joint ->
                  same(joint)
                      && ranks.getOrDefault(joint.from().piece(), 0) / rows
                          == ranks.getOrDefault(joint.to().piece(), 0) / rows)
          .stream()
          .flatMap(part -> cut(part, rows, steps).stream())
          .toList();
    if (path.pieces().size() < 2 || PathLayout.of(path).width() <= steps) return List.of(path);
    var count = new HashMap<Piece, Integer>();
    for (var joint : path.joints()) {
      count.merge(joint.from().piece(), 1, Integer::sum);
      count.merge(joint.to().piece(), 1, Integer::sum);
    }
    var most =
        path.pieces().stream()
            .max(java.util.Comparator.comparingInt(piece -> count.getOrDefault(piece, 0)))
            .orElseThrow();
    var inside = new HashSet<>(path.joints());
    return connected(
            path.pieces(),
            joint ->
                inside.contains(joint)
                    && joint.from().piece() != most
                    && joint.to().piece() != most)
        .stream()
        .flatMap(part -> cut(part, rows, steps).stream())
        .toList();
  }

  private Set<Piece> reached(
      Piece start, Set<Piece> among, java.util.function.Predicate<Joint> counts) {
    var seen = new HashSet<Piece>(Set.of(start));
    var queue = new ArrayDeque<Piece>(List.of(start));
    while (!queue.isEmpty()) {
      var piece = queue.remove();
      for (var joint : joints.getOrDefault(piece, List.of())) {
        var other = joint.other(piece);
        if (counts.test(joint) && among.contains(other) && seen.add(other)) queue.add(other);
      }
    }
    return seen;
  }
}
