package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.Piece;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.model.Brief;

/// The frame of a circuit sheet: columns and rows that references name, and at its foot whose sheet
/// it is and what it shows. In millimetres.
final class SheetFrame {
  private static final Shape.Pen FRAME = Shape.Pen.of(Ink.TEXT, 0.35);
  private static final Shape.Pen THIN = Shape.Pen.of(Ink.TEXT_FAINT, 0.15);

  private final Study study;
  private final CircuitSheets sheets;
  private final CircuitSheet sheet;
  private final CircuitView view;
  private final List<Shape> shapes = new ArrayList<>();

  private SheetFrame(Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitView view) {
    this.study = study;
    this.sheets = sheets;
    this.sheet = sheet;
    this.view = view;
  }

  static List<Shape> of(Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitView view) {
    var frame = new SheetFrame(study, sheets, sheet, view);
    frame.frame();
    return frame.shapes;
  }

  private void frame() {
    var width = sheet.format().paperWidth();
    var height = sheet.format().paperHeight();
    var edge = SheetFormat.MARGIN;
    shapes.add(
        Shape.rectangle(
            edge, edge, width - 2 * edge, height - 2 * edge, Optional.empty(), Optional.of(FRAME)));
    var foot = height - edge - SheetFormat.TITLE;
    shapes.add(Shape.line(edge, foot, width - edge, foot, FRAME));
    for (var column = 0; column * SheetFormat.COLUMN < sheet.format().steps(); column++) {
      var from = CircuitPicture.x(column * SheetFormat.COLUMN);
      if (column > 0) shapes.add(Shape.line(from, edge, from, edge + 3.6, THIN));
      shapes.add(
          text(
              from
                  + Math.min(
                          SheetFormat.COLUMN, sheet.format().steps() - column * SheetFormat.COLUMN)
                      * SheetFormat.STEP
                      / 2,
              edge + 2.7,
              String.valueOf(column + 1),
              Face.TEXT,
              2.4,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
    }
    for (var row = 0; row < sheet.format().rows(); row++)
      shapes.add(
          text(
              edge + 0.6,
              CircuitPicture.y(SheetFormat.top(row)) + Piece.HEIGHT * SheetFormat.STEP / 2,
              String.valueOf((char) ('A' + row)),
              Face.TEXT,
              2.4,
              Ink.TEXT_SOFT,
              Shape.Anchor.START));
    foot(edge, foot, width - 2 * edge);
  }

  private void foot(double left, double top, double width) {
    var project = study.project();
    var last = project.revisions();
    shapes.add(text(left + 3, top + 6.5, project.name(), Face.SEMIBOLD, 4, Ink.TEXT, width * 0.45));
    shapes.add(
        text(
            left + 3,
            top + 12,
            "revision " + project.revision() + (last.isEmpty() ? "" : ", " + last.getLast().date()),
            Face.TEXT,
            2.8,
            Ink.TEXT_SOFT,
            width * 0.45));
    shapes.add(
        text(
            left + 3,
            top + 17,
            "Dead and locked off before you touch it. Local codes and a licensed electrician decide.",
            Face.TEXT,
            2.4,
            Ink.TEXT_SOFT,
            width * 0.45));
    var middle = left + width * 0.5;
    shapes.add(Shape.line(middle - 3, top, middle - 3, top + SheetFormat.TITLE, FRAME));
    about(middle, top, width * 0.5 - 38);
    shapes.add(
        text(
            middle,
            top + 12,
            "Number, colour; cable, mm². Rings: shields. 3.7C: sheet, column, row.",
            Face.TEXT,
            2.4,
            Ink.TEXT_SOFT,
            width * 0.5 - 18));
    shapes.add(
        text(
            middle,
            top + 17,
            "Symbols "
                + (american() ? "after IEEE 315" : "after IEC 60617")
                + (view.live().isPresent()
                    ? "; contacts as they stand now, volts to earth."
                    : "; contacts at rest, no volts."),
            Face.TEXT,
            2.4,
            Ink.TEXT_SOFT,
            width * 0.5 - 18));
    shapes.add(
        Shape.text(
            left + width - 3,
            top + 8,
            CircuitPicture.name(sheet),
            Face.SEMIBOLD,
            3.6,
            Ink.TEXT,
            Shape.Anchor.END));
    shapes.add(
        Shape.text(
            left + width - 3,
            top + 14,
            "of " + sheets.sheets().size(),
            Face.TEXT,
            3,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
  }

  private static Shape text(
      double x, double y, String words, Face face, double size, Ink ink, Shape.Anchor anchor) {
    return Shape.text(x, y, words, face, size, ink, anchor);
  }

  private static Shape text(
      double x, double y, String words, Face face, double size, Ink ink, double room) {
    return Shape.text(x, y, Faces.fit(words, face, size, room), face, size, ink);
  }

  /// What it shows, in one line, or in two smaller ones.
  private void about(double x, double top, double room) {
    var title = CircuitPicture.title(sheet, study);
    if (Faces.width(title, Face.SEMIBOLD, 3.4) <= room) {
      shapes.add(Shape.text(x, top + 6.5, title, Face.SEMIBOLD, 3.4, Ink.TEXT));
      return;
    }
    var lines = Faces.wrap(title, Face.SEMIBOLD, 2.7, room);
    shapes.add(Shape.text(x, top + 4.3, lines.getFirst(), Face.SEMIBOLD, 2.7, Ink.TEXT));
    shapes.add(
        text(
            x,
            top + 8,
            String.join(" ", lines.subList(1, lines.size())),
            Face.SEMIBOLD,
            2.7,
            Ink.TEXT,
            room));
  }

  private boolean american() {
    return study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
  }
}
