package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.file.NelvarJson;
import org.junit.jupiter.api.Test;

class QuietCommandTest {
  private static final String PLANTED = "../demo/seed-tray-filler/seed-tray-filler.nelvar.json";
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  /// The leads of the auger's drive, whose motor's shield is open, beside the steps of the press.
  @Test
  void saysWhatDisturbsWhatAndWhatHelps() {
    var ran = Ran.of("quiet", PLANTED);
    assertThat(ran.code()).isEqualTo(CommandLineTool.FOUND);
    assertThat(ran.out())
        .contains("proves nothing about emissions")
        .containsPattern("-U1 +mains of a drive +into -U3:STEP\\+ \\+ 3 ")
        .containsPattern("dB to \\+[0-9.]+  Clamp the shield of -WD1")
        .contains("min", "Nobody said how near they are. Keep the tray along the frame");
  }

  /// What somebody sees, in words: who could do it, what to try, and what it would mean.
  @Test
  void namesWhatCouldDoWhatSomebodySees() {
    var ran =
        Ran.of(
            "quiet",
            PLANTED,
            "--remedies",
            "0",
            "--symptom",
            "hopper weight jumps when the auger runs");
    assertThat(ran.out())
        .contains("-U1 (mains of a drive) into -WB9 (hopper weight)")
        .contains("switch off, lock off, wait for stored charge, prove dead")
        .contains("Lift -WB9 out of", "gone: ", "stays: ");
    var told =
        NelvarJson.mapper()
            .readTree(
                Ran.of(
                        "quiet",
                        PLANTED,
                        "--json",
                        "--remedies",
                        "0",
                        "--symptom",
                        "counts when a valve drops")
                    .out())
            .get("symptom");
    assertThat(told.get("suspects").get(0).get("disturbs").asString()).isEqualTo("-Y3");
    assertThat(told.get("trials").size()).isGreaterThan(2);
    assertThat(Ran.of("quiet", PLANTED, "--remedies", "0", "--symptom", "qwerty").out())
        .contains("Nothing of this machine was recognised");
  }

  @Test
  void tellsMachines() {
    var told = NelvarJson.mapper().readTree(Ran.of("quiet", PLANTED, "--json").out());
    assertThat(told.get("version").asInt()).isEqualTo(1);
    var worst = told.get("worst");
    assertThat(worst.size()).isEqualTo(20);
    var before = -200.0;
    for (var pair : worst) {
      assertThat(pair.get("margin").asDouble()).isGreaterThanOrEqualTo(before);
      before = pair.get("margin").asDouble();
      var sum = 0.0;
      for (var volts : pair.get("volts")) sum += volts.asDouble();
      assertThat(20 * Math.log10(pair.get("tooMuch").asDouble() / sum))
          .isCloseTo(before, org.assertj.core.api.Assertions.within(0.06));
    }
    assertThat(worst.get(0).get("helps").size()).isPositive();
    // Its neighbours are alike, and say so by the first of them.
    assertThat(worst.get(1).has("helps")).isFalse();
    assertThat(worst.get(19).has("helps")).isFalse();
  }

  /// The door without its bond is joined to nothing; each 0 V once.
  @Test
  void saysHowMetalIsJoined() {
    assertThat(Ran.of("quiet", PLANTED, "--remedies", "0").out())
        .containsPattern("-UC1 +UC1:DOOR +not joined")
        .contains("0 V of -T1: joined to earth once", "0 V of -T2: joined to earth 2 times");
    var bonds =
        NelvarJson.mapper()
            .readTree(Ran.of("quiet", SETTLED, "--json", "--remedies", "0").out())
            .get("bonds");
    for (var metal : bonds.get("metal")) assertThat(metal.get("fast").asDouble()).isNotNegative();
    for (var zero : bonds.get("zeroVolt")) assertThat(zero.get("times").asInt()).isEqualTo(1);
    assertThat(bonds.get("rings").size()).isPositive();
  }

  @Test
  void asManyAsOneAsksFor() {
    var told =
        NelvarJson.mapper()
            .readTree(Ran.of("quiet", SETTLED, "--json", "--pairs", "2", "--remedies", "0").out());
    assertThat(told.get("worst").size()).isEqualTo(2);
    assertThat(told.has("best")).isFalse();
    var wrong = Ran.of("quiet", SETTLED, "--pairs", "0");
    assertThat(wrong.code()).isEqualTo(CommandLineTool.BAD_USE);
    assertThat(wrong.err()).contains("--pairs is 1 and more");
  }
}
