package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.interference.Matrix;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Separation;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;

/// What disturbs, row by row, against what hears it, column by column: margins in dB, worst first.
///
/// A cell is known by the number of its row and of its column, see [#cell].
public final class QuietPicture {
  private static final double LEFT = 168;
  private static final double TOP = 74;
  private static final double HIGH = 44;
  private static final double GAP = 5;

  /// dB that a full bar stands for.
  private static final double BAR = 60;

  private final Matrix matrix;
  private final List<Separation> keep;
  private final Optional<Id> chosen;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private QuietPicture(Matrix matrix, List<Separation> keep, Optional<Id> chosen) {
    this.matrix = matrix;
    this.keep = keep;
    this.chosen = chosen;
  }

  /// Of a cell; both count from 0, worst first.
  public static Id cell(int row, int column) {
    return new Id("cell-%d-%d".formatted(row, column));
  }

  /// What stands in a cell; empty for any other id.
  public static Optional<Pair> pair(Id id, Matrix matrix) {
    var parts = id.text().split("-");
    if (parts.length != 3 || !parts[0].equals("cell")) return Optional.empty();
    var row = Integer.parseInt(parts[1]);
    var column = Integer.parseInt(parts[2]);
    if (row >= matrix.rows().size() || column >= matrix.columns().size()) return Optional.empty();
    return matrix.at(matrix.rows().get(row), matrix.columns().get(column));
  }

  /// @param keep trays that nobody said how near they are to each other
  /// @param width that is there; columns grow into it, and go on beyond where there are too many
  public static Drawing of(
      Matrix matrix, List<Separation> keep, double width, Optional<Id> chosen) {
    return new QuietPicture(matrix, keep, chosen).draw(width);
  }

  private Drawing draw(double width) {
    var rows = matrix.rows();
    var columns = matrix.columns();
    if (rows.isEmpty()) return empty(width);
    var wide = Math.clamp((width - LEFT) / columns.size(), 84, 128);
    text(0, 14, "disturbs ↓", Face.TEXT, 12, Ink.TEXT_SOFT, LEFT - 8);
    text(0, 30, "hears →", Face.TEXT, 12, Ink.TEXT_SOFT, LEFT - 8);
    for (var c = 0; c < columns.size(); c++) column(columns.get(c), LEFT + c * wide, wide);
    for (var r = 0; r < rows.size(); r++) {
      var y = TOP + r * (HIGH + GAP);
      row(rows.get(r), y);
      for (var c = 0; c < columns.size(); c++) {
        var pair = matrix.at(rows.get(r), columns.get(c));
        cell(cell(r, c), pair, LEFT + c * wide, y, wide - GAP);
      }
    }
    var end = TOP + rows.size() * (HIGH + GAP) + 14;
    legend(end);
    return new Drawing(
        Math.max(LEFT + columns.size() * wide, 700), end + 24 + apart(end + 32), shapes, spots);
  }

  private void legend(double y) {
    text(0, y, "below −6 or −12: disturbed", Face.TEXT, 11, Ink.ERROR, LEFT);
    text(LEFT, y, "below +6 or +12: no reserve", Face.TEXT, 11, Ink.WARNING, 150);
    text(
        LEFT + 150,
        y,
        "±6 where geometry is fixed, ±12 in a loom; bars to 60 dB",
        Face.TEXT,
        11,
        Ink.TEXT_SOFT,
        300);
    text(
        0,
        y + 16,
        "What lies in different trays, or in ducts that are only named, is taken as far from each other: nobody said how near they are.",
        Face.TEXT,
        11,
        Ink.TEXT_SOFT,
        690);
  }

  /// What it takes.
  private double apart(double top) {
    var y = top;
    for (var one : keep)
      for (var line : Faces.wrap(one.words(), Face.TEXT, 11, 690)) {
        text(0, y, line, Face.TEXT, 11, Ink.TEXT_SOFT, 690);
        y += 15;
      }
    return y - top;
  }

  private Drawing empty(double width) {
    text(
        0,
        20,
        "Nothing that disturbs lies beside anything that hears: no pair to look at.",
        Face.TEXT,
        13,
        Ink.TEXT_SOFT,
        width);
    return new Drawing(Math.max(300, width), 40, shapes, spots);
  }

  private void text(
      double x, double y, String words, Face face, double size, Ink ink, double width) {
    shapes.add(Shape.text(x, y, Faces.fit(words, face, size, width), face, size, ink));
  }

  private void column(Matrix.Column column, double x, double wide) {
    var hears = column.first();
    var room = wide - GAP - 4;
    text(x + 2, 14, column.label(), Face.MONO, 13, Ink.TEXT, room);
    text(x + 2, 32, hears.words(), Face.TEXT, 12, Ink.TEXT, room);
    text(x + 2, 48, hears.kind().words(), Face.TEXT, 11, Ink.TEXT_SOFT, room);
    text(x + 2, 64, shielded(hears.shield().words()), Face.TEXT, 11, Ink.TEXT_SOFT, room);
    about(hears.id(), x, 0, wide - GAP, 68, column.label());
  }

  private static String shielded(String words) {
    return words.startsWith("no") ? words : "shielded";
  }

  private void row(Matrix.Row row, double y) {
    var e = row.first();
    text(0, y + 17, row.label(), Face.MONO, 13, Ink.TEXT, LEFT - 10);
    text(0, y + 34, e.kind().words() + ", " + e.words(), Face.TEXT, 11, Ink.TEXT_SOFT, LEFT - 10);
    about(e.id(), 0, y, LEFT - 10, HIGH, row.label());
  }

  private void about(Id id, double x, double y, double width, double height, String says) {
    spots.add(new Drawing.Spot(x, y, width, height, id, says));
  }

  private void cell(Id id, Optional<Pair> pair, double x, double y, double width) {
    var lit = chosen.filter(id::equals).isPresent();
    if (pair.isEmpty()) {
      shapes.add(
          Shape.text(
              x + width / 2,
              y + HIGH / 2 + 4,
              "·",
              Face.TEXT,
              13,
              Ink.TEXT_FAINT,
              Shape.Anchor.MIDDLE));
      return;
    }
    var margin = pair.get().margin();
    var standing = pair.get().standing();
    var fill = MarginInks.soft(standing);
    var ink = MarginInks.strong(standing);
    shapes.add(
        Shape.rounded(
            x,
            y,
            width,
            HIGH,
            4,
            Optional.of(fill),
            Optional.of(Shape.Pen.of(lit ? Ink.ACCENT : Ink.LINE, lit ? 2 : 1))));
    var words = MarginInks.words(margin);
    shapes.add(
        Shape.text(
            x + width / 2,
            y + 21,
            words,
            standing == Pair.Standing.QUIET ? Face.TEXT : Face.BOLD,
            13,
            standing == Pair.Standing.QUIET ? Ink.TEXT : ink,
            Shape.Anchor.MIDDLE));
    var full = width - 20;
    shapes.add(
        Shape.rounded(
            x + 10,
            y + 31,
            Math.max(3, full * Math.clamp(margin / BAR, 0, 1)),
            4,
            1.5,
            Optional.of(ink),
            Optional.empty()));
    if (standing == Pair.Standing.DISTURBED) shapes.addAll(badge(Severity.ERROR, x, y, width));
    if (standing == Pair.Standing.DOUBTFUL) shapes.addAll(badge(Severity.WARNING, x, y, width));
    spots.add(
        new Drawing.Spot(
            x,
            y,
            width,
            HIGH,
            id,
            "%s into %s, %s, %s"
                .formatted(
                    pair.get().emitter().label(),
                    pair.get().receiver().label(),
                    words,
                    standing.words())));
  }

  private static List<Shape> badge(Severity severity, double x, double y, double width) {
    return Badge.of(severity, x + width - 11, y + 11, 6);
  }
}
