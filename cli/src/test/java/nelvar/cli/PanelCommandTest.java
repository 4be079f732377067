package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/// `nelvar panel` and `nelvar arrange`.
class PanelCommandTest {
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  @TempDir Path folder;

  @Test
  void whereEverythingStandsAndHowWarm() {
    var ran = Ran.of("panel", SETTLED);
    assertThat(ran.code()).isZero();
    assertThat(ran.out()).contains("800 x 1000 x 300 mm", "-T3", "assumed", "°C");
    var tree = JsonMapper.builder().build().readTree(Ran.of("panel", SETTLED, "--json").out());
    assertThat(tree.get("version").asInt()).isEqualTo(1);
    var cabinet = tree.get("cabinets").get(0);
    assertThat(cabinet.get("top").asDouble()).isGreaterThan(cabinet.get("around").asDouble());
    assertThat(cabinet.get("topUpper").asDouble()).isGreaterThan(cabinet.get("top").asDouble());
    assertThat(cabinet.get("devices")).isNotEmpty();
  }

  /// The same seed writes the same bytes; what is written opens and says where things stand.
  @Test
  void arrangingWritesALayout() throws Exception {
    var one = folder.resolve("one.nelvar.json");
    var two = folder.resolve("two.nelvar.json");
    var from = "../demo/bottle-rinser/bottle-rinser-settled.nelvar.json";
    var ran = Ran.of("arrange", from, "--out", one.toString(), "--seed", "3");
    assertThat(ran.code()).isZero();
    assertThat(ran.out()).contains("short wires", "placed");
    assertThat(Ran.of("arrange", from, "--out", two.toString(), "--seed", "3").code()).isZero();
    assertThat(Files.readAllBytes(one)).isEqualTo(Files.readAllBytes(two));
    assertThat(Ran.of("panel", one.toString()).out()).contains("-U1", "plate");
  }

  @Test
  void withoutACabinetItIsSaid() throws Exception {
    var file = folder.resolve("new.nelvar.json");
    assertThat(Ran.of("new", file.toString()).code()).isZero();
    assertThat(Ran.of("panel", file.toString()).out()).contains("No cabinet is laid out");
  }

  /// The plate goes out as DXF and comes in again as the background of another file.
  @Test
  void drawingsGoOutAndOutlinesComeIn() throws Exception {
    var dxf = folder.resolve("plate.dxf");
    var ran = Ran.of("export", SETTLED, "--format", "plate.dxf", "--out", dxf.toString());
    assertThat(ran.code()).isZero();
    var with = folder.resolve("with.nelvar.json");
    var read = Ran.of("panel", SETTLED, "--background", dxf.toString(), "--out", with.toString());
    assertThat(read.code()).isZero();
    assertThat(read.out()).contains("lines read in metric; not read: TEXT");
    assertThat(Files.readString(with)).contains("\"background\"");
    assertThat(Ran.of("review", with.toString(), "--untried").code())
        .isEqualTo(Ran.of("review", SETTLED, "--untried").code());
    assertThat(Ran.of("export", SETTLED, "--format", "plates.dxf", "--out", dxf.toString()).err())
        .contains("plate.dxf", "door.svg");
    assertThat(Ran.of("panel", SETTLED, "--background", SETTLED, "--out", with.toString()).err())
        .contains("group code");
    assertThat(Ran.of("panel", SETTLED, "--background", dxf.toString()).err()).contains("--out");
  }
}
