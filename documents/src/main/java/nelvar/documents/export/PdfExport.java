package nelvar.documents.export;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.EnumMap;
import java.util.GregorianCalendar;
import java.util.Map;
import java.util.Objects;
import java.util.TimeZone;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.util.Matrix;

/// Pages in millimetres to a PDF: vectors, text that can be searched, subset fonts inside, an
/// outline, links, and tags that say what is a heading, a drawing and text.
///
/// The same drawings, title and date give the same bytes: nothing is taken from the clock.
public final class PdfExport {
  static final double POINTS_PER_MM = 72 / 25.4;

  private PdfExport() {}

  /// @param date of the document, `YYYY-MM-DD`; another text gives 1970-01-01
  public static byte[] write(String title, String date, Paper paper) {
    try (var document = new PDDocument()) {
      var fonts = new EnumMap<Face, PDFont>(Face.class);
      for (var face : Face.values()) {
        fonts.put(face, PDType0Font.load(document, plain(face), true));
      }
      var info = document.getDocumentInformation();
      info.setTitle(title);
      info.setProducer("Nelvar");
      info.setCreationDate(calendar(date));
      var tags = new PdfTags(document, paper);
      for (var number = 0; number < paper.pages().size(); number++)
        add(document, paper.pages().get(number), tags.page(number), fonts);
      tags.write();
      PdfLinks.write(document, paper);
      document.setDocumentId((long) title.hashCode() * 31 + date.hashCode());
      var out = new ByteArrayOutputStream();
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /// Letter by letter: ligatures would be narrower than what was measured, be found by no search
  /// for their letters, and take most of the time.
  private static TrueTypeFont plain(Face face) throws IOException {
    try (var in = Faces.open(face)) {
      var font = new TTFParser().parse(new RandomAccessReadBuffer(in));
      font.setEnableGsub(false);
      return font;
    }
  }

  private static Calendar calendar(String date) {
    var day = LocalDate.EPOCH;
    try {
      day = LocalDate.parse(date);
    } catch (java.time.format.DateTimeParseException notADate) {
      // stays the epoch: the date is a free text in the project
    }
    var calendar = new GregorianCalendar(TimeZone.getTimeZone(ZoneOffset.UTC));
    calendar.setTimeInMillis(day.atStartOfDay(ZoneOffset.UTC).toInstant().toEpochMilli());
    return calendar;
  }

  private static void add(
      PDDocument document, Drawing drawing, PdfTags.OfPage tags, Map<Face, PDFont> fonts)
      throws IOException {
    var page =
        new PDPage(
            new PDRectangle(
                (float) (drawing.width() * POINTS_PER_MM),
                (float) (drawing.height() * POINTS_PER_MM)));
    document.addPage(page);
    try (var out = new PDPageContentStream(document, page)) {
      for (var shape : drawing.shapes()) {
        tags.before(shape, page, out);
        switch (shape) {
          case Shape.Path path -> path(out, path, drawing.height());
          case Shape.Label label -> label(out, label, drawing.height(), fonts);
        }
      }
      tags.end(out);
    }
  }

  private static float x(double mm) {
    return (float) (mm * POINTS_PER_MM);
  }

  private static float y(double mm, double height) {
    return (float) ((height - mm) * POINTS_PER_MM);
  }

  private static void path(PDPageContentStream out, Shape.Path path, double height)
      throws IOException {
    for (var step : path.steps()) {
      switch (step) {
        case Shape.Step.Move(var px, var py) -> out.moveTo(x(px), y(py, height));
        case Shape.Step.Line(var px, var py) -> out.lineTo(x(px), y(py, height));
        case Shape.Step.Curve(var x1, var y1, var x2, var y2, var px, var py) ->
            out.curveTo(x(x1), y(y1, height), x(x2), y(y2, height), x(px), y(py, height));
        case Shape.Step.Close() -> out.closePath();
      }
    }
    if (path.fill().isPresent())
      out.setNonStrokingColor(
          rgb(path.fill().get(), 0), rgb(path.fill().get(), 1), rgb(path.fill().get(), 2));
    if (path.pen().isPresent()) {
      var pen = path.pen().get();
      out.setStrokingColor(rgb(pen.ink(), 0), rgb(pen.ink(), 1), rgb(pen.ink(), 2));
      out.setLineWidth(x(pen.width()));
      out.setLineDashPattern(pen.dash() > 0 ? new float[] {x(pen.dash())} : new float[0], 0);
    }
    if (path.fill().isPresent() && path.pen().isPresent()) out.fillAndStroke();
    else if (path.fill().isPresent()) out.fill();
    else out.stroke();
  }

  private static void label(
      PDPageContentStream out, Shape.Label label, double height, Map<Face, PDFont> fonts)
      throws IOException {
    if (label.text().isEmpty()) return;
    var width = Faces.width(label.text(), label.face(), label.size());
    var before =
        switch (label.anchor()) {
          case START -> 0;
          case MIDDLE -> width / 2;
          case END -> width;
        };
    out.setNonStrokingColor(rgb(label.ink(), 0), rgb(label.ink(), 1), rgb(label.ink(), 2));
    out.beginText();
    if (label.turned())
      out.setTextMatrix(
          Matrix.getRotateInstance(Math.PI / 2, x(label.x()), y(label.y() + before, height)));
    else out.newLineAtOffset(x(label.x() - before), y(label.y(), height));
    for (var run : Faces.runs(label.text(), label.face())) {
      out.setFont(Objects.requireNonNull(fonts.get(run.face())), x(label.size()));
      out.showText(run.text());
    }
    out.endText();
  }

  private static float rgb(Ink ink, int channel) {
    return Integer.parseInt(ink.paper().substring(1 + 2 * channel, 3 + 2 * channel), 16) / 255f;
  }
}
