package nelvar.core.trail;

import nelvar.core.units.Quantity;

/// A value that can say where it comes from.
public record Explained<Q>(Q value, Trail trail) {

  /// Whether the value stays at or below `bound`, as `demand` asks; the comparison joins the
  /// working.
  public static <Q extends Quantity> Judged<Q> atMost(
      Explained<Q> explained, String symbol, Q bound, Citation demand) {
    return judge(
        explained,
        symbol,
        "≤",
        bound,
        share(explained.value().si(), bound.si()),
        explained.value().si() <= bound.si() * (1 + TOLERANCE),
        demand);
  }

  /// Whether the value reaches `bound`, as `demand` asks.
  public static <Q extends Quantity> Judged<Q> atLeast(
      Explained<Q> explained, String symbol, Q bound, Citation demand) {
    return judge(
        explained,
        symbol,
        "≥",
        bound,
        share(bound.si(), explained.value().si()),
        explained.value().si() >= bound.si() * (1 - TOLERANCE),
        demand);
  }

  /// Rounding in binary arithmetic must not decide a verdict.
  private static final double TOLERANCE = 1e-9;

  /// Nothing of nothing is at the limit.
  private static double share(double taken, double allowed) {
    return taken == allowed ? 1 : taken <= 0 ? 0 : taken / allowed;
  }

  private static <Q extends Quantity> Judged<Q> judge(
      Explained<Q> explained,
      String symbol,
      String relation,
      Q bound,
      double used,
      boolean holds,
      Citation demand) {
    return new Judged<>(
        explained.value(),
        holds,
        explained
            .trail()
            .then(() ->
                new Line.Limit(
                    symbol,
                    String.valueOf(explained.value()),
                    relation,
                    String.valueOf(bound),
                    used,
                    demand,
                    holds)));
  }
}
