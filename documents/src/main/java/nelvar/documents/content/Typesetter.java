package nelvar.documents.content;

import static nelvar.documents.content.Pages.INNER;
import static nelvar.documents.content.Pages.LEFT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.trail.Line;
import nelvar.core.trail.Trail;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Scaled;
import nelvar.documents.drawing.Shape;

/// Lets blocks fall onto A4 pages, with head and foot on each.
public final class Typesetter {
  private static final double BODY = 3.2;
  private static final double FINE = 2.6;
  private static final double SMALL = 2.75;
  private static final double COLUMN_GAP = 4;

  /// From one line of a working to the next.
  private static final double STEP = 3.45;

  /// How many lines of one notice stand together; longer ones go on over the next page.
  private static final int MOST_LINES = 45;

  /// A place on another sheet: its number before the column and the row.
  private static final Pattern SPOT =
      Pattern.compile("(?<![\\w.])([0-9]{1,4})\\.[0-9]+[A-Z](?!\\w)");

  private final Pages pages = new Pages();
  private final List<Block> blocks;
  private Optional<ContentsPage> front = Optional.empty();
  private String chapter = "";

  private Typesetter(List<Block> blocks) {
    this.blocks = blocks;
  }

  /// @param head stands at the top left of each page, `foot` at its bottom left
  public static Paper set(List<Block> blocks, String head, String revision, String foot) {
    var setter = new Typesetter(blocks);
    for (var i = 0; i < blocks.size(); i++) {
      // A heading does not stand alone at the foot of a page.
      if (blocks.get(i) instanceof Block.Heading) setter.pages.room(wanted(blocks, i));
      setter.put(blocks.get(i));
    }
    setter.pages.end();
    setter.front.ifPresent(ContentsPage::write);
    setter.references();
    return new Paper(
        setter.finish(head, revision, foot), setter.pages.contents(), setter.pages.links());
  }

  private void put(Block block) {
    switch (block) {
      case Block.Heading(var text, var level) -> heading(text, level);
      case Block.Paragraph(var text) -> paragraph(text, BODY);
      case Block.Fine(var text) -> paragraph(text, FINE);
      case Block.Notice notice -> notice(notice);
      case Block.Rows(var table) -> rows(table);
      case Block.Sheet(var trail, var result) -> sheet(trail, result);
      case Block.Picture(var drawing) -> picture(drawing);
      case Block.Gallery gallery -> gallery(gallery);
      case Block.FullPage full -> {
        if (!pages.fresh()) pages.next();
        if (!full.chapter().equals(chapter)) {
          chapter = full.chapter();
          pages.enter(new Paper.Entry(chapter, pages.current(), 1, 0, List.of()));
        }
        pages.enter(new Paper.Entry(full.title(), pages.current(), 2, 0, List.of()));
        pages.add(full.drawing());
      }
      case Block.NewPage() -> {
        if (!pages.fresh()) pages.next();
      }
      case Block.Contents(var beside) -> {
        if (!pages.fresh()) pages.next();
        front = Optional.of(ContentsPage.reserve(pages, blocks, beside));
      }
    }
  }

  /// What stands on a sheet of another one leads to it.
  private void references() {
    for (var number = 0; number < pages.count(); number++) {
      if (pages.own(number).isEmpty()) continue;
      for (var shape : pages.shapes(number)) {
        if (!(shape instanceof Shape.Label label)) continue;
        for (var spots = SPOT.matcher(label.text()); spots.find(); )
          lead(number, label, spots.start(), spots.end(), Integer.parseInt(spots.group(1)));
      }
    }
  }

  /// What stands between two letters of a label leads to a sheet.
  private void lead(int number, Shape.Label label, int from, int to, int sheet) {
    var bounds = label.bounds();
    var begin = Faces.width(label.text().substring(0, from), label.face(), label.size());
    var wide = Faces.width(label.text().substring(from, to), label.face(), label.size());
    pages
        .page(CircuitPicture.name(sheet))
        .filter(target -> target != number)
        .ifPresent(target ->
            pages.link(
                label.turned()
                    ? new Paper.Link(
                        number,
                        bounds[0],
                        bounds[3] - begin - wide,
                        bounds[2] - bounds[0],
                        wide,
                        target)
                    : new Paper.Link(
                        number,
                        bounds[0] + begin,
                        bounds[1],
                        wide,
                        bounds[3] - bounds[1],
                        target)));
  }

  private void heading(String text, int level) {
    var size =
        switch (level) {
          case 1 -> 6.0;
          case 2 -> 4.2;
          default -> 3.5;
        };
    pages.room(size * 3);
    var top = pages.y();
    pages.down(pages.fresh() ? size : size * 1.4);
    var lines = new ArrayList<Shape>();
    for (var line : Faces.wrap(text, Face.BOLD, size, INNER)) {
      pages.room(size);
      var label = Shape.text(LEFT, pages.y(), line, Face.BOLD, size, Ink.TEXT);
      pages.add(label);
      lines.add(label);
      pages.down(size * 1.1);
    }
    pages.enter(new Paper.Entry(text, pages.current(), level, top, lines));
    pages.down((level == 1 ? 2.6 : 1) - size * 1.1);
  }

  private void paragraph(String text, double size) {
    for (var line : Faces.wrap(text, Face.TEXT, size, INNER)) {
      pages.room(size * 1.4);
      pages.down(size * 1.35);
      pages.add(Shape.text(LEFT, pages.y(), line, Face.TEXT, size, Ink.TEXT));
    }
    pages.down(size * 0.7);
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
    pages.room(height + 2);
    pages.down(1);
    pages.add(
        Shape.rectangle(
            LEFT,
            pages.y(),
            INNER,
            height,
            Optional.of(notice.ink().soft() == notice.ink() ? Ink.PAPER : notice.ink().soft()),
            Optional.empty()));
    pages.add(
        Shape.rectangle(LEFT, pages.y(), 1.2, height, Optional.of(notice.ink()), Optional.empty()));
    var at = pages.y() + BODY + 2;
    pages.add(Shape.text(LEFT + 5, at, title, Face.BOLD, BODY, Ink.TEXT));
    for (var line : lines) {
      at += BODY * 1.4;
      pages.add(Shape.text(LEFT + 5, at, line, Face.TEXT, BODY, Ink.TEXT));
    }
    pages.down(height + 1.5);
  }

  private void rows(ListTable table) {
    if (table.rows().isEmpty()) paragraph("None.", BODY);
    else TableSetter.set(table, pages);
  }

  private void sheet(Trail trail, String result) {
    pages.room(12);
    pages.down(BODY * 1.8);
    pages.add(
        Shape.text(
            LEFT,
            pages.y(),
            Faces.fit(trail.title(), Face.SEMIBOLD, BODY, INNER * 0.75),
            Face.SEMIBOLD,
            BODY,
            Ink.TEXT));
    pages.add(
        Shape.text(LEFT + INNER, pages.y(), result, Face.BOLD, BODY, Ink.TEXT, Shape.Anchor.END));
    pages.down(1);
    lines(trail.lines());
    pages.down(1.5);
  }

  /// What is only given stands two abreast where there is much of it.
  private void lines(List<Line> lines) {
    for (var from = 0; from < lines.size(); ) {
      var to = from;
      while (to < lines.size() && narrow(lines.get(to))) to++;
      if (to - from < 4) {
        line(lines.get(from));
        from++;
        continue;
      }
      for (; from < to; from += 2) {
        pages.room(STEP);
        pages.down(STEP);
        half(lines.get(from), LEFT + 3);
        if (from + 1 < to) half(lines.get(from + 1), LEFT + INNER / 2 + 3);
      }
      from = to;
    }
  }

  private static boolean narrow(Line line) {
    if (!(line instanceof Line.Given)) return false;
    var parts = Sheets.parts(line);
    return Faces.width(parts.formula(), Face.MONO, 2.5)
            + Faces.width(parts.origin(), Face.TEXT, SMALL * 0.95)
        < INNER / 2 - 9;
  }

  private void half(Line line, double x) {
    var parts = Sheets.parts(line);
    pages.add(Shape.text(x, pages.y(), parts.formula(), Face.MONO, 2.5, Ink.TEXT));
    pages.add(
        Shape.text(
            x + Faces.width(parts.formula(), Face.MONO, 2.5) + 3,
            pages.y(),
            parts.origin(),
            Face.TEXT,
            SMALL * 0.95,
            Ink.TEXT_SOFT));
  }

  private void line(Line line) {
    var parts = Sheets.parts(line);
    var left = Faces.wrap(parts.formula(), Face.MONO, 2.5, INNER * 0.56 - 4);
    var right = Faces.wrap(parts.origin(), Face.TEXT, SMALL * 0.95, INNER * 0.44 - 2);
    var count = Math.max(left.size(), right.size());
    pages.room(count * STEP);
    for (var i = 0; i < count; i++) {
      pages.room(STEP);
      pages.down(STEP);
      if (i < left.size())
        pages.add(
            Shape.text(
                LEFT + (i == 0 ? 3 : 6),
                pages.y(),
                left.get(i),
                Face.MONO,
                2.5,
                parts.holds() ? Ink.TEXT : Ink.ERROR));
      if (i < right.size())
        pages.add(
            Shape.text(
                LEFT + INNER * 0.56 + 2,
                pages.y(),
                right.get(i),
                Face.TEXT,
                SMALL * 0.95,
                parts.holds() ? Ink.TEXT_SOFT : Ink.ERROR));
    }
  }

  private void gallery(Block.Gallery gallery) {
    var width = (INNER - COLUMN_GAP * (gallery.columns() - 1)) / gallery.columns();
    var ends = new double[gallery.columns()];
    java.util.Arrays.fill(ends, pages.y());
    for (var one : gallery.drawings()) {
      var title = one.title().isEmpty() ? 0 : BODY * 2;
      var scale =
          Math.min(
              Math.min(1, width / one.drawing().width()),
              (Pages.HEIGHT - Pages.TOP - Pages.BOTTOM - 30) / one.drawing().height());
      var height = one.drawing().height() * scale + title + 3;
      var column = 0;
      for (var i = 1; i < ends.length; i++) if (ends[i] < ends[column] - 0.01) column = i;
      if (ends[column] + height > Pages.HEIGHT - Pages.BOTTOM && !pages.fresh()) {
        pages.next();
        java.util.Arrays.fill(ends, pages.y());
        column = 0;
      }
      var x = LEFT + column * (width + COLUMN_GAP);
      if (title > 0)
        pages.add(
            Shape.text(
                x,
                ends[column] + BODY * 1.6,
                Faces.fit(one.title(), Face.SEMIBOLD, BODY, width),
                Face.SEMIBOLD,
                BODY,
                Ink.TEXT));
      for (var shape : one.drawing().shapes())
        pages.add(Scaled.at(shape, x, ends[column] + title + 1, scale));
      ends[column] += height;
    }
    pages.down(java.util.Arrays.stream(ends).max().orElse(pages.y()) - pages.y());
  }

  /// How much of a page a heading wants below it: it stands on one page with the picture that
  /// follows.
  private static double wanted(List<Block> blocks, int heading) {
    var least = 30.0;
    var so = 12.0;
    for (var i = heading + 1; i < blocks.size(); i++) {
      switch (blocks.get(i)) {
        case Block.Heading _ -> so += 8;
        case Block.Paragraph(var text) ->
            so += Faces.wrap(text, Face.TEXT, BODY, INNER).size() * BODY * 1.35 + BODY;
        case Block.Picture(var drawing) -> {
          return Math.max(least, so + drawing.height() * scale(drawing) + 4);
        }
        case Block.Gallery(var drawings, var columns) -> {
          var width = (INNER - COLUMN_GAP * (columns - 1)) / columns;
          return Math.max(
              least,
              so
                  + drawings.stream()
                      .limit(1)
                      .mapToDouble(one ->
                          one.drawing().height() * Math.min(1, width / one.drawing().width()) + 12)
                      .sum());
        }
        case Block.Fine _,
            Block.Notice _,
            Block.Rows _,
            Block.Sheet _,
            Block.FullPage _,
            Block.NewPage _,
            Block.Contents _ -> {
          return least;
        }
      }
    }
    return least;
  }

  private static double scale(Drawing drawing) {
    return Math.min(
        1,
        Math.min(
            INNER / drawing.width(),
            (Pages.HEIGHT - Pages.TOP - Pages.BOTTOM - 20) / drawing.height()));
  }

  private void picture(Drawing drawing) {
    var scale = scale(drawing);
    pages.room(drawing.height() * scale + 4);
    pages.down(2);
    for (var shape : drawing.shapes()) pages.add(Scaled.at(shape, LEFT, pages.y(), scale));
    pages.down(drawing.height() * scale + 2);
  }

  private List<Drawing> finish(String head, String revision, String foot) {
    var drawings = new ArrayList<Drawing>();
    for (var i = 0; i < pages.count(); i++) {
      var number = "page %d of %d".formatted(i + 1, pages.count());
      var own = pages.own(i);
      var shapes = new ArrayList<>(pages.shapes(i));
      if (own.isPresent()) {
        var width = own.get().width();
        var base = own.get().height() - 5.6;
        small(shapes, 10, width - 10, base, Faces.fit(foot, Face.TEXT, 2.7, width - 50), number);
        drawings.add(new Drawing(width, own.get().height(), shapes, List.of()));
        continue;
      }
      var right = LEFT + INNER;
      var title = Faces.fit(head, Face.SEMIBOLD, BODY, INNER - 60);
      shapes.add(Shape.text(LEFT, 14, title, Face.SEMIBOLD, BODY, Ink.TEXT));
      shapes.add(Shape.text(right, 14, revision, Face.TEXT, BODY, Ink.TEXT_SOFT, Shape.Anchor.END));
      shapes.add(Shape.line(LEFT, 17, right, 17, Shape.Pen.of(Ink.ACCENT, 0.35)));
      var below = Pages.HEIGHT - 14;
      shapes.add(Shape.line(LEFT, below, right, below, Shape.Pen.of(Ink.LINE, 0.2)));
      small(shapes, LEFT, right, below + 4.5, Faces.fit(foot, Face.TEXT, 2.7, INNER - 30), number);
      drawings.add(new Drawing(Pages.WIDTH, Pages.HEIGHT, shapes, List.of()));
    }
    return drawings;
  }

  private static void small(
      List<Shape> shapes, double left, double right, double y, String at, String end) {
    shapes.add(Shape.text(left, y, at, Face.TEXT, 2.7, Ink.TEXT_SOFT));
    shapes.add(Shape.text(right, y, end, Face.TEXT, 2.7, Ink.TEXT_SOFT, Shape.Anchor.END));
  }
}
