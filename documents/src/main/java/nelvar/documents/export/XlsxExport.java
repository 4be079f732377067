package nelvar.documents.export;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import nelvar.documents.content.ListTable;
import org.dhatim.fastexcel.Workbook;

/// Lists as sheets of one XLSX workbook. Every cell is written as text or number, never as a
/// formula.
public final class XlsxExport {
  private static final int MOST = 32_767;

  private XlsxExport() {}

  public static byte[] write(List<ListTable> tables) {
    var out = new ByteArrayOutputStream();
    try (var book = new Workbook(out, "Nelvar", "1.0")) {
      for (var table : tables) {
        var sheet =
            book.newWorksheet(table.title().substring(0, Math.min(31, table.title().length())));
        for (var column = 0; column < table.columns().size(); column++) {
          sheet.value(0, column, table.columns().get(column).heading());
          sheet.style(0, column).bold().set();
          sheet.width(column, Math.clamp(table.columns().get(column).weight() * 9, 8, 60));
        }
        for (var row = 0; row < table.cells().size(); row++) {
          for (var column = 0; column < table.columns().size(); column++)
            cell(sheet, row + 1, column, table.cells().get(row).get(column));
        }
        sheet.freezePane(0, 1);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return withoutClock(out.toByteArray());
  }

  /// Numbers in full, shown with the digits that are printed.
  private static void cell(
      org.dhatim.fastexcel.Worksheet sheet, int row, int column, ListTable.Cell cell) {
    switch (cell) {
      case ListTable.Cell.Words _, ListTable.Cell.Reference _ ->
          sheet.value(row, column, held(cell.printed()));
      case ListTable.Cell.Amount(var value) -> {
        sheet.value(row, column, value);
        shown(sheet, row, column, cell.printed());
      }
      case ListTable.Cell.Money(var value) -> {
        sheet.value(row, column, value);
        shown(sheet, row, column, cell.printed());
      }
    }
  }

  private static void shown(
      org.dhatim.fastexcel.Worksheet sheet, int row, int column, String printed) {
    var point = printed.indexOf('.');
    var places = point < 0 ? 0 : printed.length() - point - 1;
    sheet.style(row, column).format(places == 0 ? "0" : "0." + "0".repeat(places)).set();
  }

  /// What a cell of a workbook can hold: 32,767 characters (the limit of the format).
  private static String held(String text) {
    var plain = XmlText.allowed(text);
    return plain.length() <= MOST ? plain : plain.substring(0, MOST - 1) + "…";
  }

  /// The library writes the time of day into the file; the same lists must give the same bytes.
  private static byte[] withoutClock(byte[] xlsx) {
    var out = new ByteArrayOutputStream();
    try (var file = new TemporaryZip(xlsx);
        var to = new ZipOutputStream(out)) {
      for (var entry : file.entries()) {
        var bytes = file.read(entry);
        if (entry.getName().equals("docProps/core.xml")) {
          bytes =
              new String(bytes, StandardCharsets.UTF_8)
                  .replaceAll(">\\d{4}-\\d\\d-\\d\\dT[^<]*<", ">1980-01-01T00:00:00Z<")
                  .getBytes(StandardCharsets.UTF_8);
        }
        var plain = new ZipEntry(entry.getName());
        // Not the very first day an archive knows: for that the time zone would be written too.
        plain.setTimeLocal(LocalDateTime.of(1980, 2, 1, 0, 0));
        to.putNextEntry(plain);
        to.write(bytes);
        to.closeEntry();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  /// The library's archive can only be read by its directory, which the JDK does from a file.
  private static final class TemporaryZip implements AutoCloseable {
    private final Path path;
    private final ZipFile zip;

    TemporaryZip(byte[] bytes) throws IOException {
      path = Files.createTempFile("nelvar", ".xlsx");
      Files.write(path, bytes);
      zip = new ZipFile(path.toFile());
    }

    List<? extends ZipEntry> entries() {
      return zip.stream().toList();
    }

    byte[] read(ZipEntry entry) throws IOException {
      return zip.getInputStream(entry).readAllBytes();
    }

    @Override
    public void close() throws IOException {
      zip.close();
      Files.deleteIfExists(path);
    }
  }
}
