package nelvar.documents.content;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;

/// Lets one table fall onto pages: columns as wide as what stands in them, several runs of rows
/// abreast where they are narrow, filled evenly on the last page.
final class TableSetter {
  private static final double SIZE = 2.5;
  private static final double LINE = SIZE * 1.2;
  private static final double PAD = 0.42;
  private static final double GAP = 5;
  private static final int MOST_ABREAST = 8;

  /// A narrow table is made wider, but only so far: eyes would lose the row.
  private static final double STRETCH = 1.4;

  /// How many lines of one row stand together; longer ones go on in the next run.
  private static final int MOST_LINES = 45;

  /// What a pen needs, mm.
  private static final double BY_HAND = 16;

  /// Rows that may be wrapped so that a column need not be as wide as its widest cell.
  private static final double WIDEST = 0.96;

  private final ListTable table;
  private final Pages pages;
  private final List<Integer> shown;
  private final int abreast;
  private final double[] widths;
  private final List<Row> rows = new ArrayList<>();
  private final double wide;
  private final double head;

  /// @param group what is said of all rows that follow; then there are no cells
  private record Row(List<List<String>> cells, double height, boolean group, int from) {}

  private TableSetter(ListTable table, Pages pages) {
    this.table = table;
    this.pages = pages;
    this.shown =
        IntStream.range(0, table.columns().size())
            .filter(column -> !table.groups().contains(column))
            .boxed()
            .toList();
    var natural = shown.stream().mapToDouble(this::natural).toArray();
    var sum = Arrays.stream(natural).sum();
    var most = Math.max(1, Math.min(MOST_ABREAST, table.cells().size() / 4));
    var fitting = 1;
    while (fitting < most && run(fitting + 1) >= sum) fitting++;
    this.abreast = fitting;
    this.widths =
        sum <= run(1)
            ? stretched(
                natural, fitting == 1 ? Math.min(STRETCH, run(1) / sum) : run(fitting) / sum)
            : shared(natural);
    this.wide = Arrays.stream(widths).sum();
    cut();
    var deepest = 1;
    for (var i = 0; i < widths.length; i++) deepest = Math.max(deepest, heading(i).size());
    this.head = deepest * SIZE * 1.1 + 1.6;
  }

  static void set(ListTable table, Pages pages) {
    if (!table.cells().isEmpty()) new TableSetter(table, pages).set();
  }

  private static double run(int abreast) {
    return (Pages.INNER - GAP * (abreast - 1)) / abreast;
  }

  private static double[] stretched(double[] widths, double by) {
    return Arrays.stream(widths).map(width -> width * by).toArray();
  }

  /// How wide a column wants to be: nearly all of its cells on one line, numbers and words of its
  /// heading whole.
  private double natural(int column) {
    var heading = table.columns().get(column).byHand() ? BY_HAND : 0.0;
    for (var word : heading(table.columns().get(column)).split(" ", -1))
      heading = Math.max(heading, Faces.width(word, Face.SEMIBOLD, SIZE * 0.92));
    var cells =
        table.cells().stream()
            .mapToDouble(row -> Faces.width(text(row.get(column)), face(column), SIZE))
            .sorted()
            .toArray();
    var at = table.columns().get(column).number() ? cells.length : WIDEST * cells.length;
    return Math.max(heading, cells[Math.max(0, (int) Math.ceil(at) - 1)]) + 2;
  }

  /// Narrow columns get what they want, wide ones share the rest by their weights.
  private double[] shared(double[] natural) {
    var result = new double[natural.length];
    var open = new ArrayList<>(IntStream.range(0, natural.length).boxed().toList());
    var left = run(1);
    while (true) {
      var weights = open.stream().mapToDouble(this::weight).sum();
      var rest = left;
      var narrow = open.stream().filter(i -> natural[i] <= rest * weight(i) / weights).toList();
      if (narrow.isEmpty() || narrow.size() == open.size()) {
        for (var i : open) result[i] = rest * weight(i) / weights;
        return result;
      }
      for (var i : narrow) {
        result[i] = natural[i];
        left -= natural[i];
      }
      open.removeAll(narrow);
    }
  }

  private double weight(int i) {
    return table.columns().get(shown.get(i)).weight();
  }

  private String text(ListTable.Cell cell) {
    return cell instanceof ListTable.Cell.Reference(var words, var to)
        ? words.isEmpty()
            ? pages.page(to).map(page -> Integer.toString(page + 1)).orElse("")
            : words
        : cell.printed();
  }

  private Face face(int column) {
    return column == shown.getFirst() && !table.columns().get(column).number()
        ? Face.SEMIBOLD
        : Face.TEXT;
  }

  private List<String> heading(int i) {
    return Faces.wrap(
        heading(table.columns().get(shown.get(i))), Face.SEMIBOLD, SIZE * 0.92, widths[i] - 1.6);
  }

  /// A unit stays with the word before it.
  private static String heading(ListTable.Column column) {
    return column.heading().replaceAll(" (?=\\S{1,2}$)", "\u00a0");
  }

  private void cut() {
    var group = List.<List<String>>of();
    for (var number = 0; number < table.cells().size(); number++) {
      var row = table.cells().get(number);
      if (!table.groups().isEmpty()) {
        var here = group(row);
        if (!here.equals(group)) rows.add(new Row(here, height(here), true, number));
        group = here;
      }
      var cells = new ArrayList<List<String>>();
      var deepest = 1;
      for (var i = 0; i < widths.length; i++) {
        var column = shown.get(i);
        var lines = Faces.wrap(text(row.get(column)), face(column), SIZE, widths[i] - 1.6);
        cells.add(lines);
        deepest = Math.max(deepest, lines.size());
      }
      for (var from = 0; from < deepest; from += MOST_LINES) {
        var to = Math.min(deepest, from + MOST_LINES);
        rows.add(new Row(part(cells, from, to), (to - from) * LINE + 2 * PAD, false, number));
      }
    }
  }

  /// What is said once of all rows that follow: its words, each in as many lines as they need.
  private List<List<String>> group(List<ListTable.Cell> row) {
    var words =
        table.groups().stream()
            .map(column -> row.get(column).printed())
            .filter(text -> !text.isEmpty())
            .toList();
    if (words.size() == 2
        && Faces.width(words.getFirst() + "  ", Face.SEMIBOLD, SIZE)
                + Faces.width(words.getLast(), Face.TEXT, SIZE)
            < run(abreast)) return List.of(List.of(words.getFirst(), SAME_LINE + words.getLast()));
    var said = new ArrayList<List<String>>();
    for (var text : words) {
      var face = said.isEmpty() ? Face.SEMIBOLD : Face.TEXT;
      // Whole in the list as a file; here it must leave room for the rows.
      var most = Faces.fit(text, face, SIZE, MOST_SAID * run(abreast));
      said.add(Faces.wrap(most, face, SIZE, run(abreast)));
    }
    return said;
  }

  /// How many lines a group may take to say what it is, about.
  private static final double MOST_SAID = 5;

  /// Marks what stands behind the words before it, and not below them.
  private static final String SAME_LINE = "\u0000";

  private static long lines(List<List<String>> said) {
    return said.stream().flatMap(List::stream).filter(line -> !line.startsWith(SAME_LINE)).count();
  }

  private static double height(List<List<String>> said) {
    return lines(said) * LINE + 2 * PAD + 0.9;
  }

  /// Lines `from` to `to` of each cell.
  private static List<List<String>> part(List<List<String>> cells, int from, int to) {
    return cells.stream()
        .map(lines -> lines.subList(Math.min(from, lines.size()), Math.min(to, lines.size())))
        .toList();
  }

  private void set() {
    for (var from = 0; from < rows.size(); ) {
      pages.room(head + rows.get(from).height() + (from + 1 < rows.size() ? 8 : 0));
      var whole = pages.left() - head - 1;
      var height = whole;
      if (ends(from, whole).getLast() == rows.size()) {
        var least = 0.0;
        for (var step = 0; step < 14; step++) {
          var middle = (least + height) / 2;
          if (ends(from, middle).getLast() == rows.size()) height = middle;
          else least = middle;
        }
      }
      from = place(from, height);
      if (from < rows.size()) pages.next();
    }
    pages.down(3);
  }

  /// Where each run ends if none is higher than that.
  private List<Integer> ends(int from, double height) {
    var ends = new ArrayList<Integer>();
    var at = from;
    for (var run = 0; run < abreast; run++) {
      var so = goesOn(at) ? LINE + 2 * PAD + 0.9 : 0.0;
      var begin = at;
      while (at < rows.size()
          && (so + rows.get(at).height() <= height || (at == begin && height > 20))) {
        so += rows.get(at).height();
        at++;
      }
      // What is said of a group does not stand alone below it.
      if (at < rows.size() && at > begin + 1 && rows.get(at - 1).group()) at--;
      ends.add(at);
    }
    return ends;
  }

  /// Whether a run that begins here begins within a group.
  private boolean goesOn(int at) {
    return !table.groups().isEmpty() && at < rows.size() && !rows.get(at).group();
  }

  /// @return the first row that is not placed
  private int place(int from, double height) {
    var top = pages.y() + 1;
    var lowest = top + head;
    var at = from;
    for (var run = 0; run < abreast; run++) {
      var end = ends(from, height).get(run);
      if (end == at) continue;
      var x = Pages.LEFT + run * (run(abreast) + GAP);
      head(x, top);
      var y = top + head;
      if (goesOn(at)) {
        var first = group(table.cells().get(rows.get(at).from())).getFirst().getFirst();
        y =
            said(
                x,
                y,
                List.of(
                    List.of(
                        Faces.fit(first, Face.SEMIBOLD, SIZE, run(abreast) - 14) + " (goes on)")));
      }
      for (var row : rows.subList(at, end)) {
        if (row.group()) {
          pages.anchor(
              table.name()
                  + "/"
                  + table.cells().get(row.from()).get(table.groups().getFirst()).printed());
          y = said(x, y, row.cells());
          continue;
        }
        cells(x, y, row);
        y += row.height();
        pages.add(Shape.line(x, y, x + wide, y, Shape.Pen.of(Ink.LINE, 0.12)));
      }
      lowest = Math.max(lowest, y);
      at = end;
    }
    pages.down(lowest - pages.y());
    return at;
  }

  private double said(double x, double y, List<List<String>> said) {
    var at = y + SIZE * 0.88 + PAD + 0.9;
    for (var words : said) {
      var first = words == said.getFirst();
      for (var line : words) {
        if (line.startsWith(SAME_LINE)) {
          var before = Faces.width(words.getFirst() + "  ", Face.SEMIBOLD, SIZE);
          pages.add(
              Shape.text(x + before, at - LINE, line.substring(1), Face.TEXT, SIZE, Ink.TEXT_SOFT));
          continue;
        }
        pages.add(
            Shape.text(
                x,
                at,
                line,
                first ? Face.SEMIBOLD : Face.TEXT,
                SIZE,
                first ? Ink.ACCENT : Ink.TEXT_SOFT));
        at += LINE;
      }
    }
    return y + height(said);
  }

  private void head(double x, double top) {
    var left = x;
    for (var i = 0; i < widths.length; i++) {
      var at = top + SIZE;
      for (var line : heading(i)) {
        pages.add(label(left, widths[i], at, line, Face.SEMIBOLD, SIZE * 0.92, i, Ink.TEXT_SOFT));
        at += SIZE * 1.1;
      }
      left += widths[i];
    }
    var below = top + head - 0.3;
    pages.add(Shape.line(x, below, x + wide, below, Shape.Pen.of(Ink.TEXT, 0.25)));
  }

  private Shape label(
      double x, double width, double y, String text, Face face, double size, int i, Ink ink) {
    return table.columns().get(shown.get(i)).number()
        ? Shape.text(x + width - 0.8, y, text, face, size, ink, Shape.Anchor.END)
        : Shape.text(x + 0.8, y, text, face, size, ink);
  }

  private void cells(double x, double y, Row row) {
    var left = x;
    for (var i = 0; i < widths.length; i++) {
      var at = y + PAD + SIZE * 0.88;
      for (var line : row.cells().get(i)) {
        pages.add(label(left, widths[i], at, line, face(shown.get(i)), SIZE, i, Ink.TEXT));
        at += LINE;
      }
      if (table.cells().get(row.from()).get(shown.get(i))
          instanceof ListTable.Cell.Reference(_, var to)) {
        var place = left;
        var width = widths[i];
        pages
            .page(to)
            .ifPresent(target ->
                pages.link(new Paper.Link(pages.current(), place, y, width, row.height(), target)));
      }
      left += widths[i];
    }
  }
}
