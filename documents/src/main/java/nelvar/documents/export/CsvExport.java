package nelvar.documents.export;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.regex.Pattern;
import nelvar.documents.content.ListTable;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/// A list as CSV (RFC 4180, UTF-8, comma, CR LF), written so that no cell can run as a formula,
/// whatever a reader takes for the end of a cell.
public final class CsvExport {
  private CsvExport() {}

  public static String write(ListTable table) {
    var out = new StringBuilder();
    try (var csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
      csv.printRecord(table.columns().stream().map(column -> inert(column.heading())).toList());
      for (var row : table.rows()) csv.printRecord(row.stream().map(CsvExport::inert).toList());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  /// What makes a spreadsheet program run a cell, at its beginning or behind what another program
  /// may take for the end of a cell (semicolon, tab, line end): = + - @ and their wide forms,
  /// spaces and quotes before them notwithstanding.
  private static final Pattern RUNS = Pattern.compile("(^|[;|\\t\\r\\n])(?=[\\s\"']*[=+\\-@＝＋－＠])");

  /// An apostrophe before what would run makes it text; a number stays a number.
  static String inert(String cell) {
    var plain = cell.replaceAll("\\p{Cc}(?<![\\t\\r\\n])", " ");
    if (plain.isEmpty() || plain.matches("[+-]?[0-9]+([.,][0-9]+)?")) return plain;
    var first = plain.charAt(0);
    if (first == '\t' || first == '\r' || first == '\n') plain = "'" + plain;
    return RUNS.matcher(plain).replaceAll("$1'");
  }
}
