package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nelvar.core.file.NelvarJson;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RunsCommandTest {
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  /// W26 by hand (HowLongTest): 1.34 m by D4.2, D1.2, D3.2.
  @Test
  void saysHowLongAndWhichWay() {
    var ran = Ran.of("runs", SETTLED);
    assertThat(ran.code()).isEqualTo(CommandLineTool.FINE);
    assertThat(ran.out())
        .containsPattern("W26 +-F3:2 +-T3:L +2.5 mm² +1.34 m +routed +D4.2, D1.2, D3.2")
        .containsPattern("-WD1 .* 9.00 m +said +M16")
        .containsPattern("C1 +conduit to the valve box .* at most 40 %")
        .containsPattern("P1 +17 links of 30 mm, 0.499 m in all, .* the loop takes ")
        .contains("hours of wiring");
  }

  /// Length, way and fill of each, as the window has them.
  @Test
  void tellsMachines() {
    var told = NelvarJson.mapper().readTree(Ran.of("runs", SETTLED, "--json").out());
    assertThat(told.get("version").asInt()).isEqualTo(1);
    var wires = told.get("conductors");
    assertThat(wires.size()).isGreaterThan(200);
    for (var wire : wires) assertThat(wire.get("length").asDouble()).isPositive();
    for (var fill : told.get("fill"))
      if (fill.has("percent")) assertThat(fill.get("holds").asBoolean()).isTrue();
    assertThat(told.get("cables").size()).isEqualTo(19);
    assertThat(told.get("carriers").get(0).get("length").asDouble()).isEqualTo(499.2);
    assertThat(told.get("cut").size()).isGreaterThan(10);
  }

  /// A loom has no walls to be too near.
  @Test
  void aLoomIsNeverTooFull() {
    assertThat(Ran.of("runs", "../demo/glaze-sprayer/glaze-sprayer-settled.nelvar.json").out())
        .containsPattern("P1 +loom to the table and arm +8 conductors, nothing around it");
  }

  /// The same in words and for machines: fewer kinds, and what they save.
  @Test
  void saysHowManyKindsOfWireAreBought() {
    var ran = Ran.of("runs", SETTLED, "--stock");
    assertThat(ran.code()).isEqualTo(CommandLineTool.FINE);
    assertThat(ran.out()).contains("As designed, ", "become 1.5 mm² (", " EUR less:", "no price");
    var told = NelvarJson.mapper().readTree(Ran.of("runs", SETTLED, "--stock", "--json").out());
    assertThat(told.get("after").size())
        .isEqualTo(told.get("before").size() - told.get("merges").size());
    assertThat(ran.out()).contains("%.2f EUR less".formatted(told.get("saves").asDouble()));
    var american =
        Ran.of("runs", "../demo/bottle-rinser/bottle-rinser-settled.nelvar.json", "--stock");
    assertThat(american.out()).contains("No kind can be left out");
  }

  @Test
  void badFilesAreNamed() {
    var ran = Ran.of("runs", "nowhere.nelvar.json");
    assertThat(ran.code()).isEqualTo(CommandLineTool.BAD_USE);
    assertThat(ran.err()).contains("nowhere.nelvar.json").doesNotContain("Exception");
  }

  /// The wiring sheet as it is written, filled in, and taken over as it is.
  @Test
  void theWiringSheetComesBack(@TempDir Path folder) throws IOException {
    var file = folder.resolve("machine.nelvar.json");
    Files.copy(Path.of(SETTLED), file);
    var sheet = folder.resolve("sheet.csv");
    assertThat(
            Ran.of("export", file.toString(), "--format", "wiring-sheet", "--out", sheet.toString())
                .code())
        .isEqualTo(CommandLineTool.FINE);
    var filled =
        Files.readAllLines(sheet).stream()
            .map(line -> line.startsWith("'-WB4,") ? line.replaceFirst(",,$", ",7.25,yes") : line)
            .toList();
    Files.write(sheet, filled);
    var ran = Ran.of("import", file.toString(), sheet.toString());
    assertThat(ran.err()).isEmpty();
    assertThat(ran.out()).contains("1 mark of what was built added to");
    assertThat(Files.readString(file))
        .containsPattern("\"label\": \"-WB4\".*\"length\": \"7.25 m\".*\"done\": true");
  }
}
