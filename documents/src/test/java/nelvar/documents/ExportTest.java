package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.documents.content.ListTable;
import nelvar.documents.drawing.BundleSection;
import nelvar.documents.drawing.CarrierPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.PathStrip;
import nelvar.documents.drawing.River;
import nelvar.documents.drawing.RunsPicture;
import nelvar.documents.export.CsvExport;
import nelvar.documents.export.XlsxExport;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ExportTest {
  private static ListTable table(String cell) {
    return new ListTable(
        "t",
        "T",
        List.of(ListTable.Column.text("What", 1), ListTable.Column.number("How much", 1)),
        List.of(ListTable.row(cell, new nelvar.core.units.Length(1.5))));
  }

  @ParameterizedTest
  @ValueSource(strings = {"=1+1", "+cmd", "-T2", "@SUM(A1)", "\tx", "\rx", "\nx", "＝1+1"})
  void noCellOfACsvCanRun(String cell) {
    var line = CsvExport.write(table(cell)).split("\r\n", 2)[1];
    assertThat(line.startsWith("'") || line.startsWith("\"'")).as(line).isTrue();
  }

  @Test
  void numbersAndPlainTextStayAsTheyAre() {
    assertThat(CsvExport.write(table("-1.5"))).isEqualTo("What,How much\r\n-1.5,1.5\r\n");
    assertThat(CsvExport.write(table("a \"quoted\", text"))).contains("\"a \"\"quoted\"\", text\"");
  }

  @Test
  void noCellOfAWorkbookIsAFormula() throws Exception {
    var bytes = XlsxExport.write(List.of(table("=1+1")));
    try (var book = new ReadableWorkbook(new ByteArrayInputStream(bytes))) {
      var row = book.getFirstSheet().read().get(1);
      assertThat(row.getCell(0).getFormula()).isNull();
      assertThat(row.getCellText(0)).isEqualTo("=1+1");
      assertThat(row.getCellAsNumber(1))
          .hasValueSatisfying(number -> assertThat(number.doubleValue()).isEqualTo(1.5));
    }
    assertThat(XlsxExport.write(List.of(table("x"))))
        .isEqualTo(XlsxExport.write(List.of(table("x"))));
  }

  @Test
  void aNumberIsPrintedShortAndKeptWholeInAWorkbook() throws Exception {
    var table =
        new ListTable(
            "t",
            "T",
            List.of(
                ListTable.Column.number("Length m", 1),
                ListTable.Column.number("Sum", 1),
                ListTable.Column.number("Count", 1),
                ListTable.Column.text("Words", 1)),
            List.of(
                ListTable.row(
                    new nelvar.core.units.Length(12.34567),
                    nelvar.core.units.Price.of("1234.50"),
                    7,
                    "12.5")));
    assertThat(CsvExport.write(table)).endsWith("12.3,1234.50,7,12.5\r\n");
    try (var book =
        new ReadableWorkbook(
            new ByteArrayInputStream(XlsxExport.write(List.of(table))),
            new org.dhatim.fastexcel.reader.ReadingOptions(true, false))) {
      var row = book.getFirstSheet().read().get(1);
      assertThat(row.getCellAsNumber(0).orElseThrow()).isEqualByComparingTo("12.34567");
      assertThat(row.getCellAsNumber(1).orElseThrow()).isEqualByComparingTo("1234.5");
      assertThat(row.getCellAsNumber(2).orElseThrow()).isEqualByComparingTo("7");
      assertThat(row.getCell(0).getDataFormatString()).isEqualTo("0.0");
      assertThat(row.getCell(3).getType()).as("words stay words").isEqualTo(CellType.STRING);
    }
  }

  @Test
  void textIsBrokenAndCutToItsWidth() {
    for (var line :
        Faces.wrap(
            "The insulation ages and can melt when it carries more than it may, which nobody sees",
            Face.TEXT,
            3,
            40)) assertThat(Faces.width(line, Face.TEXT, 3)).isLessThanOrEqualTo(40);
    assertThat(Faces.wrap("10 A", Face.TEXT, 3, 4.5))
        .as("no break between number and unit while it fits by itself")
        .hasSizeLessThanOrEqualTo(2);
    assertThat(Faces.wrap("Donaudampfschifffahrtsgesellschaft", Face.TEXT, 3, 10))
        .hasSizeGreaterThan(2);
    assertThat(Faces.fit("a long text that does not fit", Face.TEXT, 3, 20)).endsWith("…");
    assertThat(Faces.fit("short", Face.TEXT, 3, 20)).isEqualTo("short");
  }

  @Test
  void greekAndMathematicsFindAFaceAndUnknownSignsAreShown() {
    assertThat(Faces.runs("Σ I · η", Face.TEXT))
        .extracting(Faces.Run::face)
        .contains(Face.MONO, Face.TEXT);
    assertThat(Faces.runs("漢", Face.TEXT)).extracting(Faces.Run::text).containsExactly("¤");
    assertThat(Faces.runs("", Face.TEXT)).isEmpty();
  }

  private static boolean sane(Drawing drawing) {
    return drawing.shapes().stream()
        .noneMatch(
            shape -> shape.toString().contains("NaN") || shape.toString().contains("Infinity"));
  }

  @Test
  void theRiverHasASpotForEveryThingThatCanBeChosen() {
    var review = Machines.planted(false);
    var river = River.of(review, new River.View(false, false, Optional.empty()));
    assertThat(sane(river)).isTrue();
    for (var id : List.of("X0", "F1", "T2", "U3", "M1", "F21", "M6"))
      assertThat(river.spot(new Id(id))).as(id).isPresent();
    assertThat(river.spot(new Id("B7"))).as("one of many sensors, folded").isEmpty();
    var opened = River.of(review, new River.View(false, false, Optional.of(new Id("B7"))));
    assertThat(opened.spot(new Id("B7"))).as("unfolded when chosen").isPresent();
    assertThat(opened.height()).isGreaterThan(river.height());
    var spot = river.spot(new Id("T2")).orElseThrow();
    assertThat(river.at(spot.x() + 5, spot.y() + spot.height() / 2).orElseThrow().about())
        .isEqualTo(new Id("T2"));
  }

  @Test
  void openContactorsLeaveTheirLoadsDry() {
    var review = Machines.planted(false);
    var wet = labels(River.of(review, new River.View(false, false, Optional.empty())));
    var dry = labels(River.of(review, new River.View(true, true, Optional.empty())));
    assertThat(wet).doesNotContain("dry");
    assertThat(dry.stream().filter("dry"::equals).count())
        .as("auger, belt, three axes, each with its drive")
        .isGreaterThanOrEqualTo(5);
  }

  private static List<String> labels(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  @Test
  void loadsOfTheRiverDoNotOverlap() {
    var spots =
        River.of(Machines.planted(false), new River.View(false, false, Optional.empty()))
            .spots()
            .stream()
            .filter(spot -> spot.x() > 600)
            .toList();
    for (var a : spots)
      for (var b : spots)
        if (a != b)
          assertThat(a.y() + a.height() <= b.y() + 5 || b.y() + b.height() <= a.y() + 5)
              .as(a.says() + " / " + b.says())
              .isTrue();
  }

  @Test
  void theStripShowsTheThinReturn() {
    var study = Machines.planted(false).study();
    var path = nelvar.core.analysis.load.PathTo.of(new Id("W32"), study).orElseThrow();
    var strip = PathStrip.of(path, study.asDesigned(), Optional.of(new Id("W32")));
    assertThat(sane(strip)).isTrue();
    assertThat(strip.spot(new Id("W32"))).isPresent();
    assertThat(String.join(" ", labels(strip))).contains("shared by 8", "-T2", "-M6");
    for (var spot : strip.spots()) assertThat(spot.x()).isBetween(0.0, strip.width());
  }

  @Test
  void aCutShowsEveryWireOfTheBundleToScale() {
    var study = Machines.planted(false).study();
    var bundle =
        study.project().bundles().stream()
            .filter(b -> b.id().text().equals("C1"))
            .findFirst()
            .orElseThrow();
    var cut = BundleSection.of(bundle, study, Optional.empty(), 500);
    assertThat(cut.spots()).hasSize(study.lyingIn(bundle).size());
    assertThat(sane(cut)).isTrue();
    assertThat(BundleSection.legend().shapes()).isNotEmpty();
  }

  /// Hoses are seen beside the cables; what is tied together lies in a bunch with no walls.
  @Test
  void hosesAreSeenAndALoomHasNoWalls() {
    var study = Machines.planted(true).study();
    var carrier =
        study.project().bundles().stream()
            .filter(b -> b.id().text().equals("P1"))
            .findFirst()
            .orElseThrow();
    var hoses = List.of(nelvar.core.units.Length.ofMillimetres(6));
    var with =
        BundleSection.of(
            carrier.with(b -> b.form = b.form.map(f -> f.withHoses(hoses))),
            study,
            Optional.empty(),
            500);
    var without = BundleSection.of(carrier, study, Optional.empty(), 500);
    assertThat(with.shapes()).hasSize(without.shapes().size() + 2);
    var tied =
        BundleSection.of(
            carrier.with(b -> b.form = Optional.of(nelvar.core.model.Bundle.Form.loom())),
            study,
            Optional.empty(),
            500);
    assertThat(tied.spots()).hasSameSizeAs(without.spots());
    assertThat(Machines.texts(tied)).contains("loom, nothing around it");
    assertThat(sane(tied)).isTrue();
  }

  /// Seen from its side: fixed end, travel, the room that is free; what strikes is in the colour of
  /// errors. What is no carrier has no such picture.
  @Test
  void aCarrierIsSeenFromItsSide() {
    var bundles = Machines.planted(true).study().project().bundles();
    var carrier =
        bundles.stream().filter(b -> b.id().text().equals("P1")).findFirst().orElseThrow();
    var drawing = CarrierPicture.of(carrier, 360).orElseThrow();
    assertThat(Machines.texts(drawing)).contains("fixed", "travel 0.25 m", "free to here, 0.3 m");
    assertThat(sane(drawing)).isTrue();
    var wide =
        carrier.with(b ->
            b.form =
                b.form.map(f ->
                    f.withCarrier(
                        f.carrier()
                            .orElseThrow()
                            .bent(nelvar.core.units.Length.ofMillimetres(150)))));
    assertThat(CarrierPicture.of(wide, 360).orElseThrow().shapes())
        .anyMatch(shape ->
            shape instanceof nelvar.documents.drawing.Shape.Label label
                && label.ink() == nelvar.documents.drawing.Ink.ERROR);
    assertThat(
            bundles.stream()
                .filter(b -> !b.id().text().equals("P1"))
                .flatMap(b -> CarrierPicture.of(b, 360).stream()))
        .isEmpty();
  }

  /// Everything on the machine and the door is there once a tray and can be chosen; what the
  /// selected cable leads to is lit.
  @Test
  void thePictureShowsWhatWiresLeadTo() {
    var study = Machines.planted(true).study();
    var cabinet = study.project().layout().cabinets().stream().findFirst();
    var picture = RunsPicture.of(study, cabinet, Optional.of(new Id("WD3")), 700, 600);
    var spots = picture.spots().stream().map(Drawing.Spot::about).toList();
    for (var device : study.project().devices())
      if (device.place() != nelvar.core.model.Place.PANEL && !study.at(device.id()).isEmpty())
        assertThat(spots).as(device.designation().text()).contains(device.id());
    assertThat(Machines.texts(picture)).contains("on the door", "-M3");
    assertThat(
            picture.shapes().stream()
                .filter(nelvar.documents.drawing.Shape.Label.class::isInstance)
                .map(nelvar.documents.drawing.Shape.Label.class::cast)
                .filter(label -> label.ink() == nelvar.documents.drawing.Ink.ACCENT)
                .map(nelvar.documents.drawing.Shape.Label::text))
        .contains("-M3")
        .doesNotContain("-M4");
  }
}
