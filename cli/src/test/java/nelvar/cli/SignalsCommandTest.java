package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

class SignalsCommandTest {
  private static final String FOLDER = "../demo/seed-tray-filler/seed-tray-filler";

  @TempDir Path folder;

  private static Ran run(String... arguments) {
    return Ran.of(arguments);
  }

  @Test
  void everyWiredPinIsALine() {
    var planted = run("signals", FOLDER + ".nelvar.json");
    assertThat(planted.code()).isOne();
    assertThat(planted.out())
        .contains("-A1:DI3", "-B3:OUT", "wrong", "reads 0 whatever drives it")
        .contains("44 pins, 34 wired: 31 sure, 1 wrong")
        .doesNotContain("-A1:DI16");
    assertThat(run("signals", FOLDER + ".nelvar.json", "--free").out()).contains("-A1:DI16");
    var settled = run("signals", FOLDER + "-settled.nelvar.json");
    assertThat(settled.code()).isZero();
    assertThat(settled.out()).contains("34 sure, 0 wrong, 1 not proved");
  }

  @Test
  void asJsonVoltsAmperesAndMarginAreNumbers() {
    var outcome = run("signals", FOLDER + "-settled.nelvar.json", "--json");
    var tree = JsonMapper.builder().build().readTree(outcome.out());
    assertThat(tree.get("version").asInt()).isEqualTo(1);
    var first = tree.get("links").get(0);
    assertThat(first.get("pin").asString()).isEqualTo("DI1");
    assertThat(first.get("pinOut").asString()).isEqualTo("IN1");
    assertThat(first.get("firmware").asString()).isEqualTo("in.1");
    assertThat(first.get("connector").asString()).isEqualTo("J2");
    assertThat(first.get("on").get("volts").asDouble()).isBetween(21.0, 22.0);
    // 0.1 mA of leakage through 4.7 kΩ.
    assertThat(first.get("off").get("volts").asDouble()).isEqualTo(0.47, within(1e-9));
    assertThat(first.get("marginVolts").asDouble()).isEqualTo(4.53, within(1e-9));
    assertThat(first.get("standing").asString()).isEqualTo("sure");
  }

  /// Plugs put on the wrong way, permissives with a sensor stuck, plugs by a template.
  @Test
  void plugsPermissivesAndConnectorsAreListed() {
    var sprayer = "../demo/glaze-sprayer/glaze-sprayer-settled.nelvar.json";
    var plugs = run("signals", sprayer, "--plugs");
    assertThat(plugs.code()).isZero();
    assertThat(plugs.out())
        .contains("-A1 SIG turned", "is shorted", "-A1 FAN0 turned", "destroys nothing");
    var connectors = run("signals", sprayer, "--connectors", "--template", "{pin}={wire}>{to}");
    assertThat(connectors.out()).contains("FAN0=").contains(">-E3:-");
    var wrong = run("signals", sprayer, "--connectors", "--template", "{pim}");
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err()).contains("{pim}", "{pin}");
  }

  /// A board of one's own from a table of pins, and what is wrong in one by its line.
  @Test
  void aTableOfPinsBecomesABoard() throws Exception {
    var file = folder.resolve("x.nelvar.json");
    Files.copy(Path.of(FOLDER + "-settled.nelvar.json"), file);
    var table = folder.resolve("little-board.csv");
    Files.writeString(
        table,
        "input,current,pin,type,rating\n5–6 V,0.1 A,D1,logic-input,\n,,D2,output-sinking,20 mA\n");
    var read = run("import", file.toString(), table.toString());
    assertThat(read.err()).isEmpty();
    assertThat(read.out()).contains("2 pins of own-little-board added");
    var before = Files.readString(file);
    Files.writeString(
        table,
        "input,current,pin,type,rating\n5–6 V,0.1 A,D1,logic-input,\n,,D2,output-sinking,lots\n");
    var wrong = run("import", file.toString(), table.toString());
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err()).contains("little-board.csv", "line 3");
    assertThat(Files.readString(file)).isEqualTo(before);
  }
}
