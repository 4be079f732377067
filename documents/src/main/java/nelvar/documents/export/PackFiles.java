package nelvar.documents.export;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.model.Surface;
import nelvar.core.review.Review;
import nelvar.documents.content.Lists;
import nelvar.documents.content.Pack;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PlateDrawing;
import nelvar.documents.drawing.RunsPicture;
import nelvar.documents.drawing.SingleLine;
import nelvar.documents.drawing.StripPicture;

/// The files of a pack by name: the PDF, the single-line as SVG, plates, doors, circuit sheets,
/// ways and rows of terminals as SVG and DXF, each list as CSV, all lists as XLSX.
public final class PackFiles {
  private PackFiles() {}

  public static Map<String, byte[]> of(Review review) {
    return of(review, Pack.Options.USUAL);
  }

  public static Map<String, byte[]> of(Review review, Pack.Options options) {
    var files = new LinkedHashMap<String, byte[]>();
    files.put("pack.pdf", pdf(review, options));
    files.put("single-line.svg", svg(review));
    files.put("workings.json", WorkingsJson.of(review).getBytes(StandardCharsets.UTF_8));
    files.putAll(pictures(review.study(), options.circuits()));
    var lists = Lists.all(review, options.byFunction());
    for (var list : lists)
      files.put(list.name() + ".csv", CsvExport.write(list).getBytes(StandardCharsets.UTF_8));
    files.put("lists.xlsx", XlsxExport.write(lists));
    return files;
  }

  public static byte[] pdf(Review review) {
    return pdf(review, Pack.Options.USUAL);
  }

  public static byte[] pdf(Review review, Pack.Options options) {
    return PdfExport.write(Pack.title(review), Pack.date(review), Pack.paper(review, options));
  }

  /// The circuit sheets alone, on A4.
  public static byte[] circuitsPdf(Review review) {
    return circuitsPdf(review, SheetFormat.A4);
  }

  /// The circuit sheets alone.
  public static byte[] circuitsPdf(Review review, SheetFormat format) {
    var study = review.study();
    return PdfExport.write(
        Pack.title(review) + ", circuits",
        Pack.date(review),
        Paper.of(
            CircuitPicture.all(study, format),
            CircuitSheets.of(study, format).sheets().stream()
                .map(
                    sheet -> CircuitPicture.name(sheet) + ": " + CircuitPicture.title(sheet, study))
                .toList()));
  }

  public static byte[] svg(Review review) {
    return SvgExport.write(
            Pack.title(review) + ", power single-line", SingleLine.of(review.study()))
        .getBytes(StandardCharsets.UTF_8);
  }

  /// Plates and doors, ways, rows of terminals, each by the name of its file.
  public static Map<String, byte[]> pictures(Study study) {
    return pictures(study, SheetFormat.A4);
  }

  private static Map<String, byte[]> pictures(Study study, SheetFormat format) {
    var files = new LinkedHashMap<>(plates(study));
    files.putAll(runs(study));
    files.putAll(circuits(study, format));
    return files;
  }

  /// The circuit sheets by the name of their file: `circuit-1.svg`, `circuit-1.dxf`.
  public static Map<String, byte[]> circuits(Study study, SheetFormat format) {
    var files = new LinkedHashMap<String, byte[]>();
    var sheets = CircuitSheets.of(study, format);
    for (var sheet : sheets.sheets()) {
      var name = "circuit-" + sheet.number();
      var drawing = CircuitPicture.of(study, sheets, sheet);
      files.put(
          name + ".svg",
          SvgExport.write(study.project().name() + ", " + CircuitPicture.name(sheet), drawing)
              .getBytes(StandardCharsets.UTF_8));
      files.put(name + ".dxf", DrawingDxf.toScale(drawing).getBytes(StandardCharsets.US_ASCII));
    }
    return files;
  }

  /// Every surface with something on it, by the name of its file: `plate.dxf`, `door.svg`,
  /// `door-inside.svg`; of the second cabinet `plate-2.dxf`.
  public static Map<String, byte[]> plates(Study study) {
    var files = new LinkedHashMap<String, byte[]>();
    var number = 0;
    for (var cabinet : study.project().layout().cabinets()) {
      number++;
      for (var surface : PlateDrawing.surfaces(cabinet, study)) {
        var name = surface.words().replace(' ', '-') + (number == 1 ? "" : "-" + number);
        files.put(
            name + ".svg",
            SvgExport.write(
                    study.project().name() + ", " + cabinet.name() + ", " + surface.words(),
                    PlateDrawing.of(cabinet, surface, study, 400, 560))
                .getBytes(StandardCharsets.UTF_8));
        if (surface == Surface.DOOR)
          files.put(
              name + "-inside.svg",
              SvgExport.write(
                      study.project().name() + ", " + cabinet.name() + ", door from inside",
                      PlateDrawing.fromInside(cabinet, study, 400, 560))
                  .getBytes(StandardCharsets.UTF_8));
        files.put(
            name + ".dxf",
            DxfExport.write(cabinet, surface, study).getBytes(StandardCharsets.US_ASCII));
      }
    }
    return files;
  }

  /// Ways and rows of terminals by the name of their file: `ways.svg`, `strip-X30.dxf`.
  public static Map<String, byte[]> runs(Study study) {
    var files = new LinkedHashMap<String, byte[]>();
    var number = 0;
    for (var cabinet : study.project().layout().cabinets()) {
      number++;
      if (cabinet.ducts().isEmpty()) continue;
      put(
          files,
          "ways" + (number == 1 ? "" : "-" + number),
          study.project().name() + ", " + cabinet.name() + ", ways",
          RunsPicture.of(study, Optional.of(cabinet), Optional.empty(), 1000, 1200));
    }
    for (var strip : StripPlan.all(study)) {
      if (strip.free().size() == strip.row().ways()) continue;
      var name = strip.device().designation().text();
      put(
          files,
          "strip-" + name.replaceAll("[^A-Za-z0-9.]", ""),
          study.project().name() + ", " + name,
          StripPicture.of(strip, study, Optional.empty(), 760));
    }
    return files;
  }

  private static void put(Map<String, byte[]> files, String name, String title, Drawing drawing) {
    files.put(name + ".svg", SvgExport.write(title, drawing).getBytes(StandardCharsets.UTF_8));
    files.put(name + ".dxf", DrawingDxf.write(drawing).getBytes(StandardCharsets.US_ASCII));
  }
}
