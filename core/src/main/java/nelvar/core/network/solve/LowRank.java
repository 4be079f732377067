package nelvar.core.network.solve;

import java.util.List;

/// A few admittances more than a factored matrix holds: terminals bridged, and pins taken away
/// where a bridge makes one island of two.
///
/// `(Y + U·C·Uᵀ)⁻¹ = Y⁻¹ − Y⁻¹U·(C⁻¹ + Uᵀ·Y⁻¹·U)⁻¹·Uᵀ·Y⁻¹` (Sherman, Morrison and Woodbury): the
/// matrix keeps its pattern and its factors.
final class LowRank {
  static final LowRank NOTHING = new LowRank(List.of());

  /// A conductance between two nodes, or from one to the reference where `b` is -1, S.
  record Term(int a, int b, double siemens) {
    double of(double[] x) {
      return x[a] - (b < 0 ? 0 : x[b]);
    }

    void take(double amperes, double[] from) {
      from[a] -= amperes;
      if (b >= 0) from[b] += amperes;
    }
  }

  private final List<Term> terms;

  /// `Y⁻¹·U` by term, real and imaginary.
  private final double[][] re;

  private final double[][] im;

  /// The inverse of `C⁻¹ + Uᵀ·Y⁻¹·U`.
  private Phasor[][] inverse = {};

  LowRank(List<Term> terms) {
    this.terms = List.copyOf(terms);
    this.re = new double[terms.size()][];
    this.im = new double[terms.size()][];
  }

  /// Looks at a matrix that is factored and has nothing besides; false where the two together leave
  /// an island without a reference.
  boolean prepare(Admittances matrix) {
    var count = terms.size();
    for (var k = 0; k < count; k++) {
      re[k] = new double[matrix.nodes()];
      im[k] = new double[matrix.nodes()];
      re[k][terms.get(k).a()] = 1;
      if (terms.get(k).b() >= 0) re[k][terms.get(k).b()] = -1;
      matrix.alone(re[k], im[k]);
    }
    var small = new Phasor[count][count];
    for (var row = 0; row < count; row++) {
      for (var column = 0; column < count; column++) {
        var more = row == column ? 1 / terms.get(row).siemens() : 0;
        small[row][column] =
            new Phasor(more + terms.get(row).of(re[column]), terms.get(row).of(im[column]));
      }
    }
    inverse = SmallMatrix.inverse(small);
    return inverse.length > 0;
  }

  /// Turns what the matrix alone answers into what both together answer.
  void correct(double[] x, double[] y) {
    var count = terms.size();
    var seen = new Phasor[count];
    for (var k = 0; k < count; k++) seen[k] = new Phasor(terms.get(k).of(x), terms.get(k).of(y));
    for (var k = 0; k < count; k++) {
      var by = Phasor.ZERO;
      for (var j = 0; j < count; j++) by = by.plus(inverse[k][j].times(seen[j]));
      for (var node = 0; node < x.length; node++) {
        x[node] -= re[k][node] * by.re() - im[k][node] * by.im();
        y[node] -= re[k][node] * by.im() + im[k][node] * by.re();
      }
    }
  }

  /// Takes from `outRe` and `outIm` what flows in these at the volts `x` and `y`.
  void subtract(double[] x, double[] y, double[] outRe, double[] outIm) {
    for (var term : terms) {
      term.take(term.siemens() * term.of(x), outRe);
      term.take(term.siemens() * term.of(y), outIm);
    }
  }

  boolean isEmpty() {
    return terms.isEmpty();
  }
}
