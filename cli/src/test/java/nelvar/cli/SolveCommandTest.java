package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class SolveCommandTest {
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  @TempDir Path folder;

  private static Ran run(String... arguments) {
    return Ran.of(arguments);
  }

  private static JsonNode json(String... arguments) {
    var outcome = run(arguments);
    assertThat(outcome.err()).isEmpty();
    return JsonMapper.builder().build().readTree(outcome.out());
  }

  /// A dip is said in the heading, and one that cannot be is refused.
  @Test
  void aDipOfTheMains() {
    var demo = "../demo/seed-tray-filler/seed-tray-filler.nelvar.json";
    var dip = Ran.of("solve", demo, "--set", "mains=70%");
    assertThat(dip.out()).contains("mains 70 % of nominal");
    assertThat(Ran.of("solve", demo, "--set", "mains=500%").err()).contains("0 to 130 %");
  }

  @Test
  void solvesTheRunningMachine() {
    var outcome = run("solve", SETTLED);
    assertThat(outcome.code()).isZero();
    assertThat(outcome.out())
        .startsWith("solved, wires at 45 °C, mains 100 % of nominal")
        .contains("state  -K1 coil", "source -T1", "load   -M6")
        .doesNotContain("chatters", "at its current limit");
    assertThat(run("solve", SETTLED).out()).isEqualTo(outcome.out());
  }

  @Test
  void asJsonItNamesTerminalsConductorsAndStates() {
    var tree = json("solve", SETTLED, "--json");
    assertThat(tree.get("version").asInt()).isEqualTo(1);
    assertThat(tree.get("status").asString()).isEqualTo("solved");
    assertThat(tree.get("terminals").get("T1:+").get("toEarth").get("direct").asDouble())
        .isBetween(23.9, 24.1);
    assertThat(tree.get("conductors").get("W142").get("direct").asDouble()).isBetween(2.99, 3.01);
    assertThat(tree.get("states").get("K1.coil").asBoolean()).isTrue();
    assertThat(tree.get("residual").asDouble()).isLessThan(1e-6);
  }

  @Test
  void aStopIsPressed() {
    var tree = json("solve", SETTLED, "--set", "-S1=pressed", "--json");
    assertThat(tree.get("states").get("K1.coil").asBoolean()).isFalse();
    assertThat(tree.get("terminals").get("X48:1").get("live").asBoolean()).isFalse();
    var welded = json("solve", SETTLED, "--set", "S1=pressed", "--weld", "K2:1,K2:2", "--json");
    assertThat(welded.get("terminals").get("X48:1").get("live").asBoolean()).isTrue();
  }

  @Test
  void aShortCircuitNamesWhatOpens() {
    var outcome = run("solve", SETTLED, "--short", "E1:L,E1:N");
    assertThat(outcome.out()).contains("opens  F6:1–2 (C 2 A)", "within 0.1 s");
    assertThat(run("solve", SETTLED, "--short", "T1:+,T1:-").out())
        .contains("at its current limit");
    assertThat(run("solve", SETTLED, "--set", "F5=open").out()).contains("off");
    assertThat(run("solve", SETTLED, "--cut", "W142", "--loads", "all_on").code()).isZero();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "--set S1|sets nothing: write DEVICE=STATE",
        "--set S1=sideways|is not a state",
        "--set Q99=on|there is no device 'Q99'",
        "--set A1=on|has several: write A1.DO1",
        "--set A1.Q99=on|has no 'Q99'",
        "--set M6=on|nothing that opens or closes",
        "--cut W9999|there is no conductor 'W9999'",
        "--short T1:+|is not two terminals",
        "--short T1:+,T1:9|there is no terminal 'T1:9'",
        "--short T1,T2|is not a terminal",
        "--weld T1:+,T1:-|there is no contact between",
        "--mains 900|from 50 to 130",
        "--loads most|Invalid value for option '--loads'",
      })
  void badUseExitsTwoWithAReason(String arguments, String message) {
    var all = new java.util.ArrayList<>(java.util.List.of("solve", SETTLED));
    all.addAll(java.util.List.of(arguments.split(" ")));
    var outcome = run(all.toArray(String[]::new));
    assertThat(outcome.code()).isEqualTo(2);
    assertThat(outcome.err()).contains(message).doesNotContain("Exception");
  }

  @Test
  void theNetlistIsExported() throws Exception {
    for (var format : new String[] {"spice-dc", "spice-ac", "spice-states"}) {
      var file = folder.resolve(format + ".cir");
      assertThat(run("export", SETTLED, "--format", format, "--out", file.toString()).code())
          .isZero();
      assertThat(Files.readString(file)).startsWith("* Seed-tray filler").endsWith(".end\n");
    }
  }
}
