package nelvar.core.compose.pins;

import java.util.Arrays;

/// One thing for each, so that all together cost least: the assignment problem, by shortest
/// augmenting paths with potentials (the Hungarian method), in O(n²·m).
///
/// What is forbidden costs [#FORBIDDEN]; as many as can be are matched, and of those the cheapest.
final class LeastCost {
  static final double FORBIDDEN = 1e9;
  private static final int NONE = -1;

  private LeastCost() {}

  /// The column of each row; −1 where none is left that is not forbidden.
  ///
  /// @param cost by row and column; rows of one length
  static int[] match(double[][] cost) {
    var rows = cost.length;
    if (rows == 0) return new int[0];
    // As many columns of nothing as there are rows: a row that finds no other takes one.
    var columns = cost[0].length + rows;
    var u = new double[rows + 1];
    var v = new double[columns + 1];
    var rowOf = new int[columns + 1];
    var way = new int[columns + 1];
    for (var row = 1; row <= rows; row++) {
      rowOf[0] = row;
      var column = 0;
      var least = new double[columns + 1];
      Arrays.fill(least, Double.POSITIVE_INFINITY);
      var used = new boolean[columns + 1];
      do {
        used[column] = true;
        var from = rowOf[column];
        var delta = Double.POSITIVE_INFINITY;
        var next = 0;
        for (var j = 1; j <= columns; j++) {
          if (used[j]) continue;
          var now = at(cost, from - 1, j - 1) - u[from] - v[j];
          if (now < least[j]) {
            least[j] = now;
            way[j] = column;
          }
          if (least[j] < delta) {
            delta = least[j];
            next = j;
          }
        }
        for (var j = 0; j <= columns; j++) {
          if (used[j]) {
            u[rowOf[j]] += delta;
            v[j] -= delta;
          } else least[j] -= delta;
        }
        column = next;
      } while (rowOf[column] != 0);
      do {
        var before = way[column];
        rowOf[column] = rowOf[before];
        column = before;
      } while (column != 0);
    }
    var of = new int[rows];
    Arrays.fill(of, NONE);
    for (var j = 1; j <= columns; j++)
      if (rowOf[j] > 0 && j <= cost[0].length && cost[rowOf[j] - 1][j - 1] < FORBIDDEN)
        of[rowOf[j] - 1] = j - 1;
    return of;
  }

  private static double at(double[][] cost, int row, int column) {
    return column < cost[row].length ? cost[row][column] : FORBIDDEN;
  }
}
