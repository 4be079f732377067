package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.file.NelvarJson;
import org.junit.jupiter.api.Test;

class StopCommandTest {
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  @Test
  void pressesEachStopByItself() {
    var ran = Ran.of("stop", SETTLED);
    assertThat(ran.code()).isEqualTo(CommandLineTool.FINE);
    assertThat(ran.out())
        .contains("press -S1", " and back:", "reset -K0 with -S5")
        .containsPattern("-M3 +dibble press, vertical +sinks [0-9.]+ mm, then held after ")
        .containsPattern("-Y0 +press brake +holds after ")
        .contains("Programs go on as before", "computes and certifies nothing");
  }

  @Test
  void doesWhatItIsTold() {
    var told =
        NelvarJson.mapper()
            .readTree(
                Ran.of("stop", SETTLED, "--do", "close Q0 at 3 s", "--do", "open Q0", "--json")
                    .out());
    assertThat(told.get("version").asInt()).isEqualTo(1);
    var one = told.get("rehearsals").get(0);
    var before = -1.0;
    for (var moment : one.get("moments")) {
      assertThat(moment.get("at").asDouble()).isGreaterThanOrEqualTo(before);
      before = moment.get("at").asDouble();
    }
    assertThat(before).isGreaterThanOrEqualTo(3);
    assertThat(one.get("loads").size()).isPositive();
  }

  /// In the words of the window, with a time or without.
  @Test
  void takesTheWordsOfTheWindow() {
    var told =
        NelvarJson.mapper()
            .readTree(
                Ran.of(
                        "stop",
                        SETTLED,
                        "--do",
                        "press S1",
                        "--do",
                        "let go S1 at 2 s",
                        "--do",
                        "reset with S5 at 4 s",
                        "--json")
                    .out());
    var back = 0.0;
    for (var load : told.get("rehearsals").get(0).get("loads"))
      if (load.get("device").asString().equals("-M4")) back = load.get("back").asDouble();
    assertThat(back).isBetween(4.0, 6.0);
    assertThat(Ran.of("stop", SETTLED, "--do", "mains away at X0 for 20 ms").out())
        .contains("mains back at -X0");
  }

  @Test
  void saysWhatCannotBeDone() {
    assertThat(Ran.of("stop", SETTLED, "--do", "press XYZ").err()).contains("XYZ");
    assertThat(Ran.of("stop", SETTLED, "--do", "press S1 at noon").err()).contains("--do");
    assertThat(Ran.of("stop", SETTLED, "--until", "-3 s").code())
        .isEqualTo(CommandLineTool.BAD_USE);
  }
}
