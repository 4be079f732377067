package nelvar.documents.content;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.trail.Line;
import nelvar.core.trail.Trail;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Scaled;
import nelvar.documents.drawing.Shape;

/// Lets blocks fall onto A4 pages, with head and foot on each.
public final class Typesetter {
  private static final double WIDTH = 210;
  private static final double HEIGHT = 297;
  private static final double LEFT = 20;
  private static final double RIGHT = 14;
  private static final double TOP = 26;
  private static final double BOTTOM = 20;
  private static final double BODY = 3.4;
  private static final double SMALL = 2.9;
  private static final double INNER = WIDTH - LEFT - RIGHT;

  /// How many lines of one row or notice stand together; longer ones go on over the next page.
  private static final int MOST_LINES = 45;

  private final List<List<Shape>> pages = new ArrayList<>();
  private List<Shape> page = new ArrayList<>();
  private final List<Paper.Entry> contents = new ArrayList<>();
  private double y = TOP;

  /// Pages with a frame of their own, by number.
  private final Map<Integer, Drawing> full = new HashMap<>();

  private Typesetter() {
    pages.add(page);
  }

  /// @param head stands at the top left of each page, `foot` at its bottom left
  public static Paper set(List<Block> blocks, String head, String revision, String foot) {
    var setter = new Typesetter();
    for (var i = 0; i < blocks.size(); i++) {
      // A heading does not stand alone at the foot of a page.
      if (blocks.get(i) instanceof Block.Heading && setter.y > HEIGHT - BOTTOM - 26)
        setter.newPage();
      setter.put(blocks.get(i));
    }
    return new Paper(setter.finish(head, revision, foot), setter.contents);
  }

  private void put(Block block) {
    switch (block) {
      case Block.Heading(var text, var level) -> heading(text, level);
      case Block.Paragraph(var text) -> paragraph(text);
      case Block.Notice notice -> notice(notice);
      case Block.Rows(var table) -> rows(table);
      case Block.Sheet(var trail, var result) -> sheet(trail, result);
      case Block.Picture(var drawing) -> picture(drawing);
      case Block.FullPage(var title, var drawing) -> {
        if (!page.isEmpty()) newPage();
        contents.add(new Paper.Entry(title, pages.size() - 1));
        full.put(pages.size() - 1, drawing);
        page.addAll(drawing.shapes());
        newPage();
      }
      case Block.NewPage() -> {
        if (!page.isEmpty()) newPage();
      }
    }
  }

  private void newPage() {
    page = new ArrayList<>();
    pages.add(page);
    y = TOP;
  }

  private void room(double height) {
    if (y + height > HEIGHT - BOTTOM && !page.isEmpty()) newPage();
  }

  private void heading(String text, int level) {
    var size = level == 1 ? 6.0 : 4.2;
    room(size * 3);
    if (level == 1) contents.add(new Paper.Entry(text, pages.size() - 1));
    y += page.isEmpty() ? size : size * 1.5;
    for (var line : Faces.wrap(text, Face.BOLD, size, INNER)) {
      room(size);
      page.add(Shape.text(LEFT, y, line, Face.BOLD, size, Ink.TEXT));
      y += size * 1.1;
    }
    y += (level == 1 ? 3 : 1) - size * 1.1;
  }

  private void paragraph(String text) {
    for (var line : Faces.wrap(text, Face.TEXT, BODY, INNER)) {
      room(BODY * 1.4);
      y += BODY * 1.35;
      page.add(Shape.text(LEFT, y, line, Face.TEXT, BODY, Ink.TEXT));
    }
    y += BODY * 0.7;
  }

  private void notice(Block.Notice notice) {
    var lines = Faces.wrap(notice.text(), Face.TEXT, BODY, INNER - 10);
    for (var from = 0; from < lines.size(); from += MOST_LINES)
      notice(
          notice,
          from == 0 ? notice.title() : notice.title() + " (goes on)",
          lines.subList(from, Math.min(lines.size(), from + MOST_LINES)));
  }

  private void notice(Block.Notice notice, String title, List<String> lines) {
    var height = BODY * 1.4 * (lines.size() + 1) + 4;
    room(height + 2);
    y += 1;
    page.add(
        Shape.rectangle(
            LEFT,
            y,
            INNER,
            height,
            Optional.of(notice.ink().soft() == notice.ink() ? Ink.PAPER : notice.ink().soft()),
            Optional.empty()));
    page.add(Shape.rectangle(LEFT, y, 1.2, height, Optional.of(notice.ink()), Optional.empty()));
    var at = y + BODY + 2;
    page.add(Shape.text(LEFT + 5, at, title, Face.BOLD, BODY, Ink.TEXT));
    for (var line : lines) {
      at += BODY * 1.4;
      page.add(Shape.text(LEFT + 5, at, line, Face.TEXT, BODY, Ink.TEXT));
    }
    y += height + 1.5;
  }

  private void rows(ListTable table) {
    var total = table.columns().stream().mapToDouble(ListTable.Column::weight).sum();
    var widths =
        table.columns().stream().mapToDouble(column -> column.weight() / total * INNER).toArray();
    if (table.rows().isEmpty()) {
      paragraph("None.");
      return;
    }
    tableHead(table, widths);
    for (var row : table.rows()) {
      var cells = new ArrayList<List<String>>();
      var deepest = 1;
      for (var i = 0; i < row.size(); i++) {
        var lines = Faces.wrap(row.get(i), face(table, i), SMALL, widths[i] - 2);
        cells.add(lines);
        deepest = Math.max(deepest, lines.size());
      }
      // A row that is taller than a page goes on over as many as it needs.
      for (var from = 0; from < deepest; ) {
        var here = Math.min(deepest - from, MOST_LINES);
        var height = here * SMALL * 1.3 + 1.4;
        if (y + height > HEIGHT - BOTTOM) {
          newPage();
          tableHead(table, widths);
        }
        cells(table, widths, part(cells, from, from + here));
        y += height;
        from += here;
      }
      page.add(Shape.line(LEFT, y, LEFT + INNER, y, Shape.Pen.of(Ink.LINE, 0.15)));
    }
    y += 3;
  }

  /// Lines `from` to `to` of each cell.
  private static List<List<String>> part(List<List<String>> cells, int from, int to) {
    return cells.stream()
        .map(lines -> lines.subList(Math.min(from, lines.size()), Math.min(to, lines.size())))
        .toList();
  }

  private static Face face(ListTable table, int column) {
    return column == 0 && !table.columns().getFirst().number() ? Face.SEMIBOLD : Face.TEXT;
  }

  private void tableHead(ListTable table, double[] widths) {
    var lines = 1;
    for (var i = 0; i < widths.length; i++)
      lines =
          Math.max(
              lines,
              Faces.wrap(
                      table.columns().get(i).heading(), Face.SEMIBOLD, SMALL * 0.92, widths[i] - 2)
                  .size());
    room(10 + lines * SMALL);
    var x = LEFT;
    var top = y + 1;
    for (var i = 0; i < widths.length; i++) {
      var column = table.columns().get(i);
      var at = top + SMALL;
      for (var line : Faces.wrap(column.heading(), Face.SEMIBOLD, SMALL * 0.92, widths[i] - 2)) {
        page.add(
            column.number()
                ? Shape.text(
                    x + widths[i] - 1,
                    at,
                    line,
                    Face.SEMIBOLD,
                    SMALL * 0.92,
                    Ink.TEXT_SOFT,
                    Shape.Anchor.END)
                : Shape.text(x + 1, at, line, Face.SEMIBOLD, SMALL * 0.92, Ink.TEXT_SOFT));
        at += SMALL * 1.15;
      }
      x += widths[i];
    }
    y = top + lines * SMALL * 1.15 + 1;
    page.add(Shape.line(LEFT, y, LEFT + INNER, y, Shape.Pen.of(Ink.TEXT, 0.3)));
  }

  private void cells(ListTable table, double[] widths, List<List<String>> cells) {
    var x = LEFT;
    for (var i = 0; i < cells.size(); i++) {
      var at = y + SMALL + 0.8;
      for (var line : cells.get(i)) {
        page.add(
            table.columns().get(i).number()
                ? Shape.text(
                    x + widths[i] - 1, at, line, face(table, i), SMALL, Ink.TEXT, Shape.Anchor.END)
                : Shape.text(x + 1, at, line, face(table, i), SMALL, Ink.TEXT));
        at += SMALL * 1.3;
      }
      x += widths[i];
    }
  }

  private void sheet(Trail trail, String result) {
    room(12);
    y += BODY * 1.8;
    page.add(
        Shape.text(
            LEFT,
            y,
            Faces.fit(trail.title(), Face.SEMIBOLD, BODY, INNER * 0.75),
            Face.SEMIBOLD,
            BODY,
            Ink.TEXT));
    page.add(Shape.text(LEFT + INNER, y, result, Face.BOLD, BODY, Ink.TEXT, Shape.Anchor.END));
    y += 1;
    for (var line : trail.lines()) line(line);
    y += 1.5;
  }

  private void line(Line line) {
    var parts = Sheets.parts(line);
    var left = Faces.wrap(parts.formula(), Face.MONO, 2.5, INNER * 0.56 - 4);
    var right = Faces.wrap(parts.origin(), Face.TEXT, SMALL * 0.95, INNER * 0.44 - 2);
    var count = Math.max(left.size(), right.size());
    room(count * SMALL * 1.35);
    for (var i = 0; i < count; i++) {
      room(SMALL * 1.35);
      y += SMALL * 1.35;
      if (i < left.size())
        page.add(
            Shape.text(
                LEFT + (i == 0 ? 3 : 6),
                y,
                left.get(i),
                Face.MONO,
                2.5,
                parts.holds() ? Ink.TEXT : Ink.ERROR));
      if (i < right.size())
        page.add(
            Shape.text(
                LEFT + INNER * 0.56 + 2,
                y,
                right.get(i),
                Face.TEXT,
                SMALL * 0.95,
                parts.holds() ? Ink.TEXT_SOFT : Ink.ERROR));
    }
  }

  private void picture(Drawing drawing) {
    var scale =
        Math.min(
            1, Math.min(INNER / drawing.width(), (HEIGHT - TOP - BOTTOM - 20) / drawing.height()));
    room(drawing.height() * scale + 4);
    y += 2;
    for (var shape : drawing.shapes()) page.add(Scaled.at(shape, LEFT, y, scale));
    y += drawing.height() * scale + 2;
  }

  private List<Drawing> finish(String head, String revision, String foot) {
    var drawings = new ArrayList<Drawing>();
    if (page.isEmpty() && pages.size() > 1) pages.removeLast();
    for (var i = 0; i < pages.size(); i++) {
      var shapes = pages.get(i);
      var own = full.get(i);
      if (own != null) {
        shapes.add(
            Shape.text(
                10,
                own.height() - 5.6,
                Faces.fit(foot, Face.TEXT, 2.7, own.width() - 50),
                Face.TEXT,
                2.7,
                Ink.TEXT_SOFT));
        shapes.add(
            Shape.text(
                own.width() - 10,
                own.height() - 5.6,
                "page %d of %d".formatted(i + 1, pages.size()),
                Face.TEXT,
                2.7,
                Ink.TEXT_SOFT,
                Shape.Anchor.END));
        drawings.add(new Drawing(own.width(), own.height(), shapes, List.of()));
        continue;
      }
      shapes.add(
          Shape.text(
              LEFT,
              14,
              Faces.fit(head, Face.SEMIBOLD, BODY, INNER - 60),
              Face.SEMIBOLD,
              BODY,
              Ink.TEXT));
      shapes.add(
          Shape.text(LEFT + INNER, 14, revision, Face.TEXT, BODY, Ink.TEXT_SOFT, Shape.Anchor.END));
      shapes.add(Shape.line(LEFT, 17, LEFT + INNER, 17, Shape.Pen.of(Ink.ACCENT, 0.35)));
      shapes.add(
          Shape.line(LEFT, HEIGHT - 14, LEFT + INNER, HEIGHT - 14, Shape.Pen.of(Ink.LINE, 0.2)));
      shapes.add(
          Shape.text(
              LEFT,
              HEIGHT - 9.5,
              Faces.fit(foot, Face.TEXT, 2.7, INNER - 30),
              Face.TEXT,
              2.7,
              Ink.TEXT_SOFT));
      shapes.add(
          Shape.text(
              LEFT + INNER,
              HEIGHT - 9.5,
              "page %d of %d".formatted(i + 1, pages.size()),
              Face.TEXT,
              2.7,
              Ink.TEXT_SOFT,
              Shape.Anchor.END));
      drawings.add(new Drawing(WIDTH, HEIGHT, shapes, List.of()));
    }
    return drawings;
  }
}
