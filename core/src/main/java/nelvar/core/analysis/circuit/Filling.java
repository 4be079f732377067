package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.model.Drawn;
import nelvar.core.model.Id;

/// Puts paths on sheets, each as far left and up as there is room; those of one function stand
/// together. What has a place already keeps it.
final class Filling {
  /// A new function begins a new sheet when the one before is this full.
  private static final double FULL = 0.7;

  private final SheetFormat format;
  private final List<Filled> all = new ArrayList<>();

  Filling(SheetFormat format) {
    this.format = format;
  }

  List<Filled> all() {
    return all.stream().filter(sheet -> !sheet.placed.isEmpty()).toList();
  }

  /// Puts symbols where they were kept, as far as they fit there still.
  ///
  /// @return those that have no place now
  Set<Piece> keep(List<Piece> pieces, List<Drawn> drawn, Map<Piece, Optional<Id>> serves) {
    var where = new HashMap<Object, Drawn>();
    for (var one : drawn) where.put(one.symbol(), one);
    var left = new LinkedHashSet<Piece>();
    var kept = new ArrayList<Piece>();
    for (var piece : pieces) (where.containsKey(piece.key()) ? kept : left).add(piece);
    kept.sort(
        Comparator.comparingInt(piece -> {
          var at = where.get(piece.key());
          return at == null ? 0 : at.sheet();
        }));
    for (var piece : kept) {
      var at = where.get(piece.key());
      if (at == null) continue;
      while (all.size() < at.sheet()) all.add(new Filled());
      var sheet = all.get(at.sheet() - 1);
      if (at.row() >= format.rows() || !sheet.free(at.x(), at.row(), piece.width(), 1)) {
        left.add(piece);
        continue;
      }
      sheet.put(piece, at.x(), at.row());
      sheet.taken.get(at.row()).add(new int[] {at.x(), at.x() + piece.width()});
      sheet.serves.add(serves.getOrDefault(piece, Optional.empty()));
    }
    return left;
  }

  /// Puts all paths of a function on the first sheet that has room for all of them, where there is
  /// one; else one after the other.
  void add(Optional<Id> function, List<PathLayout.Block> blocks) {
    var fresh = all.stream().noneMatch(sheet -> sheet.serves.contains(function));
    for (var n = 0; fresh && n < all.size(); n++) {
      if (all.get(n).full() > FULL) continue;
      var tried = new Filled(all.get(n));
      if (!blocks.stream().allMatch(block -> tried.put(function, block))) continue;
      all.set(n, tried);
      return;
    }
    for (var block : blocks) add(function, block);
  }

  /// Puts a path where its function stands already, else on the last sheet, else on a new one.
  private void add(Optional<Id> function, PathLayout.Block block) {
    for (var sheet : all) if (sheet.serves.contains(function) && sheet.put(function, block)) return;
    var begins = all.isEmpty() || !all.getLast().serves.contains(function);
    if (!all.isEmpty()
        && !(begins && all.getLast().full() > FULL)
        && all.getLast().put(function, block)) return;
    all.add(new Filled());
    all.getLast().put(function, block);
  }

  /// One sheet being filled.
  final class Filled {
    private final Set<Optional<Id>> serves = new LinkedHashSet<>();
    private final List<Placed> placed = new ArrayList<>();

    /// By row, from where to where it is taken.
    private final List<List<int[]>> taken = new ArrayList<>();

    private int area;

    /// By how many rows it takes, the narrowest path that had no room: a wider one has none either.
    private final int[] tooWide = new int[format.rows() + 1];

    Filled() {
      Arrays.fill(tooWide, Integer.MAX_VALUE);
      for (var row = 0; row < format.rows(); row++) taken.add(new ArrayList<>());
    }

    private Filled(Filled other) {
      serves.addAll(other.serves);
      placed.addAll(other.placed);
      for (var row : other.taken) taken.add(new ArrayList<>(row));
      area = other.area;
      System.arraycopy(other.tooWide, 0, tooWide, 0, tooWide.length);
    }

    List<Id> functions() {
      return serves.stream().flatMap(Optional::stream).toList();
    }

    List<Placed> placed() {
      return placed;
    }

    private double full() {
      return area / ((double) format.rows() * format.steps());
    }

    private boolean free(int x, int row, int width, int rows) {
      if (x < 0 || x + width > format.steps()) return false;
      for (var r = row; r < Math.min(format.rows(), row + rows); r++)
        for (var one : taken.get(r))
          if (x < one[1] + PathLayout.GAP && one[0] < x + width + PathLayout.GAP) return false;
      return true;
    }

    private void put(Piece piece, int x, int row) {
      placed.add(new Placed(piece, x, row));
      area += piece.width() + PathLayout.GAP;
    }

    /// Whether there was room; the first path of a sheet is put in any case.
    private boolean put(Optional<Id> function, PathLayout.Block block) {
      for (var rows = 1; rows <= Math.min(block.rows(), format.rows()); rows++)
        if (block.width() >= tooWide[rows]) return false;
      var bestX = placed.isEmpty() ? 0 : -1;
      var bestRow = 0;
      for (var row = 0; row + block.rows() <= format.rows(); row++) {
        var x = left(row, block);
        if (x >= 0 && (bestX < 0 || x < bestX)) {
          bestX = x;
          bestRow = row;
        }
      }
      if (bestX < 0) {
        tooWide[block.rows()] = Math.min(tooWide[block.rows()], block.width());
        return false;
      }
      for (var put : block.puts()) put(put.piece(), bestX + put.x(), bestRow + put.row());
      for (var r = bestRow; r < Math.min(format.rows(), bestRow + block.rows()); r++)
        taken.get(r).add(new int[] {bestX, bestX + block.width()});
      serves.add(function);
      return true;
    }

    /// The first step where a path has room below a row; -1 where it has none.
    private int left(int row, PathLayout.Block block) {
      for (var x = 0; x + block.width() <= format.steps(); x++)
        if (free(x, row, block.width(), block.rows())) return x;
      return -1;
    }
  }
}
