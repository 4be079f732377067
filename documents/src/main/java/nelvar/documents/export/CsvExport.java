package nelvar.documents.export;

import java.io.IOException;
import java.io.UncheckedIOException;
import nelvar.documents.content.ListTable;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/// A list as CSV (RFC 4180, UTF-8, comma, CR LF), written so that no cell can run as a formula.
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

  /// Spreadsheet programs run a cell that begins with = + - @, a tab or a line end; an apostrophe
  /// before it makes it text.
  ///
  /// Designations begin with a minus sign, so most of them get one; importing programs show the
  /// text without it.
  static String inert(String cell) {
    if (cell.isEmpty() || "=+-@\t\r\n＝＋－＠".indexOf(cell.charAt(0)) < 0) return cell;
    return cell.matches("[+-]?[0-9]+([.,][0-9]+)?") ? cell : "'" + cell;
  }
}
