package nelvar.core.trail;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;

/// A sheet on which a calculation is written as it goes. Each call notes a line and returns the
/// value, so that code reads as the hand calculation. Not shared between threads.
public final class Working {
  private static final Pattern SYMBOL = Pattern.compile("[\\p{L}Δη][\\p{L}\\p{N}₀-₉'′]*");

  private final String title;
  private final List<Line> lines = new ArrayList<>();
  private final Map<String, String> known = new HashMap<>();

  private Working(String title) {
    this.title = title;
  }

  public static Working of(String title) {
    return new Working(title);
  }

  public <Q> Q given(String symbol, Q value, String from) {
    lines.add(new Line.Given(symbol, note(symbol, value), from));
    return value;
  }

  public <Q> Q table(String symbol, Cited<Q> cited, String row) {
    lines.add(new Line.FromTable(symbol, note(symbol, cited.value()), row, cited.citation()));
    return cited.value();
  }

  public <Q> Q assumed(String symbol, Q value, String reason) {
    lines.add(new Line.Assumed(symbol, note(symbol, value), reason));
    return value;
  }

  /// Notes `symbol = formula`, puts the known numbers into the formula, and returns `value`.
  public <Q> Q result(String symbol, String formula, Q value) {
    return result(symbol, formula, substitute(formula), value);
  }

  /// As above, with the numbers written out by the caller (sums over many things).
  public <Q> Q result(String symbol, String formula, String numbers, Q value) {
    lines.add(new Line.Result(symbol, formula, numbers, note(symbol, value)));
    return value;
  }

  /// Takes the lines of another working in.
  public <Q> Q use(Explained<Q> explained) {
    for (var line : explained.trail().lines()) {
      if (!lines.contains(line)) lines.add(line);
      switch (line) {
        case Line.Given(var symbol, var value, _) -> known.put(symbol, value);
        case Line.FromTable(var symbol, var value, _, _) -> known.put(symbol, value);
        case Line.Assumed(var symbol, var value, _) -> known.put(symbol, value);
        case Line.Result(var symbol, _, _, var value) -> known.put(symbol, value);
        case Line.Limit _ -> {}
      }
    }
    return explained.value();
  }

  public <Q> Explained<Q> explain(Q value) {
    return new Explained<>(value, new Trail(title, lines));
  }

  private String note(String symbol, Object value) {
    var written =
        value instanceof Double number
            ? nelvar.core.units.Significant.digits(number)
            : String.valueOf(value);
    known.put(symbol, written);
    return written;
  }

  private String substitute(String formula) {
    return SYMBOL
        .matcher(formula)
        .replaceAll(found ->
            java.util.regex.Matcher.quoteReplacement(
                Objects.requireNonNullElse(known.get(found.group()), found.group())));
  }
}
