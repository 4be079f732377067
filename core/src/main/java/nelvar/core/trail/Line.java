package nelvar.core.trail;

/// One line of a working, in the order it was reasoned.
public sealed interface Line {
  /// What the line says about `symbol`.
  String symbol();

  /// Known from the project: `from` says from which object.
  record Given(String symbol, String value, String from) implements Line {}

  /// Looked up: `citation` says where.
  record FromTable(String symbol, String value, String row, Citation citation) implements Line {}

  /// Taken without being known: `reason` says why this is fair.
  record Assumed(String symbol, String value, String reason) implements Line {}

  /// Computed: the formula, the same with its numbers, the value.
  record Result(String symbol, String formula, String numbers, String value) implements Line {}

  /// Compared: whether `value relation bound` holds, and who demands it.
  ///
  /// @param used how much of what is allowed is taken: 0.25 is a quarter, 1 is at the limit, more
  ///   breaks it
  record Limit(
      String symbol,
      String value,
      String relation,
      String bound,
      double used,
      Citation demand,
      boolean holds)
      implements Line {
    /// What is left of the limit, such as `75 %`; below zero where it is broken.
    public String margin() {
      if (!Double.isFinite(used)) return "none";
      var left = Math.round((1 - used) * 100);
      return left < -999 ? "below -999 %" : left + " %";
    }
  }

  /// The line as plain text, as printed by the command line and asserted in tests.
  default String text() {
    return switch (this) {
      case Given(var symbol, var value, var from) -> "%s = %s   %s".formatted(symbol, value, from);
      case FromTable(var symbol, var value, var row, var citation) ->
          "%s = %s   %s: %s".formatted(symbol, value, row, citation);
      case Assumed(var symbol, var value, var reason) ->
          "%s = %s   assumed: %s".formatted(symbol, value, reason);
      case Result(var symbol, var formula, var numbers, var value) ->
          numbers.isEmpty() || numbers.equals(formula) || numbers.equals(value)
              ? "%s = %s = %s".formatted(symbol, formula, value)
              : "%s = %s = %s = %s".formatted(symbol, formula, numbers, value);
      case Limit(var symbol, var value, var relation, var bound, var _, var demand, var holds) ->
          "%s = %s %s %s   %s   %s"
              .formatted(symbol, value, relation, bound, holds ? "holds" : "does not hold", demand);
    };
  }
}
