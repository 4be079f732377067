package nelvar.documents.export;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import nelvar.core.review.Review;
import nelvar.documents.content.Lists;
import nelvar.documents.content.Pack;
import nelvar.documents.drawing.SingleLine;

/// The files of a pack by name: the PDF, the single-line as SVG, each list as CSV, all lists as
/// XLSX.
public final class PackFiles {
  private PackFiles() {}

  public static Map<String, byte[]> of(Review review) {
    return of(review, "");
  }

  /// @param about which machine the papers answer for; empty where there is only one
  public static Map<String, byte[]> of(Review review, String about) {
    var files = new LinkedHashMap<String, byte[]>();
    files.put("pack.pdf", pdf(review, about));
    files.put("single-line.svg", svg(review));
    for (var list : Lists.all(review))
      files.put(list.name() + ".csv", CsvExport.write(list).getBytes(StandardCharsets.UTF_8));
    files.put("lists.xlsx", XlsxExport.write(Lists.all(review)));
    return files;
  }

  public static byte[] pdf(Review review) {
    return pdf(review, "");
  }

  public static byte[] pdf(Review review, String about) {
    return PdfExport.write(
        Pack.title(review), Pack.date(review), Pack.paper(review, about).pages());
  }

  public static byte[] svg(Review review) {
    return SvgExport.write(
            Pack.title(review) + ", power single-line", SingleLine.of(review.study()))
        .getBytes(StandardCharsets.UTF_8);
  }
}
