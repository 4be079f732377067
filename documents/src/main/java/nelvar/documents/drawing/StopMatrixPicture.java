package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.model.Id;

/// What each stop takes, row by row: seconds until it stands or is held, millimetres it sinks, or
/// that it stays on.
public final class StopMatrixPicture {
  private static final double LEFT = 190;
  private static final double TOP = 40;
  private static final double HIGH = 34;
  private static final double NARROW = 84;

  private StopMatrixPicture() {}

  /// A spot is known by the device of its row; a column's head by the device that is pressed.
  public static Drawing of(StopMatrix matrix, Study study, double width, Optional<Id> chosen) {
    return of(matrix.columns(), matrix.rows(), study, width, chosen);
  }

  /// For paper: as many columns as the width holds and so many rows on each.
  public static List<Drawing> pages(StopMatrix matrix, Study study, double width, int most) {
    var all = new ArrayList<Drawing>();
    var columns = matrix.columns();
    var rows = matrix.rows();
    var across = Math.max(1, (int) ((width - LEFT) / NARROW));
    for (var c = 0; c < columns.size(); c += across)
      for (var r = 0; r < rows.size(); r += most) {
        var from = c;
        var to = Math.min(c + across, columns.size());
        all.add(
            of(
                columns.subList(from, to),
                rows.subList(r, Math.min(r + most, rows.size())).stream()
                    .map(row ->
                        new StopMatrix.Row(
                            row.kind(), row.devices(), row.lanes().subList(from, to)))
                    .toList(),
                study,
                width,
                Optional.empty()));
      }
    return all;
  }

  private static Drawing of(
      List<StopMatrix.Column> columns,
      List<StopMatrix.Row> rows,
      Study study,
      double width,
      Optional<Id> chosen) {
    var shapes = new ArrayList<Shape>();
    var spots = new ArrayList<Drawing.Spot>();
    var wide = Math.clamp((width - LEFT) / Math.max(1, columns.size()), NARROW, 150);
    for (var c = 0; c < columns.size(); c++) head(columns.get(c), LEFT + c * wide, wide, shapes);
    for (var r = 0; r < rows.size(); r++) {
      var y = TOP + r * HIGH;
      var row = rows.get(r);
      var device = row.devices().getFirst();
      var names =
          row.devices().stream()
              .map(d -> d.designation().text())
              .collect(java.util.stream.Collectors.joining(", "));
      if (chosen.filter(id -> row.devices().stream().anyMatch(d -> d.id().equals(id))).isPresent())
        shapes.add(
            Shape.rounded(
                0,
                y,
                LEFT + columns.size() * wide,
                HIGH - 2,
                4,
                Optional.of(Ink.ACCENT_SOFT),
                Optional.empty()));
      text(4, y + 14, names, Face.MONO_BOLD, 13, Ink.TEXT, shapes);
      var what =
          row.devices().stream()
              .map(nelvar.core.model.Device::purpose)
              .distinct()
              .collect(java.util.stream.Collectors.joining(", "));
      text(4, y + 28, what, Face.TEXT, 12, Ink.TEXT_SOFT, shapes);
      var says = new ArrayList<String>();
      for (var c = 0; c < row.lanes().size(); c++) {
        cell(row.lanes().get(c), study, LEFT + c * wide, y, wide - 4, shapes);
        says.add(columns.get(c).act().words() + ": " + StopMatrix.word(row.lanes().get(c)));
      }
      spots.add(
          new Drawing.Spot(
              0,
              y,
              LEFT + columns.size() * wide,
              HIGH - 2,
              device.id(),
              names + " " + String.join(", ", says)));
    }
    return new Drawing(
        Math.max(width, LEFT + columns.size() * wide), TOP + rows.size() * HIGH + 8, shapes, spots);
  }

  private static void text(
      double x, double y, String words, Face face, double size, Ink ink, List<Shape> shapes) {
    shapes.add(Shape.text(x, y, Faces.fit(words, face, size, LEFT - 12), face, size, ink));
  }

  private static void head(StopMatrix.Column column, double x, double wide, List<Shape> shapes) {
    var y = 12.0;
    for (var line :
        Faces.wrap(column.act().words(), Face.TEXT, 12, wide - 10).stream().limit(2).toList()) {
      shapes.add(Shape.text(x + 4, y, line, Face.TEXT, 12, Ink.TEXT));
      y += 14;
    }
  }

  private static void cell(
      Course lane, Study study, double x, double y, double wide, List<Shape> shapes) {
    var word = StopMatrix.word(lane);
    var stays = lane.last().powered();
    var falls = lane.last() == Course.State.FALLING;
    var own =
        study.network().feeds(lane.devices().getFirst().id()).stream()
            .flatMap(feed -> feed.source().stream())
            .map(Ink::of)
            .findFirst()
            .orElse(Ink.DC_LOW);
    shapes.add(
        Shape.rounded(
            x,
            y + 2,
            wide,
            HIGH - 8,
            3,
            Optional.of(falls ? Ink.ERROR_SOFT : stays ? own.soft() : Ink.CARD),
            Optional.of(
                new Shape.Pen(falls ? Ink.ERROR : stays ? own : Ink.LINE, 1, stays ? 0 : 3))));
    // A number is never cut off: it goes on in a second line.
    var lines = Faces.wrap(word, Face.TEXT, 12, wide - 10).stream().limit(2).toList();
    for (var n = 0; n < lines.size(); n++)
      shapes.add(
          Shape.text(
              x + 6,
              lines.size() == 1 ? y + 18 : y + 12.5 + 12 * n,
              Faces.fit(lines.get(n), Face.TEXT, 12, wide - 8),
              Face.TEXT,
              12,
              falls ? Ink.ERROR : Ink.TEXT));
  }
}
