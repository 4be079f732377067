package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Deviation;
import nelvar.core.model.Id;
import nelvar.core.model.OperatingState;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.documents.content.Lists;
import nelvar.documents.content.Pack;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Shape;
import nelvar.documents.drawing.SingleLine;
import nelvar.documents.export.PackFiles;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class PackTest {
  private static String text(byte[] pdf) throws Exception {
    try (var document = Loader.loadPDF(pdf)) {
      // Lines break where the page is narrow, and units stay with their numbers by a space that
      // does not break.
      return new PDFTextStripper().getText(document).replaceAll("[\\s\\u00a0]+", " ");
    }
  }

  @Test
  void theWholeWayFromFileToPaper() throws Exception {
    var tried = Machines.planted(false).tried(nelvar.core.file.CatalogueFile.standard());
    var text = text(PackFiles.pdf(tried));
    assertThat(text)
        .contains(
            "Seed-tray filler TF-4",
            "Before anyone opens the cabinet",
            "Lock off and prove dead",
            "What was not checked",
            "It claims no compliance")
        .contains(
            "Power single-line",
            "Door sheet",
            "Repair sheet",
            "Calculations",
            "Index of designations",
            "Wire list",
            "Terminal plan",
            "Bill of materials",
            "Open findings",
            "Accepted deviations",
            "Not checked")
        .contains("Return wire too thin", "Make W32 2.5 mm²")
        // By hand: 3 + 2.5 + 6 · 0.2 + 0.7 + 0.4 A and three contactor coils of 13.5 W + 1 W at 24
        // V are 8.40 A.
        .contains("Ib = 8.4 A ≤ 10 A")
        .contains("IEC 60204-1:2016, Table 6 (unchecked)")
        .contains("Total, EUR");
  }

  /// Named states stand on the cover, as what was judged depends on them.
  @Test
  void theCoverNamesTheStatesJudged() throws Exception {
    var project =
        Machines.planted(false)
            .project()
            .withStates(List.of(new OperatingState(new Id("idle"), "idle", List.of())));
    assertThat(text(PackFiles.pdf(Review.of(project, CatalogueFile.standard()))))
        .contains("judged in these states of the machine: idle, everything on.");
  }

  @Test
  void everyPageHasItsNumberAndRevision() throws Exception {
    try (var document = Loader.loadPDF(PackFiles.pdf(Machines.planted(false)))) {
      var pages = document.getNumberOfPages();
      assertThat(pages).isGreaterThan(20);
      for (var page = 1; page <= pages; page++) {
        var stripper = new PDFTextStripper();
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        assertThat(stripper.getText(document))
            .contains("page %d of %d".formatted(page, pages), "revision B", "(unchecked)");
      }
    }
  }

  @Test
  void itIsVectorWithItsFontsInside() throws Exception {
    try (var document = Loader.loadPDF(PackFiles.pdf(Machines.planted(false)))) {
      for (var page : document.getPages()) {
        assertThat(page.getResources().getXObjectNames()).as("no pictures").isEmpty();
        for (var name : page.getResources().getFontNames())
          assertThat(page.getResources().getFont(name).isEmbedded()).isTrue();
      }
      assertThat(
              document
                  .getDocumentCatalog()
                  .getCOSObject()
                  .containsKey(COSName.getPDFName("OpenAction")))
          .isFalse();
    }
  }

  @Test
  void unchangedItIsTheSameToTheByte() {
    var first = PackFiles.of(Machines.planted(false));
    var second = PackFiles.of(Machines.planted(false));
    assertThat(first.keySet())
        .containsExactlyElementsOf(second.keySet())
        .contains("pack.pdf", "single-line.svg", "wire-list.csv", "lists.xlsx");
    first.forEach((name, bytes) -> assertThat(second.get(name)).as(name).isEqualTo(bytes));
    assertThat(PackFiles.pdf(Machines.planted(true))).isNotEqualTo(first.get("pack.pdf"));
  }

  @Test
  void anAcceptedDeviationIsPrintedWithItsReason() throws Exception {
    var deviation =
        new Deviation(
            "parts.coil-suppression",
            new Id("Y3"),
            "the valve has a diode inside its plug",
            "workshop",
            "2026-07-01");
    assertThat(
            text(PackFiles.pdf(Machines.review(Edits.accept(deviation).apply(Machines.planted())))))
        .contains("the valve has a diode")
        .contains("10 accepted with a reason");
  }

  @Test
  void nothingIsWrittenOutsideThePage() {
    for (var page : Pack.paper(Machines.planted(false)).pages()) {
      for (var shape : page.shapes()) {
        if (!(shape instanceof Shape.Label label)) continue;
        var width = Faces.width(label.text(), label.face(), label.size());
        var left =
            label.x()
                - (label.anchor() == Shape.Anchor.END
                    ? width
                    : label.anchor() == Shape.Anchor.MIDDLE ? width / 2 : 0);
        assertThat(left).as(label.text()).isGreaterThan(5);
        assertThat(left + width).as(label.text()).isLessThan(page.width() - 5);
        assertThat(label.y()).isBetween(5.0, page.height() - 5);
      }
    }
  }

  @Test
  void theContentsLeadToTheirPages() {
    var paper = Pack.paper(Machines.planted(false));
    assertThat(paper.contents())
        .extracting(entry -> entry.title())
        .contains("Power single-line", "What each stop takes", "Wire list", "Not checked");
    for (var entry : paper.contents()) {
      var words = String.join(" ", labels(paper.pages().get(entry.page()))).replace('\u00a0', ' ');
      assertThat(words).contains(entry.title());
    }
  }

  private static List<String> labels(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  @Test
  void theSingleLineShowsEveryProtectiveDeviceAndLoad() {
    var review = Machines.planted(false);
    var words = String.join(" ", labels(SingleLine.of(review.study())));
    for (var name :
        List.of(
            "-X0", "-Q0", "-Z1", "-F1", "-F2", "-F3", "-F4", "-F5", "-F6", "-F11", "-F12", "-F13",
            "-F20", "-F21", "-T1", "-T2", "-T3", "-U1", "-U5", "-K1", "-K2", "-M1", "-M2", "-M3",
            "-M4", "-M5", "-E1", "-H1", "-Y0")) assertThat(words).contains(name);
  }

  @Test
  void labelsOfTheSingleLineDoNotCollide() {
    var labels =
        SingleLine.of(Machines.planted(false).study()).shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(Shape.Label.class::cast)
            .toList();
    for (var a : labels) {
      for (var b : labels) {
        if (a == b || Math.abs(a.y() - b.y()) > 0.7 * Math.min(a.size(), b.size())) continue;
        assertThat(left(a) < right(b) - 0.2 && left(b) < right(a) - 0.2)
            .as("'%s' over '%s' at %.0f".formatted(a.text(), b.text(), a.y()))
            .isFalse();
      }
    }
  }

  private static double left(Shape.Label label) {
    var width = Faces.width(label.text(), label.face(), label.size());
    return label.x()
        - (label.anchor() == Shape.Anchor.END
            ? width
            : label.anchor() == Shape.Anchor.MIDDLE ? width / 2 : 0);
  }

  private static double right(Shape.Label label) {
    return left(label) + Faces.width(label.text(), label.face(), label.size());
  }

  @Test
  void theSvgIsWellFormedAndEscapes() throws Exception {
    var svg = PackFiles.svg(Machines.review(Machines.planted().withName("<&\">")));
    var document =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new ByteArrayInputStream(svg));
    assertThat(document.getDocumentElement().getTagName()).isEqualTo("svg");
    assertThat(document.getElementsByTagName("title").item(0).getTextContent()).startsWith("<&\">");
    assertThat(new String(svg, StandardCharsets.UTF_8)).contains("-T2").doesNotContain("NaN");
  }

  @Test
  void theBillAddsUp() {
    var bill = Lists.billOfMaterials(Machines.planted(false).study());
    var sums =
        bill.rows().subList(0, bill.rows().size() - 1).stream()
            .map(row -> row.get(5))
            .filter(cell -> !cell.isEmpty())
            .map(java.math.BigDecimal::new)
            .reduce(java.math.BigDecimal.ZERO, java.math.BigDecimal::add);
    assertThat(bill.rows().getLast().get(5)).isEqualTo(sums.toPlainString());
    var pieces =
        bill.rows().stream()
            .filter(row -> row.get(3).equals("pc"))
            .mapToInt(row -> Integer.parseInt(row.get(2)))
            .sum();
    assertThat(pieces).isEqualTo(Machines.planted().devices().size());
  }

  @Test
  void theListsSpeakOfEveryConductorAndTerminal() {
    var study = Machines.planted(false).study();
    assertThat(Lists.wires(study).rows()).hasSize(study.project().conductors().size());
    var landed = new HashSet<String>();
    for (var row : Lists.terminals(study).rows()) landed.add(row.get(0) + ":" + row.get(1));
    for (var conductor : study.project().conductors())
      assertThat(landed)
          .contains(study.label(conductor.from().device()) + ":" + conductor.from().terminal());
    for (var list : Lists.all(Machines.planted(false)))
      for (var row : list.rows()) assertThat(row).as(list.name()).hasSize(list.columns().size());
  }

  @Test
  void anEmptyProjectPrintsToo() {
    var paper = Pack.paper(Machines.review(nelvar.core.sample.NewProject.named("Empty")));
    assertThat(paper.pages()).isNotEmpty();
    assertThat(paper.pages().stream().flatMap(page -> labels(page).stream())).contains("None.");
  }
}
