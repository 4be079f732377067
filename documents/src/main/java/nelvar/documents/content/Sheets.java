package nelvar.documents.content;

import nelvar.core.trail.Line;

/// How a line of working reads on screen and paper: what is computed, and where it comes from.
public final class Sheets {
  private Sheets() {}

  /// @param holds false for a limit that is broken
  public record Parts(String formula, String origin, boolean holds) {}

  public static Parts parts(Line line) {
    return switch (line) {
      case Line.Given(var symbol, var value, var from) ->
          new Parts(symbol + " = " + value, from, true);
      case Line.FromTable(var symbol, var value, var row, var citation) ->
          new Parts(symbol + " = " + value, row + ": " + citation, true);
      case Line.Assumed(var symbol, var value, var reason) ->
          new Parts(symbol + " = " + value, "assumed: " + reason, true);
      case Line.Result(var symbol, var formula, var numbers, var value) -> {
        var middle =
            numbers.isEmpty() || numbers.equals(formula) || numbers.equals(value)
                ? ""
                : " = " + numbers;
        yield new Parts(symbol + " = " + formula + middle + " = " + value, "", true);
      }
      case Line.Limit(
              var symbol,
              var value,
              var relation,
              var bound,
              var _,
              var demand,
              var holds) ->
          new Parts(
              "%s = %s %s %s"
                  .formatted(
                      symbol, value, holds ? relation : relation.equals("≤") ? ">" : "<", bound),
              (holds ? "holds: " : "does not hold: ") + demand,
              holds);
    };
  }
}
