package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.documents.content.Block;
import nelvar.documents.content.ListTable;
import nelvar.documents.content.Paper;
import nelvar.documents.content.Sheets;
import nelvar.documents.content.Typesetter;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;

class TypesetterTest {
  private static Paper set(Block... blocks) {
    return Typesetter.set(List.of(blocks), "Machine", "revision A", "foot");
  }

  private static List<String> words(Drawing page) {
    return page.shapes().stream()
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text().replace('\u00a0', ' '))
        .toList();
  }

  private static ListTable table(int rows) {
    var cells = new ArrayList<List<ListTable.Cell>>();
    for (var row = 0; row < rows; row++)
      cells.add(ListTable.row("W" + row, "a purpose that is told in some words", "1.5"));
    return new ListTable(
        "t",
        "Things",
        List.of(
            ListTable.Column.text("Thing", 1),
            ListTable.Column.text("Purpose", 2),
            ListTable.Column.number("Length m", 1)),
        cells);
  }

  @Test
  void everyPageHasHeadFootAndNumber() {
    var paper = set(new Block.Rows(table(900)));
    assertThat(paper.pages().size()).isGreaterThan(3);
    for (var page = 0; page < paper.pages().size(); page++)
      assertThat(words(paper.pages().get(page)))
          .contains(
              "Machine",
              "revision A",
              "foot",
              "page %d of %d".formatted(page + 1, paper.pages().size()));
  }

  @Test
  void aLongTableRepeatsItsHeadingsAndLosesNoRow() {
    var paper = set(new Block.Rows(table(900)));
    var seen = new ArrayList<String>();
    for (var page : paper.pages()) {
      assertThat(words(page)).contains("Thing", "Purpose", "Length m");
      words(page).stream().filter(word -> word.matches("W[0-9]+")).forEach(seen::add);
    }
    assertThat(seen).hasSize(900).startsWith("W0").endsWith("W899");
  }

  @Test
  void numbersStandAtTheRightOfTheirColumn() {
    var page = set(new Block.Rows(table(3))).pages().getFirst();
    var ends =
        page.shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(Shape.Label.class::cast)
            .filter(label -> label.text().equals("1.5"))
            .toList();
    assertThat(ends).hasSize(3).allMatch(label -> label.anchor() == Shape.Anchor.END);
    assertThat(ends.stream().map(Shape.Label::x).distinct()).hasSize(1);
  }

  @Test
  void anEmptyListSaysSo() {
    assertThat(words(set(new Block.Rows(table(0))).pages().getFirst())).contains("None.");
  }

  @Test
  void aHeadingIsNotLeftAloneAtTheFoot() {
    var blocks = new ArrayList<Block>();
    for (var i = 0; i < 60; i++) {
      blocks.add(new Block.Heading("Chapter " + i, 1));
      blocks.add(new Block.Paragraph("One line."));
    }
    var paper = Typesetter.set(blocks, "Machine", "revision A", "foot");
    for (var page : paper.pages()) {
      var lowest =
          page.shapes().stream()
              .filter(Shape.Label.class::isInstance)
              .map(Shape.Label.class::cast)
              .filter(label -> label.y() < page.height() - 15)
              .max(java.util.Comparator.comparingDouble(Shape.Label::y))
              .orElseThrow();
      assertThat(lowest.text()).isEqualTo("One line.");
    }
    assertThat(paper.contents()).hasSize(60);
  }

  @Test
  void newPageOnAnEmptyPageMakesNone() {
    assertThat(set(new Block.NewPage(), new Block.NewPage(), new Block.Paragraph("x")).pages())
        .hasSize(1);
    assertThat(set(new Block.Paragraph("x"), new Block.NewPage(), new Block.Paragraph("y")).pages())
        .hasSize(2);
    assertThat(set().pages()).hasSize(1);
  }

  @Test
  void aWideDrawingIsScaledToThePage() {
    var wide =
        new Drawing(
            900,
            300,
            List.of(
                Shape.rectangle(
                    0, 0, 900, 300, Optional.empty(), Optional.of(Shape.Pen.of(Ink.TEXT, 1))),
                Shape.text(850, 290, "end", Face.TEXT, 10, Ink.TEXT)),
            List.of());
    var page = set(new Block.Picture(wide)).pages().getFirst();
    var label =
        page.shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(Shape.Label.class::cast)
            .filter(l -> l.text().equals("end"))
            .findFirst()
            .orElseThrow();
    assertThat(label.x() + Faces.width("end", Face.TEXT, label.size())).isLessThan(page.width());
    assertThat(label.size())
        .isCloseTo(10 * 176 / 900.0, org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void aCalculationSheetShowsFormulaOriginAndABrokenLimitInRed() {
    var w = Working.of("Drop");
    var i = w.given("I", new Current(5), "pump");
    w.assumed("T", new Current(1), "no better value");
    var judged =
        Explained.atMost(
            w.explain(w.result("I2", "2 · I", i.times(2))),
            "I2",
            new Current(8),
            Citation.recalled("Standard", "Table 1"));
    var page = set(new Block.Sheet(judged.trail(), "10 A")).pages().getFirst();
    assertThat(words(page))
        .contains(
            "Drop",
            "10 A",
            "I = 5 A",
            "pump",
            "assumed: no better value",
            "I2 = 2 · I = 2 · 5 A = 10 A",
            "I2 = 10 A > 8 A",
            "does not hold: Standard, Table 1 (unchecked)");
    var red =
        page.shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(Shape.Label.class::cast)
            .filter(label -> label.ink() == Ink.ERROR)
            .map(label -> label.text().replace('\u00a0', ' '))
            .toList();
    assertThat(red)
        .containsExactly("I2 = 10 A > 8 A", "does not hold: Standard, Table 1 (unchecked)");
  }

  @Test
  void limitsReadTheRightWayRound() {
    var i = Working.of("x").explain(new Current(5));
    assertThat(
            Sheets.parts(
                    Explained.atLeast(i, "I", new Current(6), Citation.practice())
                        .trail()
                        .lines()
                        .getLast())
                .formula())
        .isEqualTo("I = 5 A < 6 A");
    assertThat(
            Sheets.parts(
                    Explained.atLeast(i, "I", new Current(4), Citation.practice())
                        .trail()
                        .lines()
                        .getLast())
                .formula())
        .isEqualTo("I = 5 A ≥ 4 A");
  }

  @Test
  void aNoticeHasItsBarAndItsWords() {
    var page = set(new Block.Notice("Mind", "Hot parts.", Ink.WARNING)).pages().getFirst();
    assertThat(words(page)).contains("Mind", "Hot parts.");
    assertThat(page.shapes())
        .anyMatch(shape ->
            shape instanceof Shape.Path path
                && path.fill().filter(ink -> ink == Ink.WARNING).isPresent());
  }

  /// One word of 100,000 letters in every kind of block: nothing of it is lost, nothing runs off a
  /// page, and ten times the letters take about ten times as long, not a thousand (measured 3 to 20
  /// times on a busy machine; cubic would be a thousand).
  @Test
  void aWordWithoutEndIsSetInLinearTime() {
    setLong(10_000);
    var tenth = time(() -> setLong(10_000));
    var whole = time(() -> setLong(100_000));
    assertThat(whole / tenth).isLessThan(100);
    var paper = setLong(100_000);
    var letters = 0L;
    for (var page : paper.pages())
      for (var shape : page.shapes())
        if (shape instanceof Shape.Label text) {
          assertThat(text.y()).isLessThan(297);
          letters += text.text().chars().filter(c -> c == 'n').count();
        }
    assertThat(letters).as("paragraph, notice and cell").isGreaterThanOrEqualTo(300_000);
  }

  private static double time(Runnable what) {
    var begun = System.nanoTime();
    what.run();
    return System.nanoTime() - begun;
  }

  private static Paper setLong(int letters) {
    var word = "n".repeat(letters);
    return Typesetter.set(
        List.of(
            new Block.Paragraph(word),
            new Block.Notice(word, word, Ink.ERROR),
            new Block.Rows(
                new ListTable(
                    "x",
                    "x",
                    List.of(ListTable.Column.text("a", 1), ListTable.Column.text("b", 1)),
                    List.of(ListTable.row(word, "b"))))),
        word,
        word,
        word);
  }

  @Test
  void whatIsCutSaysSoAndFits() {
    for (var text :
        List.of("", "a", "W31", "one two  three", "mΩ/m °C", "\ud83d\ude00 face", "n".repeat(5000)))
      for (var width : List.of(0.0, 1.0, 5.0, 12.5, 40.0)) {
        var cut = Faces.fit(text, Face.TEXT, 3, width);
        assertThat(Faces.width(cut, Face.TEXT, 3))
            .as(text + " in " + width)
            .isLessThanOrEqualTo(width + 1e-9);
        if (!cut.equals(text) && !cut.isEmpty()) assertThat(cut).endsWith("…");
        if (Faces.width(text, Face.TEXT, 3) <= width) assertThat(cut).isEqualTo(text);
      }
  }
}
