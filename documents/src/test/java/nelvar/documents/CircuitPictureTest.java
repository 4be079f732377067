package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Line2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.compose.Draft;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Standing;
import nelvar.core.sample.RandomList;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.CircuitScreen;
import nelvar.documents.drawing.CircuitView;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import nelvar.documents.export.PackFiles;
import nelvar.documents.export.PdfExport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Element;

class CircuitPictureTest {
  private static final String FILLER = "seed-tray-filler/seed-tray-filler";
  private static final String RINSER = "bottle-rinser/bottle-rinser";
  private static final String SPRAYER = "glaze-sprayer/glaze-sprayer";

  private static Project demo(String name) {
    try {
      return ProjectFile.at(java.nio.file.Path.of("../demo/" + name + ".nelvar.json")).open();
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }

  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  /// Measured on boxes: no text on another text, none on a line.
  private static List<String> overlaps(Drawing drawing) {
    var labels = new ArrayList<Shape.Label>();
    var lines = new ArrayList<double[]>();
    for (var shape : drawing.shapes())
      switch (shape) {
        case Shape.Label label -> labels.add(label);
        case Shape.Path path -> {
          if (path.pen().isPresent()) lines(path, lines);
        }
      }
    var found = new ArrayList<String>();
    for (var i = 0; i < labels.size(); i++) {
      var box = labels.get(i).bounds();
      for (var j = i + 1; j < labels.size(); j++) {
        var other = labels.get(j).bounds();
        if (box[0] < other[2] && other[0] < box[2] && box[1] < other[3] && other[1] < box[3])
          found.add(labels.get(i).text() + " on " + labels.get(j).text());
      }
      for (var line : lines)
        if (new Line2D.Double(line[0], line[1], line[2], line[3])
            .intersects(box[0], box[1], box[2] - box[0], box[3] - box[1]))
          found.add("a line through " + labels.get(i).text());
    }
    return found;
  }

  private static void lines(Shape.Path path, List<double[]> lines) {
    double[] at = {0, 0};
    double[] first = {0, 0};
    for (var step : path.steps()) {
      double[] next =
          switch (step) {
            case Shape.Step.Move(var x, var y) -> new double[] {x, y};
            case Shape.Step.Line(var x, var y) -> new double[] {x, y};
            case Shape.Step.Curve(_, _, _, _, var x, var y) -> new double[] {x, y};
            case Shape.Step.Close() -> first;
          };
      if (step instanceof Shape.Step.Move) first = next;
      else lines.add(new double[] {at[0], at[1], next[0], next[1]});
      at = next;
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        FILLER,
        FILLER + "-settled",
        RINSER,
        RINSER + "-settled",
        SPRAYER,
        SPRAYER + "-settled"
      })
  void nothingStandsOnAnything(String name) {
    for (var format : SheetFormat.values())
      for (var sheet : CircuitPicture.all(study(demo(name)), format))
        assertThat(overlaps(sheet)).as(name + " " + format).isEmpty();
  }

  private static long rings(Project project) {
    return CircuitPicture.all(study(project), SheetFormat.A4).stream()
        .flatMap(sheet -> sheet.shapes().stream())
        .filter(shape ->
            shape instanceof Shape.Path path
                && path.pen()
                    .filter(pen -> pen.ink() == nelvar.documents.drawing.Ink.EARTH)
                    .isPresent()
                && path.steps().stream().anyMatch(Shape.Step.Curve.class::isInstance))
        .count();
  }

  /// A shield is drawn round the cores where somebody said how it ends, and nowhere else.
  @Test
  void shieldsAreRingsWhereTheyEnd() {
    var project = demo(FILLER);
    assertThat(rings(project)).isGreaterThan(8);
    var unsaid =
        project.withCables(
            project.cables().stream()
                .map(cable -> cable.withScreen(nelvar.core.model.Cable.Screen.NONE))
                .toList());
    assertThat(rings(unsaid)).isZero();
  }

  private static final int RANDOM = 200;

  /// The same on sheets of machines drawn up from random lists; every fourth on A3 too.
  @Test
  void nothingStandsOnAnythingOnRandomMachines() {
    var drawn = new java.util.concurrent.atomic.AtomicInteger();
    var found =
        java.util.stream.LongStream.range(0, RANDOM)
            .parallel()
            .boxed()
            .flatMap(
                seed -> drafted(seed).stream().flatMap(machine -> overlaps(seed, machine, drawn)))
            .toList();
    assertThat(found).isEmpty();
    assertThat(drawn.get()).isGreaterThan(500);
  }

  private static java.util.stream.Stream<String> overlaps(
      long seed, Project machine, java.util.concurrent.atomic.AtomicInteger drawn) {
    var study = study(machine);
    return java.util.stream.Stream.of(SheetFormat.values())
        .filter(format -> format == SheetFormat.A4 || seed % 4 == 0)
        .flatMap(format -> CircuitPicture.all(study, format).stream())
        .peek(_ -> drawn.incrementAndGet())
        .flatMap(sheet -> overlaps(sheet).stream().map(text -> "machine " + seed + ": " + text));
  }

  private static java.util.Optional<Project> drafted(long seed) {
    var list = DraftList.read("random", RandomList.of(seed));
    if (!list.problems().isEmpty()) return java.util.Optional.empty();
    try {
      return java.util.Optional.of(
          Draft.of(
                  list.project(),
                  CatalogueFile.standard(),
                  list.upstreamStated(),
                  Architecture.STAND_ALONE)
              .project());
    } catch (Unmet none) {
      return java.util.Optional.empty();
    }
  }

  /// Texts of any length and any alphabet.
  @Test
  void longAndForeignNamesStandOnNothing() {
    var project = demo(FILLER);
    var next =
        project.withDevices(
            project.devices().stream()
                .map(device ->
                    device
                        .withPurpose(
                            "Größenmaßstabsübertragungseinrichtung μετρητής насос " + device.id())
                        .withDesignation(
                            new Designation(
                                ("-" + device.id() + "ÅÄÖ".repeat(9)).substring(0, 20))))
                .toList());
    for (var sheet : CircuitPicture.all(study(next), SheetFormat.A4))
      assertThat(overlaps(sheet)).isEmpty();
  }

  private static final Pattern WIRE =
      Pattern.compile("M([\\d.]+) ([\\d.]+)((?:L[\\d.]+ [\\d.]+)+)");

  private record At(String x, String y) {}

  /// What a reader of the files alone finds: terminals by the circles that name them, wires by the
  /// lines between two of those, and ends by the references written along them.
  private static Set<String> readBack(Map<String, byte[]> files) throws Exception {
    var found = new TreeSet<String>();
    for (var file : files.entrySet()) {
      if (!file.getKey().endsWith(".svg")) continue;
      var xml =
          DocumentBuilderFactory.newInstance()
              .newDocumentBuilder()
              .parse(new ByteArrayInputStream(file.getValue()));
      Map<At, String> terminals = new HashMap<>();
      var circles = xml.getElementsByTagName("circle");
      for (var i = 0; i < circles.getLength(); i++) {
        var circle = (Element) circles.item(i);
        var terminal = circle.getAttribute("data-terminal");
        terminals.put(new At(circle.getAttribute("cx"), circle.getAttribute("cy")), terminal);
      }
      var paths = xml.getElementsByTagName("path");
      for (var i = 0; i < paths.getLength(); i++) {
        var path = (Element) paths.item(i);
        var match = WIRE.matcher(path.getAttribute("d"));
        if (!match.matches()) continue;
        var corners = match.group(3).substring(1).split("L");
        var last = corners[corners.length - 1].split(" ");
        var from = terminals.get(new At(match.group(1), match.group(2)));
        var to = terminals.get(new At(last[0], last[1]));
        // Several wires on one terminal land on a bar of its own.
        if (from != null && to != null && !from.equals(to)) found.add(pair(from, to));
      }
    }
    return found;
  }

  private static String pair(String a, String b) {
    return a.compareTo(b) < 0 ? a + " – " + b : b + " – " + a;
  }

  @ParameterizedTest
  @ValueSource(strings = {FILLER, RINSER, SPRAYER})
  void theFilesReadBackGiveTheWiresOfTheModel(String name) throws Exception {
    var study = study(demo(name));
    var sheets = CircuitSheets.of(study, SheetFormat.A4);
    var elsewhere = new HashSet<Id>();
    for (var sheet : sheets.sheets())
      for (var stub : sheet.stubs()) elsewhere.add(stub.wire().id());
    var drawn = new TreeSet<String>();
    for (var wire : study.project().conductors())
      if (!elsewhere.contains(wire.id()))
        drawn.add(pair(wire.from().toString(), wire.to().toString()));
    assertThat(drawn).isNotEmpty();
    assertThat(readBack(PackFiles.circuits(study, SheetFormat.A4))).isEqualTo(drawn);
    // What goes on elsewhere says where: sheet, column and row of its other end.
    for (var sheet : sheets.sheets()) {
      var texts = labels(CircuitPicture.of(study, sheets, sheet));
      for (var stub : sheet.stubs())
        assertThat(texts)
            .anyMatch(text -> text.startsWith(sheets.at(stub.there()).orElseThrow() + " "));
    }
  }

  private static List<String> labels(Drawing drawing) {
    return drawing.shapes().stream()
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text())
        .toList();
  }

  /// Number, colour, cable and section of a core; a terminal of a bar; symbols of both schools.
  @Test
  void wiresSayWhatTheyAre() {
    var texts =
        CircuitPicture.all(study(demo(FILLER)), SheetFormat.A4).stream()
            .flatMap(sheet -> labels(sheet).stream())
            .toList();
    assertThat(texts)
        .contains(
            "W161 BK", "-WB1 0.34", "W12 BK", "1.5", "-X11:2", "M 3 ~", "C 6\u00a0A", "XSTEP+");
    assertThat(texts).anyMatch(text -> text.contains("IEC 60617"));
    var american =
        CircuitPicture.all(study(demo(RINSER)), SheetFormat.A4).stream()
            .flatMap(sheet -> labels(sheet).stream())
            .toList();
    assertThat(american).contains("14 AWG").anyMatch(text -> text.contains("IEEE 315"));
  }

  /// What is marked later is dashed.
  @Test
  void whatComesLaterIsDashed() {
    var project = demo(FILLER);
    var before = dashed(project);
    var later =
        project.with(
            project.plan().withMarks(List.of(new Standing.Mark(new Id("M6"), Standing.LATER))));
    assertThat(dashed(later)).isGreaterThan(before);
  }

  private static long dashed(Project project) {
    return CircuitPicture.all(study(project), SheetFormat.A4).stream()
        .flatMap(sheet -> sheet.shapes().stream())
        .filter(shape ->
            shape instanceof Shape.Path path
                && path.pen().filter(pen -> pen.dash() == 1.2).isPresent())
        .count();
  }

  @Test
  void theSameMachineGivesTheSameBytesAndTextsCanBeFound() throws IOException {
    var one =
        PdfExport.write(
            "x",
            "2026-01-01",
            Paper.of(CircuitPicture.all(study(demo(FILLER)), SheetFormat.A4), List.of()));
    var two =
        PdfExport.write(
            "x",
            "2026-01-01",
            Paper.of(CircuitPicture.all(study(demo(FILLER)), SheetFormat.A4), List.of()));
    assertThat(one).isEqualTo(two);
    try (var pdf = Loader.loadPDF(one)) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("soil auger drive");
    }
    var files = PackFiles.circuits(study(demo(FILLER)), SheetFormat.A4);
    assertThat(files).containsKeys("circuit-1.svg", "circuit-1.dxf");
    assertThat(new String(files.get("circuit-1.dxf"), StandardCharsets.US_ASCII))
        .contains("W1 BK")
        .endsWithIgnoringCase("EOF\r\n");
  }

  /// What stands at a terminal of the live sheet is what the engine says of that terminal, and of
  /// no other: the pump loses volts on its wire.
  @Test
  void voltsStandAtTheirTerminal() {
    var study = study(demo(FILLER));
    var live = study.asDesigned();
    var sheets = CircuitSheets.of(study, SheetFormat.A4);
    var at = nelvar.core.model.TerminalRef.of("M6:+");
    var sheet = sheets.sheets().get(sheets.at(at).orElseThrow().sheet() - 1);
    var screen =
        CircuitScreen.of(
            study,
            sheets,
            sheet,
            new CircuitView(
                Optional.of(live), Optional.empty(), Optional.empty(), Optional.empty(), Map.of()));
    var line =
        sheet.lines().stream()
            .filter(one -> one.wire().label().text().equals("W141"))
            .findFirst()
            .orElseThrow();
    assertThat(line.from()).isEqualTo(at);
    var there = live.toEarth(at).orElseThrow().rms();
    var before = live.toEarth(nelvar.core.model.TerminalRef.of("K10:14")).orElseThrow().rms();
    assertThat(before - there).isGreaterThan(0.1);
    assertThat(labels(screen.drawing()))
        .contains(nelvar.core.units.Significant.digits(there) + " V")
        .doesNotContain(nelvar.core.units.Significant.digits(before) + " V");
    assertThat(overlaps(screen.drawing())).isEmpty();
    // Every spot can be pointed at and stands for something of the machine.
    for (var spot : screen.drawing().spots())
      assertThat(screen.places().get(spot.about())).isNotNull();
    assertThat(screen.spotOf(new Id("M6"))).isPresent();
  }

  /// A device nobody knows the part of still has its wires.
  @Test
  void aDeviceWithoutPartIsABox() {
    var project = demo(SPRAYER);
    var next =
        project.withDevices(
            project.devices().stream()
                .map(d -> d.id().text().equals("M1") ? d.withPart("nothing-known") : d)
                .toList());
    var texts =
        CircuitPicture.all(study(next), SheetFormat.A4).stream()
            .flatMap(sheet -> labels(sheet).stream())
            .toList();
    assertThat(texts).contains("-M1", "A+");
  }
}
