package nelvar.core.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nelvar.core.units.Texts;
import org.apache.commons.csv.CSVFormat;

/// Cells of a table as copied from a spreadsheet or read from a CSV: tabs, semicolons or commas
/// between cells, the first row names the columns.
///
/// @param columns the names in the first row, as written
/// @param rows each with the line it begins on
record TableRows(List<String> columns, List<Row> rows) {
  /// More than this is no panel, and no table one looks through.
  static final int MOST = 5000;

  TableRows {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /// @param cells by the number of the column; empty ones are left out
  record Row(int line, Map<Integer, String> cells) {
    Row {
      cells = Map.copyOf(cells);
    }
  }

  /// Why a text is no table.
  static final class NoTable extends Exception {
    private static final long serialVersionUID = 1;

    NoTable(String why) {
      super(why);
    }
  }

  static TableRows read(String text) throws NoTable {
    var plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    var first = plain.lines().filter(line -> !line.isBlank()).findFirst();
    if (first.isEmpty()) throw new NoTable("there is nothing in it");
    var format =
        CSVFormat.RFC4180
            .builder()
            .setDelimiter(separator(first.get()))
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .get();
    var columns = new ArrayList<String>();
    var rows = new ArrayList<Row>();
    try (var records = format.parse(new StringReader(plain))) {
      for (var record : records) {
        var line = (int) records.getCurrentLineNumber();
        if (columns.isEmpty()) {
          record.forEach(columns::add);
          continue;
        }
        if (rows.size() == MOST) throw new NoTable("it has more than %d rows".formatted(MOST));
        var cells = new LinkedHashMap<Integer, String>();
        for (var n = 0; n < record.size(); n++)
          if (!record.get(n).isBlank()) cells.put(n, written(Texts.plain(record.get(n).strip())));
        if (!cells.isEmpty()) rows.add(new Row(line, cells));
      }
    } catch (IOException | UncheckedIOException | IllegalStateException e) {
      throw new NoTable("a quote that is opened is not closed");
    }
    if (rows.isEmpty())
      throw new NoTable("there is no row below the headings: copy the first row as well");
    return new TableRows(columns, rows);
  }

  /// Without the apostrophe that keeps a cell of a list from running in a spreadsheet.
  private static String written(String cell) {
    return cell.matches("'[-=+@].*") ? cell.substring(1) : cell;
  }

  /// What stands in the first row, in small letters: enough to tell what a table is about.
  static List<String> headings(String text) {
    return List.of(
        text.replace("\uFEFF", "")
            .lines()
            .findFirst()
            .orElse("")
            .toLowerCase(Locale.ROOT)
            .replace("\"", "")
            .split("[;,\t]\\s*"));
  }

  private static char separator(String heading) {
    return heading.contains("\t") ? '\t' : heading.contains(";") ? ';' : ',';
  }

  /// The number of the column that bears one of these names.
  Optional<Integer> column(String... names) {
    for (var name : names)
      for (var n = 0; n < columns.size(); n++)
        if (heading(columns.get(n)).equals(name)) return Optional.of(n);
    return Optional.empty();
  }

  /// Without a unit in brackets, small letters: `Section (mm²)` is `section`.
  private static String heading(String text) {
    return text.toLowerCase(Locale.ROOT)
        .replaceAll("[\\[(].*?[\\])]", " ")
        .replaceAll("[^\\p{L}0-9²]+", " ")
        .strip();
  }

  /// What stands in brackets behind a heading, such as `mm²`: the unit of bare numbers below it.
  Optional<String> unit(int column) {
    var matcher =
        java.util.regex.Pattern.compile("[\\[(]\\s*([^\\])]+?)\\s*[\\])]")
            .matcher(columns.get(column));
    return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
  }
}
