package nelvar.documents.content;

import java.util.ArrayList;
import java.util.List;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;

/// The pages that say where everything stands: kept free while the others fill, and written when
/// their numbers are known.
final class ContentsPage {
  static final String TITLE = "Contents";
  private static final double SIZE = 3;
  private static final double PITCH = 4.75;
  private static final double GAP = 9;
  private static final double RUN = (Pages.INNER - GAP) / 2;
  private static final double FIRST = Pages.TOP + 12;
  private static final double LAST = Pages.HEIGHT - Pages.BOTTOM - 4;

  private final Pages pages;
  private final int first;
  private final String beside;

  private ContentsPage(Pages pages, int first, String beside) {
    this.pages = pages;
    this.first = first;
    this.beside = beside;
  }

  /// How many lines stand on one page, in two runs.
  private static int lines() {
    return 2 * (int) ((LAST - FIRST) / PITCH);
  }

  /// Keeps as many pages as the headings of `blocks` will need.
  static ContentsPage reserve(Pages pages, List<Block> blocks, String beside) {
    var first = pages.current();
    var title = Shape.text(Pages.LEFT, Pages.TOP + 6, TITLE, Face.BOLD, 6, Ink.TEXT);
    pages.add(title);
    pages.enter(new Paper.Entry(TITLE, first, 1, Pages.TOP, List.of(title)));
    var chapters = new java.util.HashSet<String>();
    var needed =
        blocks.stream()
            .mapToInt(block ->
                switch (block) {
                  case Block.Heading(_, var level) -> level <= 2 ? 1 : 0;
                  case Block.FullPage full -> chapters.add(full.chapter()) ? 2 : 1;
                  default -> 0;
                })
            .sum();
    var below = Faces.wrap(beside, Face.TEXT, SIZE, Pages.INNER).size();
    for (var page = lines(); page < needed + 2 * (below + 2); page += lines()) pages.next();
    pages.next();
    return new ContentsPage(pages, first, beside);
  }

  void write() {
    var entries =
        pages.contents().stream()
            .filter(entry -> entry.level() <= 2 && entry.page() != first)
            .toList();
    for (var from = 0; from < entries.size(); from += lines()) {
      var here = entries.subList(from, Math.min(entries.size(), from + lines()));
      var half = (here.size() + 1) / 2;
      var number = first + from / lines();
      for (var i = 0; i < here.size(); i++)
        line(
            here.get(i),
            number,
            Pages.LEFT + (i < half ? 0 : RUN + GAP),
            FIRST + (i < half ? i : i - half) * PITCH);
      if (from + lines() >= entries.size()) {
        var top = FIRST + half * PITCH + 4;
        if (top + below() > LAST + 4) beside(number + 1, FIRST);
        else beside(number, top);
      }
    }
  }

  private void line(Paper.Entry entry, int number, double x, double y) {
    var chapter = entry.level() == 1;
    var face = chapter ? Face.SEMIBOLD : Face.TEXT;
    var indent = chapter ? 0 : 4;
    var page = Integer.toString(entry.page() + 1);
    var title = Faces.fit(entry.title(), face, SIZE, RUN - indent - 10);
    var shapes = new ArrayList<Shape>();
    shapes.add(Shape.text(x + indent, y, title, face, SIZE, Ink.TEXT));
    shapes.add(Shape.text(x + RUN, y, page, face, SIZE, Ink.TEXT, Shape.Anchor.END));
    var begin = x + indent + Faces.width(title, face, SIZE) + 1.5;
    var end = x + RUN - Faces.width(page, face, SIZE) - 1.5;
    if (end > begin)
      shapes.add(
          Shape.line(begin, y - 0.2, end, y - 0.2, new Shape.Pen(Ink.TEXT_FAINT, 0.15, 0.8)));
    pages.shapes(number).addAll(shapes);
    pages.link(new Paper.Link(number, x, y - SIZE, RUN, PITCH, entry.page()));
  }

  private double below() {
    return Faces.wrap(beside, Face.TEXT, SIZE, Pages.INNER).size() * SIZE * 1.4;
  }

  private void beside(int number, double top) {
    var y = top;
    for (var line : Faces.wrap(beside, Face.TEXT, SIZE, Pages.INNER)) {
      pages.shapes(number).add(Shape.text(Pages.LEFT, y, line, Face.TEXT, SIZE, Ink.TEXT_SOFT));
      y += SIZE * 1.4;
    }
  }
}
