package nelvar.core.standards;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.DoubleFunction;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;

/// A table of a standard, read from one file: a head of `# key: value` lines, a heading row, then
/// numbers.
///
/// The head must hold title, source, place, status (checked, recalled, assumed), mark (A, B, C) and
/// between rows (exact, next up, next down, linear). A cell `-` is empty. The first column is the
/// row's key. Nothing extrapolates.
public final class Table {
  private enum Between {
    EXACT,
    NEXT_UP,
    NEXT_DOWN,
    LINEAR
  }

  private final Map<String, String> head;
  private final List<String> columns;
  private final NavigableMap<Double, double[]> rows;
  private final Between between;
  private final Citation citation;

  private Table(
      Map<String, String> head, List<String> columns, NavigableMap<Double, double[]> rows) {
    this.head = head;
    this.columns = columns;
    this.rows = rows;
    this.citation =
        new Citation(
            head("source"),
            head("place"),
            Citation.Status.valueOf(head("status").toUpperCase(Locale.ROOT)));
    this.between = Between.valueOf(head("between rows").toUpperCase(Locale.ROOT).replace(' ', '_'));
  }

  /// Loads `standard/table.tsv` from this package's resources; refuses a malformed file naming file
  /// and line.
  public static Table load(String path) {
    try (var in = Table.class.getResourceAsStream(path)) {
      if (in == null) throw new MalformedTable(path, 0, "no such table");
      return parse(path, new String(in.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(path, e);
    }
  }

  static Table parse(String path, String text) {
    var head = new HashMap<String, String>();
    var columns = List.<String>of();
    var rows = new TreeMap<Double, double[]>();
    var number = 0;
    for (var line : text.split("\n", -1)) {
      number++;
      if (line.isBlank()) continue;
      if (line.startsWith("#")) {
        var colon = line.indexOf(':');
        if (colon < 0) throw new MalformedTable(path, number, "expected '# key: value'");
        head.put(line.substring(1, colon).strip(), line.substring(colon + 1).strip());
      } else if (columns.isEmpty()) {
        columns = List.of(line.strip().split("\t"));
      } else {
        addRow(path, number, line, columns.size(), rows);
      }
    }
    for (var key : List.of("title", "source", "place", "status", "mark", "between rows")) {
      if (!head.containsKey(key))
        throw new MalformedTable(path, 0, "the head has no '" + key + "'");
    }
    if (columns.size() < 2 || rows.isEmpty()) throw new MalformedTable(path, number, "no rows");
    try {
      return new Table(head, columns, rows);
    } catch (IllegalArgumentException e) {
      throw new MalformedTable(
          path, 0, "'between rows' must be exact, next up, next down or linear");
    }
  }

  private static void addRow(
      String path, int number, String line, int width, Map<Double, double[]> rows) {
    var cells = line.strip().split("\t");
    if (cells.length != width)
      throw new MalformedTable(
          path, number, cells.length + " cells where the heading has " + width);
    var values = new ArrayList<Double>();
    for (var cell : cells) {
      try {
        values.add(cell.equals("-") ? Double.NaN : Double.parseDouble(cell));
      } catch (NumberFormatException e) {
        throw new MalformedTable(path, number, "'" + cell + "' is not a number");
      }
    }
    var row = values.stream().mapToDouble(Double::doubleValue).toArray();
    if (rows.put(row[0], row) != null)
      throw new MalformedTable(path, number, "row " + cells[0] + " stands twice");
  }

  private String head(String key) {
    return Objects.requireNonNull(head.get(key), key);
  }

  public String title() {
    return head("title");
  }

  /// Confidence: A cross-checked, B remembered with confidence, C to be verified before use.
  public String mark() {
    return head("mark");
  }

  public Citation citation() {
    return citation;
  }

  /// The keys of all rows, rising.
  public List<Double> keys() {
    return List.copyOf(rows.keySet());
  }

  /// The cell at row `key` and the column headed `column`, by the table's own rule between rows;
  /// empty off the table.
  public OptionalDouble at(double key, String column) {
    var index = columns.indexOf(column);
    if (index < 0) return OptionalDouble.empty();
    var entry =
        switch (between) {
          case EXACT -> exact(key);
          case NEXT_UP -> rows.ceilingEntry(key - 1e-9);
          case NEXT_DOWN -> rows.floorEntry(key + 1e-9);
          case LINEAR -> exact(key);
        };
    if (entry != null) return cell(entry.getValue()[index]);
    return between == Between.LINEAR ? interpolate(key, index) : OptionalDouble.empty();
  }

  /// The cell with the page it stands on.
  Optional<Cited<Double>> cited(double key, String column) {
    return cited(key, column, value -> value);
  }

  <Q> Optional<Cited<Q>> cited(double key, String column, DoubleFunction<Q> quantity) {
    var found = at(key, column);
    return found.isPresent()
        ? Optional.of(new Cited<>(quantity.apply(found.getAsDouble()), citation()))
        : Optional.empty();
  }

  private Map.@org.jspecify.annotations.Nullable Entry<Double, double[]> exact(double key) {
    var near = rows.ceilingEntry(key - 1e-6);
    return near != null && Math.abs(near.getKey() - key) <= 1e-6 ? near : null;
  }

  private OptionalDouble interpolate(double key, int index) {
    var below = rows.floorEntry(key);
    var above = rows.ceilingEntry(key);
    if (below == null || above == null) return OptionalDouble.empty();
    var share = (key - below.getKey()) / (above.getKey() - below.getKey());
    return cell(
        below.getValue()[index] + share * (above.getValue()[index] - below.getValue()[index]));
  }

  private static OptionalDouble cell(double value) {
    return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
