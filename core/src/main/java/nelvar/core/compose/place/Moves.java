package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/// Rows of items being changed: two exchanged, one moved, two rows exchanged, a row begun; each
/// change can be taken back.
final class Moves {
  private final SplittableRandom random;
  private int[][] rows;
  private int[][] kept;

  Moves(int[][] from, int items, SplittableRandom random) {
    this.random = random;
    // One row more than there is: something may begin it.
    rows = Arrays.copyOf(copy(from), from.length + 1);
    rows[from.length] = new int[0];
    if (items == 0) rows = new int[0][];
    kept = rows.clone();
  }

  int[][] rows() {
    return rows;
  }

  int[][] copy() {
    return Arrays.stream(rows)
        .filter(row -> row.length > 0)
        .map(int[]::clone)
        .toArray(int[][]::new);
  }

  private static int[][] copy(int[][] from) {
    return Arrays.stream(from).map(int[]::clone).toArray(int[][]::new);
  }

  /// The change stays; an empty row at the end is there again.
  void keep() {
    var full = new ArrayList<int[]>();
    for (var row : rows) if (row.length > 0) full.add(row);
    full.add(new int[0]);
    rows = full.toArray(int[][]::new);
    kept = rows.clone();
  }

  void back() {
    rows = kept.clone();
  }

  void change() {
    if (rows.length == 0) return;
    var kind = random.nextInt(10);
    if (kind < 4) exchange();
    else if (kind < 8) move();
    else if (kind < 9) rowsExchanged();
    else shift();
  }

  private int anyRow() {
    var full = new ArrayList<Integer>();
    for (var r = 0; r < rows.length; r++) if (rows[r].length > 0) full.add(r);
    return full.get(random.nextInt(full.size()));
  }

  private void exchange() {
    var a = anyRow();
    var b = anyRow();
    var i = random.nextInt(rows[a].length);
    var j = random.nextInt(rows[b].length);
    own(a);
    own(b);
    var held = rows[a][i];
    rows[a][i] = rows[b][j];
    rows[b][j] = held;
  }

  private void move() {
    var a = anyRow();
    var i = random.nextInt(rows[a].length);
    var item = rows[a][i];
    rows[a] = without(rows[a], i);
    var b = random.nextInt(rows.length);
    rows[b] = with(rows[b], random.nextInt(rows[b].length + 1), item);
  }

  private void rowsExchanged() {
    var a = anyRow();
    var b = anyRow();
    var held = rows[a];
    rows[a] = rows[b];
    rows[b] = held;
  }

  /// A run of neighbours goes to another row together.
  private void shift() {
    var a = anyRow();
    var from = random.nextInt(rows[a].length);
    var to = Math.min(rows[a].length, from + 1 + random.nextInt(5));
    var run = Arrays.copyOfRange(rows[a], from, to);
    var rest = new ArrayList<Integer>();
    for (var i = 0; i < rows[a].length; i++) if (i < from || i >= to) rest.add(rows[a][i]);
    rows[a] = ints(rest);
    var b = random.nextInt(rows.length);
    var at = random.nextInt(rows[b].length + 1);
    var next = new ArrayList<Integer>();
    for (var i = 0; i < at; i++) next.add(rows[b][i]);
    for (var item : run) next.add(item);
    for (var i = at; i < rows[b].length; i++) next.add(rows[b][i]);
    rows[b] = ints(next);
  }

  /// Rows are shared with what is kept until they are changed.
  private void own(int row) {
    rows[row] = rows[row].clone();
  }

  private static int[] ints(List<Integer> all) {
    return all.stream().mapToInt(Integer::intValue).toArray();
  }

  private static int[] without(int[] row, int index) {
    var next = new int[row.length - 1];
    System.arraycopy(row, 0, next, 0, index);
    System.arraycopy(row, index + 1, next, index, row.length - index - 1);
    return next;
  }

  private static int[] with(int[] row, int index, int item) {
    var next = new int[row.length + 1];
    System.arraycopy(row, 0, next, 0, index);
    next[index] = item;
    System.arraycopy(row, index, next, index + 1, row.length - index);
    return next;
  }
}
