package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.file.NelvarJson;
import org.junit.jupiter.api.Test;

class ShockCommandTest {
  private static final String PLANTED = "../demo/seed-tray-filler/seed-tray-filler.nelvar.json";

  @Test
  void saysWhatAHandMeets() {
    var ran = Ran.of("shock", PLANTED);
    assertThat(ran.code()).isEqualTo(CommandLineTool.FINE);
    assertThat(ran.out())
        .contains("To open it:", "Switch -Q0 off and lock it", "prove dead")
        .containsPattern("-UC1 door +cabinet +felt / may kill")
        .containsPattern("leaks behind -X0: .*-Z1");
  }

  @Test
  void theSameInJson() {
    var told = NelvarJson.mapper().readTree(Ran.of("shock", PLANTED, "--json").out());
    assertThat(told.get("version").asInt()).isEqualTo(1);
    assertThat(told.get("metal").get(0).get("joined").asBoolean()).isFalse();
    assertThat(told.get("metal").get(0).get("handAmperes").asDouble()).isBetween(0.29, 0.31);
    assertThat(told.get("unearthed").isArray()).isTrue();
    assertThat(told.get("charges").size()).isPositive();
    assertThat(told.get("leakage").get(0).get("amperes").asDouble()).isGreaterThan(0.01);
    assertThat(told.get("opening").size()).isGreaterThanOrEqualTo(4);
  }
}
