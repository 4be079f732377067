package nelvar.core.trail;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nelvar.core.units.Significant;

/// A sheet on which a calculation is written as it goes. Each call notes a line and returns the
/// value, so that code reads as the hand calculation. Not shared between threads. Lines are put
/// into words only when somebody reads them.
public final class Working {
  private static final Pattern SYMBOL = Pattern.compile("[\\p{L}Δη][\\p{L}\\p{N}₀-₉'′]*");

  /// A line to be, and what it makes known for the formulas after it.
  private interface Note {
    void write(List<Line> lines, Map<String, String> known);
  }

  private final String title;
  private final List<Note> notes = new ArrayList<>();

  private Working(String title) {
    this.title = title;
  }

  public static Working of(String title) {
    return new Working(title);
  }

  public <Q> Q given(String symbol, Q value, String from) {
    return given(symbol, value, () -> from);
  }

  /// As above, where it takes work to say from which object.
  public <Q> Q given(String symbol, Q value, Supplier<String> from) {
    return note(symbol, value, written -> new Line.Given(symbol, written, from.get()));
  }

  public <Q> Q table(String symbol, Cited<Q> cited, String row) {
    return table(symbol, cited, () -> row);
  }

  public <Q> Q table(String symbol, Cited<Q> cited, Supplier<String> row) {
    return note(
        symbol,
        cited.value(),
        written -> new Line.FromTable(symbol, written, row.get(), cited.citation()));
  }

  public <Q> Q assumed(String symbol, Q value, String reason) {
    return note(symbol, value, written -> new Line.Assumed(symbol, written, reason));
  }

  /// Notes `symbol = formula`, puts the known numbers into the formula, and returns `value`.
  public <Q> Q result(String symbol, String formula, Q value) {
    notes.add((lines, known) -> {
      var numbers = substitute(formula, known);
      lines.add(new Line.Result(symbol, formula, numbers, know(symbol, value, known)));
    });
    return value;
  }

  /// As above, with the numbers written out by the caller (sums over many things).
  public <Q> Q result(String symbol, String formula, String numbers, Q value) {
    return result(symbol, formula, () -> numbers, value);
  }

  public <Q> Q result(String symbol, String formula, Supplier<String> numbers, Q value) {
    return note(symbol, value, written -> new Line.Result(symbol, formula, numbers.get(), written));
  }

  /// Takes the lines of another working in, each once.
  public <Q> Q use(Explained<Q> explained) {
    notes.add((lines, known) -> {
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
    });
    return explained.value();
  }

  public <Q> Explained<Q> explain(Q value) {
    var all = List.copyOf(notes);
    return new Explained<>(value, new Trail(title, () -> written(all)));
  }

  private static List<Line> written(List<Note> notes) {
    var lines = new ArrayList<Line>();
    var known = new HashMap<String, String>();
    for (var note : notes) note.write(lines, known);
    return lines;
  }

  private <Q> Q note(String symbol, Q value, java.util.function.Function<String, Line> line) {
    notes.add((lines, known) -> lines.add(line.apply(know(symbol, value, known))));
    return value;
  }

  private static String know(String symbol, Object value, Map<String, String> known) {
    var written =
        value instanceof Double number ? Significant.digits(number) : String.valueOf(value);
    known.put(symbol, written);
    return written;
  }

  private static String substitute(String formula, Map<String, String> known) {
    return SYMBOL
        .matcher(formula)
        .replaceAll(found ->
            Matcher.quoteReplacement(
                Objects.requireNonNullElse(known.get(found.group()), found.group())));
  }
}
