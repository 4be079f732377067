package nelvar.core.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Soundness;
import nelvar.core.file.Explanations;
import nelvar.core.file.NelvarJson;
import nelvar.core.file.UnreadableFile;
import nelvar.core.units.Texts;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import tools.jackson.core.JacksonException;

/// A user's own parts from CSV: one row a part, the first column `kind`, then `id`, `name` and the
/// properties of the kind.
///
/// Headings are the property names of docs/format/project-2.schema.json. Inner properties are
/// written with a point (`coil.voltage`), lists with semicolons. Empty cells are left out. Comma or
/// semicolon between cells, UTF-8.
public final class PartsCsv {
  /// The largest CSV that is read.
  public static final long GREATEST_FILE = 16L << 20;

  private static final Pattern HEADING =
      Pattern.compile("[A-Za-z][A-Za-z0-9]{0,40}(?:\\.[A-Za-z][A-Za-z0-9]{0,40}){0,4}");

  private PartsCsv() {}

  /// Whether the first row names what parts have and rows of a machine have not.
  public static boolean looksLikeOne(String text) {
    var names = TableRows.headings(text);
    return names.contains("kind") && !names.contains("from");
  }

  /// @param file its name, for messages
  public static List<Part> read(String file, String text) throws UnreadableFile {
    var separator = text.lines().findFirst().orElse("").contains(";") ? ';' : ',';
    var format =
        CSVFormat.RFC4180
            .builder()
            .setDelimiter(separator)
            .setHeader()
            .setSkipHeaderRecord(true)
            .setDuplicateHeaderMode(DuplicateHeaderMode.DISALLOW)
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .get();
    try (var rows =
        format.parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
      headings(file, rows.getHeaderNames());
      var parts = new ArrayList<Part>();
      for (var row : rows) parts.add(part(file, row));
      if (parts.isEmpty()) throw wrong(file, 2, "there is no part below the headings");
      return parts;
    } catch (IOException | java.io.UncheckedIOException | IllegalStateException e) {
      throw wrong(file, 0, "this is not readable CSV: a quote that is opened is not closed");
    } catch (IllegalArgumentException e) {
      throw wrong(file, 1, twice(text, separator));
    }
  }

  /// Which column heading is empty or stands twice: the reader only says that one does.
  private static String twice(String text, char separator) {
    var seen = new HashMap<String, Integer>();
    var column = 0;
    for (var cell : text.lines().findFirst().orElse("").split(String.valueOf(separator), -1)) {
      column++;
      var name = cell.strip().replace("\"", "").toLowerCase(Locale.ROOT);
      if (name.isEmpty()) return "column %d has no heading".formatted(column);
      var before = seen.putIfAbsent(name, column);
      if (before != null)
        return "columns %d and %d have the same heading '%s'"
            .formatted(before, column, Texts.plain(name));
    }
    return "a column heading is empty or stands twice";
  }

  /// Each names a property, inner ones with points, and none is both a property and the beginning
  /// of another.
  private static void headings(String file, List<String> names) throws UnreadableFile {
    if (!names.containsAll(List.of("kind", "id", "name")))
      throw wrong(
          file,
          1,
          "the first row must name the columns kind, id and name, then the properties of the part");
    for (var column = 0; column < names.size(); column++) {
      var name = names.get(column);
      if (!HEADING.matcher(name).matches())
        throw wrong(
            file,
            1,
            "column %d: '%s' is no heading: write the name of a property, inner ones with a point, such as coil.voltage"
                .formatted(column + 1, Texts.plain(name)));
      for (var other : names)
        if (other.startsWith(name + "."))
          throw wrong(
              file,
              1,
              "column %d: '%s' cannot stand beside '%s'".formatted(column + 1, name, other));
    }
  }

  private static Part part(String file, CSVRecord row) throws UnreadableFile {
    var line = (int) row.getRecordNumber() + 1;
    if (!row.isConsistent())
      throw wrong(
          file,
          line,
          "the row has %d cells, the headings are %d"
              .formatted(row.size(), row.getParser().getHeaderNames().size()));
    var tree = NelvarJson.mapper().createObjectNode();
    for (var cell : new LinkedHashMap<>(row.toMap()).entrySet()) {
      if (cell.getValue().isEmpty()) continue;
      var path = cell.getKey().split("\\.");
      var at = tree;
      for (var i = 0; i < path.length - 1; i++) at = at.withObjectProperty(path[i]);
      put(at, path[path.length - 1], cell.getValue());
    }
    Part part;
    try {
      part = NelvarJson.mapper().treeToValue(tree, Part.class);
    } catch (JacksonException e) {
      var problem = Explanations.of(e);
      throw wrong(file, line, column(problem, row.getParser().getHeaderNames()) + problem);
    }
    var problem = Soundness.problem(part);
    if (problem.isPresent()) throw wrong(file, line, problem.get());
    return part;
  }

  /// `column 5, ` where the problem begins with a heading.
  private static String column(String problem, List<String> headings) {
    for (var column = 0; column < headings.size(); column++)
      if (problem.startsWith(headings.get(column) + ":"))
        return "column %d, ".formatted(column + 1);
    return "";
  }

  private static void put(tools.jackson.databind.node.ObjectNode at, String name, String value) {
    if (value.contains(";") || name.equals("channels") || name.equals("controls")) {
      var list = at.putArray(name);
      for (var item : value.split("\\s*;\\s*")) list.add(item);
    } else if (name.equals("price")) at.put(name, value);
    else if (value.matches("[0-9]{1,9}")) at.put(name, Integer.parseInt(value));
    else if (value.matches("[0-9]+[.,][0-9]+"))
      at.put(name, Double.parseDouble(value.replace(',', '.')));
    else if (value.equals("true") || value.equals("false")) at.put(name, value.equals("true"));
    else at.put(name, value);
  }

  private static UnreadableFile wrong(String file, int line, String problem) {
    return new UnreadableFile(
        file,
        line > 0 ? Optional.of(new UnreadableFile.Place(line, 0, "")) : Optional.empty(),
        problem,
        "Correct it in the CSV and read it again; nothing was added.");
  }
}
