package nelvar.core.network.solve;

/// Complex matrices of a few rows.
final class SmallMatrix {
  private SmallMatrix() {}

  /// By Gauss and Jordan with the greatest pivot of each column; without rows where there is none.
  static Phasor[][] inverse(Phasor[][] of) {
    var count = of.length;
    var left = new Phasor[count][];
    var right = new Phasor[count][count];
    for (var row = 0; row < count; row++) {
      left[row] = of[row].clone();
      for (var column = 0; column < count; column++)
        right[row][column] = row == column ? new Phasor(1, 0) : Phasor.ZERO;
    }
    for (var k = 0; k < count; k++) {
      var best = k;
      for (var row = k + 1; row < count; row++)
        if (left[row][k].magnitude() > left[best][k].magnitude()) best = row;
      if (!(left[best][k].magnitude() > 1e-300)) return new Phasor[0][];
      swap(left, k, best);
      swap(right, k, best);
      var pivot = left[k][k];
      for (var column = 0; column < count; column++) {
        left[k][column] = left[k][column].over(pivot);
        right[k][column] = right[k][column].over(pivot);
      }
      for (var row = 0; row < count; row++) {
        if (row == k) continue;
        var factor = left[row][k];
        for (var column = 0; column < count; column++) {
          left[row][column] = left[row][column].minus(factor.times(left[k][column]));
          right[row][column] = right[row][column].minus(factor.times(right[k][column]));
        }
      }
    }
    return right;
  }

  private static void swap(Phasor[][] rows, int a, int b) {
    var kept = rows[a];
    rows[a] = rows[b];
    rows[b] = kept;
  }
}
