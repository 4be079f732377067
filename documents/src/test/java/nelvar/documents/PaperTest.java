package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.file.NelvarJson;
import nelvar.core.review.Calculation;
import nelvar.core.review.Review;
import nelvar.core.trail.Line;
import nelvar.documents.content.Block;
import nelvar.documents.content.ListTable;
import nelvar.documents.content.Pack;
import nelvar.documents.content.Paper;
import nelvar.documents.content.Typesetter;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import nelvar.documents.export.PackFiles;
import nelvar.documents.export.WorkingsJson;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// Whether everything in the pack is found: how long it is, where its contents, index and links
/// lead, what a reader of the PDF is told.
class PaperTest {
  private static Review review;
  private static Paper paper;

  @BeforeAll
  static void set() {
    review = Machines.planted(false);
    paper = Pack.paper(review);
  }

  private static int chapter(String title) {
    return paper.contents().stream()
        .filter(entry -> entry.level() == 1 && entry.title().equals(title))
        .findFirst()
        .orElseThrow()
        .page();
  }

  private static String words(Drawing page) {
    return Machines.texts(page).collect(Collectors.joining(" ")).replace('\u00a0', ' ');
  }

  /// A pack nobody can hold is not read: at most 50 pages for a machine of ninety devices.
  @Test
  void aMachineOfNinetyDevicesTakesFiftyPages() {
    assertThat(paper.pages().size()).isLessThanOrEqualTo(50);
    assertThat(chapter("Time and current") - chapter("Calculations")).isLessThanOrEqualTo(10);
    assertThat(chapter("Rows of terminals") - chapter("Circuits")).isLessThanOrEqualTo(14);
    assertThat(Pack.paper(Machines.planted(true)).pages().size()).isLessThanOrEqualTo(50);
  }

  /// Each line of the contents leads to the page that it names and where its title stands.
  @Test
  void theContentsLeadWhereTheySay() {
    var contents = chapter("Contents");
    var links = paper.links().stream().filter(link -> link.page() == contents).toList();
    var named =
        paper.contents().stream()
            .filter(entry -> entry.level() <= 2 && entry.page() != contents)
            .toList();
    assertThat(links).hasSameSizeAs(named);
    for (var n = 0; n < links.size(); n++) {
      var link = links.get(n);
      assertThat(link.target()).isEqualTo(named.get(n).page());
      var inside =
          paper.pages().get(contents).shapes().stream()
              .filter(Shape.Label.class::isInstance)
              .map(Shape.Label.class::cast)
              .filter(label ->
                  label.x() >= link.x() - 0.1
                      && label.x() <= link.x() + link.width() + 0.1
                      && label.y() >= link.y()
                      && label.y() <= link.y() + link.height())
              .map(Shape.Label::text)
              .toList();
      assertThat(inside).contains(Integer.toString(link.target() + 1));
    }
  }

  /// Every device stands in the index, and its references lead to pages on which it stands.
  @Test
  void theIndexLeadsToEachDevice() {
    var from = chapter("Index of designations");
    var text = words(paper.pages().get(from)) + words(paper.pages().getLast());
    for (var device : review.project().devices())
      assertThat(text).contains(device.designation().text());
    var links = paper.links().stream().filter(link -> link.page() >= from).toList();
    assertThat(links).hasSizeGreaterThan(400);
    var targets =
        links.stream().map(Paper.Link::target).collect(Collectors.toCollection(TreeSet::new));
    assertThat(targets)
        .contains(chapter("Circuits"), chapter("Layout: cabinet, plate"))
        .anyMatch(page -> page >= chapter("Repair sheet") && page <= chapter("Calculations"));
  }

  /// What a circuit sheet says of another one leads there, and there is one for each.
  @Test
  void referencesOfCircuitSheetsAreLinks() {
    var first = chapter("Circuits");
    var sheets =
        paper.contents().stream()
            .filter(entry -> entry.title().startsWith("Circuits, sheet"))
            .count();
    var links =
        paper.links().stream()
            .filter(link -> link.page() >= first && link.page() < first + sheets)
            .toList();
    assertThat(links).hasSizeGreaterThan(50);
    for (var link : links) {
      assertThat(link.target())
          .isBetween(first, first + (int) sheets - 1)
          .isNotEqualTo(link.page());
      var page = paper.pages().get(link.page());
      assertThat(link.x()).isBetween(0.0, page.width());
      assertThat(link.y()).isBetween(0.0, page.height());
    }
  }

  /// Every kind of calculation has its governing case with its working, and every subject stands in
  /// a table.
  @Test
  void everyComparedSubjectStandsInTheCalculations() {
    var all = new StringBuilder();
    for (var n = chapter("Calculations"); n <= chapter("Time and current"); n++)
      all.append(words(paper.pages().get(n))).append(' ');
    for (var calculation : Calculation.of(review)) {
      for (var one : calculation.cases())
        assertThat(all).contains(review.study().label(one.entry().verdict().subject()));
      assertThat(all).contains(calculation.governing().limit().bound());
    }
  }

  /// With the annex, each working stands with its title, and the lists to work with.
  @Test
  void theAnnexHasEveryWorking() {
    var with = Pack.paper(review, new Pack.Options("", false, true, SheetFormat.A4));
    assertThat(with.pages().size()).isGreaterThan(paper.pages().size() + 40);
    var annex =
        with.contents().stream()
            .filter(entry -> entry.title().equals("Annex: every working"))
            .findFirst()
            .orElseThrow()
            .page();
    var all =
        with.pages().subList(annex, with.pages().size()).stream()
            .map(PaperTest::words)
            .collect(Collectors.joining(" "));
    var lines =
        review.entries().stream()
            .flatMap(entry -> Calculation.trail(entry).lines().stream())
            .map(line -> line.symbol())
            .distinct();
    lines
        .filter(symbol -> !symbol.contains(" "))
        .forEach(symbol -> assertThat(all).contains(symbol));
    assertThat(with.contents()).extracting(Paper.Entry::title).contains("Cut list");
    assertThat(paper.contents()).extracting(Paper.Entry::title).doesNotContain("Cut list");
    assertThat(words(paper.pages().get(chapter("Contents")))).contains("labels.csv");
  }

  /// On A3 the references of index and repair sheet are those of the A3 sheets.
  @Test
  void onAThreeTheReferencesFollow() {
    var wide = Pack.paper(review, new Pack.Options("", false, false, SheetFormat.A3));
    var sheets =
        wide.contents().stream()
            .filter(entry -> entry.title().startsWith("Circuits, sheet"))
            .toList();
    assertThat(wide.pages().get(sheets.getFirst().page()).width()).isEqualTo(420);
    var pages = sheets.stream().map(Paper.Entry::page).collect(Collectors.toSet());
    assertThat(
            wide.links().stream()
                .filter(link -> pages.contains(link.target()))
                .filter(link -> link.page() > sheets.getLast().page()))
        .hasSizeGreaterThan(200);
  }

  private static ListTable narrow(int rows) {
    var cells = new ArrayList<List<ListTable.Cell>>();
    for (var row = 0; row < rows; row++)
      cells.add(ListTable.row("group " + row / 7, "R" + row, "x"));
    return new ListTable(
            "n",
            "Narrow",
            List.of(
                ListTable.Column.text("Group", 1),
                ListTable.Column.text("No.", 1),
                ListTable.Column.text("What", 1)),
            cells)
        .grouped(0);
  }

  private static Paper set(ListTable table) {
    return Typesetter.set(List.of(new Block.Rows(table)), "Machine", "revision A", "foot");
  }

  /// Runs abreast lose no row, keep the order, and say each group once, or again where it goes on.
  @Test
  void runsAbreastLoseNothing() {
    for (var rows : List.of(1, 3, 8, 50, 51, 700, 2345)) {
      var seen = new ArrayList<String>();
      var groups = new HashSet<String>();
      for (var page : set(narrow(rows)).pages())
        Machines.texts(page)
            .forEach(word -> {
              if (word.matches("R[0-9]+")) seen.add(word);
              if (word.matches("group [0-9]+")) assertThat(groups.add(word)).isTrue();
            });
      assertThat(seen).hasSize(rows);
      for (var row = 0; row < rows; row++) assertThat(seen.get(row)).isEqualTo("R" + row);
      assertThat(groups).hasSize((rows + 6) / 7);
    }
  }

  /// The last page is filled evenly: all runs but the last end at the same row.
  @Test
  void runsOnTheLastPageEndAtTheSameHeight() {
    var table = narrow(50);
    var plain = new ListTable(table.name(), table.title(), table.columns(), table.cells());
    var lowest =
        set(plain).pages().getFirst().shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(Shape.Label.class::cast)
            .filter(label -> label.text().matches("R[0-9]+"))
            .collect(
                Collectors.groupingBy(
                    Shape.Label::x,
                    java.util.TreeMap::new,
                    Collectors.reducing(0.0, Shape.Label::y, Math::max)));
    assertThat(lowest.size()).isGreaterThan(3);
    var ends = List.copyOf(lowest.values());
    assertThat(ends.subList(0, ends.size() - 1).stream().distinct()).hasSize(1);
    assertThat(ends.getLast()).isLessThanOrEqualTo(ends.getFirst());
  }

  /// However long a text is, it stays on its page, and the pages end.
  @Test
  void longTextsStayOnThePages() {
    var project = Machines.planted();
    var tall =
        project.withDevices(
            project.devices().stream()
                .map(device ->
                    device.withPurpose(("Größe " + device.id() + " ").repeat(300).strip()))
                .toList());
    var named = tall.withName("Übergroße Maschine ".repeat(30).strip());
    for (var page : Pack.paper(Machines.review(named)).pages())
      for (var shape : page.shapes())
        if (shape instanceof Shape.Label label) {
          var box = label.bounds();
          assertThat(box[0]).as(label.text()).isGreaterThan(4);
          assertThat(box[2]).as(label.text()).isLessThan(page.width() - 4);
          assertThat(box[1]).as(label.text()).isGreaterThan(4);
          assertThat(box[3]).as(label.text()).isLessThan(page.height() - 4);
        }
  }

  @Test
  void thePdfHasOutlineLinksAndTags() throws Exception {
    try (var document = Loader.loadPDF(PackFiles.pdf(review))) {
      var catalog = document.getDocumentCatalog();
      assertThat(titles(catalog.getDocumentOutline().children()))
          .containsExactlyElementsOf(
              paper.contents().stream()
                  .filter(entry -> entry.level() == 1)
                  .map(Paper.Entry::title)
                  .toList());
      assertThat(catalog.getMarkInfo().isMarked()).isTrue();
      assertThat(catalog.getLanguage()).isEqualTo("en");
      assertThat(catalog.getViewerPreferences().displayDocTitle()).isTrue();
      var links = 0;
      for (var number = 0; number < document.getNumberOfPages(); number++)
        links += links(document, number);
      assertThat(links).isEqualTo(paper.links().size());
      headings(document);
    }
  }

  private static List<String> titles(Iterable<PDOutlineItem> items) {
    var titles = new ArrayList<String>();
    items.forEach(item -> titles.add(item.getTitle()));
    return titles;
  }

  private static int links(PDDocument document, int number) throws Exception {
    var count = 0;
    for (var annotation : document.getPage(number).getAnnotations()) {
      var action = (PDActionGoTo) ((PDAnnotationLink) annotation).getAction();
      var target = ((PDPageDestination) action.getDestination()).retrievePageNumber();
      var page = number;
      assertThat(paper.links()).anyMatch(link -> link.page() == page && link.target() == target);
      count++;
    }
    return count;
  }

  /// What is tagged as a heading is the heading's own text, on its page.
  private static void headings(PDDocument document) throws Exception {
    var root = document.getDocumentCatalog().getStructureTreeRoot();
    var whole = (PDStructureElement) root.getKids().getFirst();
    var tagged = new ArrayList<String>();
    var drawings = new ArrayList<String>();
    for (var kid : whole.getKids()) {
      var element = (PDStructureElement) kid;
      if (element.getStructureType().equals("Figure"))
        drawings.add(element.getAlternateDescription());
      if (!element.getStructureType().matches("H[1-3]")) continue;
      var extractor = new PDFMarkedContentExtractor();
      extractor.processPage(element.getPage());
      var mcid = (int) element.getKids().getFirst();
      tagged.add(
          element.getStructureType()
              + " "
              + extractor.getMarkedContents().stream()
                  .filter(content -> content.getMCID() == mcid)
                  .flatMap(PaperTest::glyphs)
                  .collect(Collectors.joining())
                  .replaceAll("[\\s\u00a0]", ""));
    }
    var expected =
        paper.contents().stream()
            .filter(entry -> !entry.lines().isEmpty())
            .map(entry -> "H" + entry.level() + " " + entry.title().replaceAll("[\\s\u00a0]", ""))
            .toList();
    assertThat(tagged).containsExactlyInAnyOrderElementsOf(expected);
    assertThat(drawings).contains("Circuits, sheet 1");
  }

  private static Stream<String> glyphs(PDMarkedContent content) {
    return content.getContents().stream().map(Object::toString);
  }

  /// Read back, every working of the review is there with all of its lines.
  @Test
  void theJsonHasEveryWorking() throws Exception {
    var read = NelvarJson.mapper().readTree(WorkingsJson.of(review));
    var written =
        review.entries().stream()
            .filter(entry -> !Calculation.trail(entry).lines().isEmpty())
            .toList();
    assertThat(read.get("workings").size()).isEqualTo(written.size());
    var n = 0;
    for (var entry : written) {
      var working = read.get("workings").get(n++);
      assertThat(working.get("rule").asString()).isEqualTo(entry.rule().id());
      assertThat(working.get("lines").size()).isEqualTo(Calculation.trail(entry).lines().size());
      var last = working.get("lines").get(working.get("lines").size() - 1);
      if (!(Calculation.trail(entry).lines().getLast() instanceof Line.Limit limit)) continue;
      assertThat(last.get("kind").asString()).isEqualTo("limit");
      assertThat(last.get("holds").asBoolean()).isEqualTo(limit.holds());
    }
    assertThat(WorkingsJson.of(review)).isEqualTo(WorkingsJson.of(review));
  }
}
