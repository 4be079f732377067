package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import javax.xml.parsers.DocumentBuilderFactory;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.exchange.DxfOutline;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.documents.drawing.PlateMarks;
import nelvar.documents.drawing.PlatePicture;
import nelvar.documents.drawing.Shape;
import nelvar.documents.export.DxfExport;
import nelvar.documents.export.PackFiles;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The plate as DXF and SVG, read back: by the group codes, by our reader of outlines, and by a
/// general-purpose DXF library where it is installed.
class DxfExportTest {
  private static Study study() throws Exception {
    var path = Path.of("../demo/seed-tray-filler/seed-tray-filler.nelvar.json");
    return Study.of(
        ProjectFormat.read("demo", Files.readAllBytes(path), CatalogueFile.standard()),
        CatalogueFile.standard());
  }

  private static Cabinet cabinet(Study study) {
    return study.project().layout().cabinets().getFirst();
  }

  private static String plate() throws Exception {
    var study = study();
    return DxfExport.write(cabinet(study), Surface.PLATE, study);
  }

  /// Entities by kind and layer, by the pairs of a DXF alone.
  private static Map<String, Integer> entities(String dxf) {
    var count = new TreeMap<String, Integer>();
    var rows = dxf.lines().toList();
    var kind = "";
    var in = false;
    for (var i = 0; i + 1 < rows.size(); i += 2) {
      var code = Integer.parseInt(rows.get(i).strip());
      var value = rows.get(i + 1);
      if (code == 2 && value.equals("ENTITIES")) in = true;
      if (code == 0) kind = value;
      if (in && code == 8 && !kind.equals("VERTEX") && !kind.equals("SEQEND"))
        count.merge(kind + " " + value, 1, Integer::sum);
    }
    return count;
  }

  @Test
  void everythingIsOnItsLayer() throws Exception {
    var study = study();
    var count = entities(plate());
    var bodies =
        (int)
            Bodies.of(study).in(cabinet(study)).stream()
                .filter(b -> b.surface() == Surface.PLATE)
                .count();
    assertThat(count)
        .containsEntry("POLYLINE PARTS", bodies)
        .containsEntry("TEXT NAMES", bodies)
        .containsEntry("POLYLINE EDGE", 1)
        .containsEntry("POLYLINE RAILS", cabinet(study).rails().size())
        .containsEntry("POLYLINE DUCTS", cabinet(study).ducts().size());
    // Three holes in each of four rails of 670 mm.
    assertThat(count).containsEntry("CIRCLE HOLES", 12);
  }

  /// Ways and rows of terminals go out too: every text, every line with a pen, and our own reader
  /// takes the lines back as large as they are on paper.
  @Test
  void drawingsGoOutAsTheyAre() throws Exception {
    var files = PackFiles.runs(study());
    assertThat(files).containsKeys("ways.dxf", "strip-X30.dxf", "strip-X30.svg");
    var strip =
        nelvar.documents.drawing.StripPicture.of(
            nelvar.core.analysis.runs.StripPlan.all(study()).stream()
                .filter(s -> s.device().id().equals(new Id("X30")))
                .findFirst()
                .orElseThrow(),
            study(),
            Optional.empty(),
            760);
    var dxf = new String(files.get("strip-X30.dxf"), StandardCharsets.US_ASCII);
    var count = entities(dxf);
    assertThat(count.get("TEXT TEXTS"))
        .isEqualTo((int) Machines.texts(strip).filter(text -> !text.isBlank()).count());
    var read =
        DxfOutline.read(
            "strip.dxf",
            dxf,
            Surface.PLATE,
            nelvar.core.units.Length.ofMillimetres(strip.height() * 25.4 / 96));
    var right =
        read.strokes().stream()
            .flatMap(s -> s.points().stream())
            .mapToDouble(p -> p.left().metres())
            .max()
            .orElse(0);
    assertThat(right).isLessThanOrEqualTo(760 * 0.0254 / 96 + 1e-6).isGreaterThan(0.02);
  }

  /// Our own reader of outlines takes it back: 750 × 950 mm, a line for each polyline and circle.
  @Test
  void ourReaderTakesItBack() throws Exception {
    var read =
        DxfOutline.read(
            "plate.dxf", plate(), Surface.PLATE, cabinet(study()).shell().mountingPlate().height());
    var count = entities(plate());
    var drawn =
        count.entrySet().stream()
            .filter(e -> !e.getKey().startsWith("TEXT"))
            .mapToInt(Map.Entry::getValue)
            .sum();
    assertThat(read.strokes()).hasSize(drawn);
    var right =
        read.strokes().stream()
            .flatMap(s -> s.points().stream())
            .mapToDouble(p -> p.left().metres())
            .max()
            .orElse(0);
    assertThat(right).isCloseTo(0.75, within(1e-6));
    assertThat(read.unit()).isEqualTo("metric");
  }

  /// A background is drawn behind the picture and goes out again on its own layer.
  @Test
  void aBackgroundIsKeptAndGoesOut() throws Exception {
    var study = study();
    var read =
        DxfOutline.read(
            "plate.dxf", plate(), Surface.PLATE, cabinet(study).shell().mountingPlate().height());
    var with =
        study.tried(
            LayoutEdits.change("background", cabinet(study).withBackground(read.strokes()))
                .apply(study.project()));
    var bytes = ProjectFormat.write(with.project());
    var again = ProjectFormat.read("again", bytes, CatalogueFile.standard());
    assertThat(again.layout()).isEqualTo(with.project().layout());
    assertThat(entities(DxfExport.write(cabinet(with), Surface.PLATE, with)))
        .containsEntry("POLYLINE BACKGROUND", read.strokes().size());
    assertThat(picture(with, "T3").drawing().shapes().size())
        .isGreaterThan(picture(study, "T3").drawing().shapes().size() + read.strokes().size());
  }

  private static PlatePicture.Shown picture(Study study, String selected) {
    return PlatePicture.of(
        study,
        cabinet(study),
        PlatePicture.Lens.PLACE,
        Optional.of(new Id(selected)),
        Map.of(),
        836,
        500);
  }

  /// From above the door is seen to swing; what is selected in it says on which circle.
  @Test
  void theDoorSwingsOnThePicture() throws Exception {
    var words =
        picture(study(), "A2").drawing().shapes().stream()
            .filter(Shape.Label.class::isInstance)
            .map(shape -> ((Shape.Label) shape).text())
            .toList();
    // 300 + 200 mm from the hinge, 45 mm deep: √(500² + 45²) = 502.0.
    assertThat(words).contains("from above", "-A2 swings to 502 mm");
  }

  @Test
  void twoMarkedPartsAreMeasured() throws Exception {
    var study = study();
    var bodies = Bodies.of(study);
    var two =
        java.util.List.of(
            bodies.of(new Id("U1")).orElseThrow(), bodies.of(new Id("T3")).orElseThrow());
    var layer = PlateMarks.of(two, picture(study, "U1"));
    var gap = -two.getFirst().box().across(two.getLast().box());
    assertThat(layer.shapes())
        .filteredOn(Shape.Label.class::isInstance)
        .extracting(shape -> ((Shape.Label) shape).text())
        .containsExactly("%.1f mm".formatted(gap));
  }

  /// Names of files by surface; SVG is well-formed, and the same machine gives the same bytes.
  @Test
  void filesOfThePack() throws Exception {
    var files = PackFiles.plates(study());
    assertThat(new TreeSet<>(files.keySet()))
        .contains(
            "plate.dxf", "plate.svg", "door.dxf", "door.svg", "door-inside.svg", "right-wall.dxf");
    var again = PackFiles.plates(study());
    for (var entry : files.entrySet())
      assertThat(again.get(entry.getKey())).as(entry.getKey()).isEqualTo(entry.getValue());
    var svg =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new java.io.ByteArrayInputStream(files.get("plate.svg")));
    assertThat(svg.getElementsByTagName("text").getLength()).isGreaterThan(40);
  }

  private static final String READER =
      """
      import sys, ezdxf
      from ezdxf import bbox
      drawing = ezdxf.readfile(sys.argv[1])
      print(len(drawing.audit().errors))
      print(drawing.units)
      size = bbox.extents(drawing.modelspace().query('POLYLINE'))
      print(round(size.extmax.x, 3), round(size.extmax.y, 3))
      count = {}
      for entity in drawing.modelspace():
          key = entity.dxftype() + ' ' + entity.dxf.layer
          count[key] = count.get(key, 0) + 1
      for key in sorted(count):
          print(key, count[key])
      """;

  /// The same counts by a reader that is not ours. Skipped, and said, where it is not installed.
  @Test
  void anIndependentReaderTakesIt(@TempDir Path folder) throws Exception {
    assumeTrue(run(folder, "-c", "import ezdxf").code() == 0, "no DXF library for Python");
    var file = Files.writeString(folder.resolve("plate.dxf"), plate());
    var script = Files.writeString(folder.resolve("read.py"), READER);
    var ran = run(folder, script.toString(), file.toString());
    assertThat(ran.code()).as(ran.out()).isZero();
    var lines = ran.out().lines().toList();
    assertThat(lines.subList(0, 3)).containsExactly("0", "4", "750.0 950.0");
    var expected =
        entities(plate()).entrySet().stream().map(e -> e.getKey() + " " + e.getValue()).toList();
    assertThat(lines.subList(3, lines.size())).containsExactlyInAnyOrderElementsOf(expected);
  }

  private record Ran(int code, String out) {}

  private static Ran run(Path folder, String... arguments) throws Exception {
    var command = new java.util.ArrayList<String>();
    command.add("python3");
    command.addAll(java.util.List.of(arguments));
    var out = folder.resolve("out.txt");
    try {
      var process =
          new ProcessBuilder(command)
              .redirectErrorStream(true)
              .redirectOutput(out.toFile())
              .start();
      if (!process.waitFor(60, TimeUnit.SECONDS)) process.destroyForcibly();
      return new Ran(process.exitValue(), Files.readString(out, StandardCharsets.UTF_8));
    } catch (java.io.IOException e) {
      return new Ran(127, "");
    }
  }
}
