package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/// `nelvar motion` and `nelvar settings` on the demos.
class MotionCommandTest {
  private static final String FOLDER = "../demo/seed-tray-filler/seed-tray-filler";

  @TempDir Path folder;

  private static Ran run(String... arguments) {
    return Ran.of(arguments);
  }

  @Test
  void everyAxisWithItsSum() {
    var planted = run("motion", FOLDER + ".nelvar.json");
    assertThat(planted.code()).isOne();
    assertThat(planted.out())
        .contains("200 · 8 · 3/120 mm = 40 steps/mm", "entered: 400", "screw, 2 starts of 4 mm")
        .contains("asked for 0.253 N·m");
    assertThat(run("motion", FOLDER + "-settled.nelvar.json").code()).isZero();
    var rinser = run("motion", "../demo/bottle-rinser/bottle-rinser-settled.nelvar.json");
    assertThat(rinser.out()).contains("3200 steps/inch", "26.6666667 steps/°");
  }

  @Test
  void asJsonFiguresAreNumbers() {
    var tree =
        JsonMapper.builder()
            .build()
            .readTree(run("motion", FOLDER + "-settled.nelvar.json", "--json").out());
    assertThat(tree.get("version").asInt()).isEqualTo(1);
    var drum = tree.get("axes").get(1);
    assertThat(drum.get("axis").asString()).isEqualTo("=AX2");
    assertThat(drum.get("stepsPerUnit").asDouble()).isEqualTo(40);
    assertThat(drum.get("oneStep").asDouble()).isEqualTo(0.025);
    assertThat(drum.get("pulsesAtWantedSpeedHertz").asDouble()).isEqualTo(12000);
    assertThat(drum.get("settings").get(0).get("standing").asString()).isEqualTo("entered");
    var belt = tree.get("drives").get(1);
    assertThat(belt.get("speedAtTenVolts").asDouble()).isEqualTo(1800);
    assertThat(belt.get("spinUpSeconds").asDouble()).isEqualTo(3);
    assertThat(belt.get("parameters").get(0).get("name").asString()).isEqualTo("Motor volts");
  }

  @Test
  void aMachineWithoutAxesSaysSo() throws Exception {
    var file = folder.resolve("new.nelvar.json");
    assertThat(run("new", file.toString()).code()).isZero();
    var none = run("motion", file.toString());
    assertThat(none.code()).isZero();
    assertThat(none.out()).contains("No motor of this project turns by pulses");
    assertThat(run("settings", file.toString(), "--compare", file.toString()).err())
        .contains("no motor of this project turns by pulses");
  }

  /// One unit is one turn of forty millimetres on the drum; the indexer goes twice as far.
  @Test
  void aStandInDoesWhatTheSettingsSay() {
    var done =
        run(
            "motion",
            FOLDER + ".nelvar.json",
            "--do",
            "=AX2 turn",
            "--do",
            "wait 1",
            "--do",
            "AX3 go 10");
    assertThat(done.code()).isOne();
    assertThat(done.out())
        .contains("-A1:YSTEP+: 1600 pulses; is to stand at 40 mm, stands at 40")
        .contains("-A1:ZSTEP+: 4000 pulses; is to stand at 10 mm, stands at 20");
    assertThat(run("motion", FOLDER + "-settled.nelvar.json", "--do", "=AX3 go 10").code())
        .isZero();
    assertThat(run("motion", FOLDER + ".nelvar.json", "--do", "=AX2 go 1", "--json").out())
        .contains("\"pulses\" : 40");
    var refused = run("motion", FOLDER + ".nelvar.json", "--do", "AX9 go 1");
    assertThat(refused.code()).isEqualTo(2);
    assertThat(refused.err()).contains("there is no axis 'AX9'; there are =AX1, =AX2, =AX3");
  }

  @Test
  void theSheetAsTextTableAndJson() {
    var sheet = run("settings", FOLDER + ".nelvar.json");
    assertThat(sheet.code()).isOne();
    assertThat(sheet.out()).contains("-U4", "Microsteps", "entered: 400");
    var table = run("settings", FOLDER + "-settled.nelvar.json", "--csv");
    assertThat(table.code()).isZero();
    assertThat(table.out())
        .startsWith("device,setting,value,unit,entered,why")
        .contains("-A1,Steps =AX2,40,steps/mm,40,\"gear, 3 : 1, belt, 24 teeth of 5 mm\"");
    assertThat(run("settings", FOLDER + "-settled.nelvar.json", "--json").out())
        .contains("\"version\" : 1", "\"entered\" : \"40\"");
  }

  /// The controller's own text is compared with what is computed; only what differs is written
  /// anew.
  @Test
  void aSettingsTextIsComparedAndMended() throws Exception {
    var project = keyed();
    var text = folder.resolve("controller.txt");
    var before =
        "; as found on the machine\r\n[axis_y]\r\nsteps_per_mm = 40\r\n[axis_z]\r\nsteps_per_mm = 400  ; by eye\r\nspindle = 24000\r\n";
    Files.writeString(text, before);
    var mended = folder.resolve("mended.txt");
    var outcome =
        run("settings", project, "--compare", text.toString(), "--write", mended.toString());
    assertThat(outcome.code()).as(outcome.err()).isOne();
    assertThat(outcome.out())
        .contains("axis_z.steps_per_mm = 400, and Steps =AX3 is 200")
        .contains("1 values changed")
        .doesNotContain("axis_y");
    assertThat(Files.readString(mended)).isEqualTo(before.replace("= 400", "= 200"));
    assertThat(Files.readString(text)).as("what was read stays").isEqualTo(before);
    var again = run("settings", project, "--compare", mended.toString());
    assertThat(again.code()).isZero();
    assertThat(again.out()).contains("All 2 keys of -A1 stand as computed");
    var json = run("settings", project, "--compare", text.toString(), "--json");
    assertThat(json.out()).contains("\"computed\" : \"200\"");
    // Only what stands as computed is written down as loaded.
    var early = run("settings", project, "--compare", text.toString(), "--loaded", "version 2.1");
    assertThat(early.code()).isEqualTo(2);
    assertThat(early.err()).contains("nothing was written down", "is 400 and is to be 200");
    var loaded =
        run("settings", project, "--compare", mended.toString(), "--loaded", "version 2.1, port 3");
    assertThat(loaded.code()).as(loaded.err()).isZero();
    assertThat(Files.readString(Path.of(project)))
        .containsPattern("version 2.1, port 3, text [0-9A-F]{8}, values [0-9A-F]{8}");
  }

  /// A motor's leads with where they go, and how they are proved; a name that is none is answered
  /// with those there are.
  @Test
  void leadsOfAMotorAreListed() {
    var out = run("motion", FOLDER + "-settled.nelvar.json", "--leads", "M4");
    assertThat(out.code()).isZero();
    assertThat(out.out()).contains("A+", "-U4:A+", "two pairs of 0.9 Ω");
    assertThat(run("motion", FOLDER + "-settled.nelvar.json", "--leads", "M2", "--json").out())
        .contains("\"mark\" : \"U1\"", "\"expect\"");
    assertThat(run("motion", FOLDER + "-settled.nelvar.json", "--leads", "M99").err())
        .contains("there is no motor 'M99'; there are -M1");
  }

  /// A motor on the mains stands there with its dial; one set too high is why the exit is 1.
  @Test
  void aDialIsPrintedWithWhatItIsSetTo() throws Exception {
    var list = folder.resolve("fan.txt");
    Files.writeString(
        list,
        "mains 3x400 V 50 Hz TN-S\nupstream 16 A\nextractor motor on the mains 1.1 kW\n2 stop buttons\nstart button\n");
    var file = folder.resolve("fan.nelvar.json");
    assertThat(run("new", file.toString(), "--draft", list.toString()).code()).isZero();
    var right = run("motion", file.toString());
    assertThat(right.code()).as(right.err()).isZero();
    assertThat(right.out()).contains("Dial", "2.6 A", "entered");
    Files.writeString(
        file, Files.readString(file).replace("\"trip\": \"2.6 A\"", "\"trip\": \"3.9 A\""));
    var high = run("motion", file.toString());
    assertThat(high.code()).isOne();
    assertThat(high.out()).contains("entered: 3.9 A");
    assertThat(run("motion", file.toString(), "--json").out()).contains("\"dials\"");
  }

  /// Keys that are not there, no keys at all, a text that is none, a device that is not there: each
  /// with what to do.
  @Test
  void whatCannotBeComparedIsSaid() throws Exception {
    var project = keyed();
    var text = folder.resolve("other.txt");
    Files.writeString(text, "speed = 3\n");
    assertThat(run("settings", project, "--compare", text.toString()).out())
        .contains("axis_y.steps_per_mm (Steps =AX2) is not in it");
    var bare = run("settings", FOLDER + ".nelvar.json", "--compare", text.toString());
    assertThat(bare.code()).isEqualTo(2);
    assertThat(bare.err()).contains("-A1 has no keys", "Key Steps =AX1");
    Files.write(text, new byte[] {(byte) 0xff, (byte) 0xfe, 0x41, 0x00, (byte) 0xc3, 0x28});
    assertThat(run("settings", project, "--compare", text.toString()).err())
        .contains("is not a text in UTF-8");
    assertThat(run("settings", project, "--compare", folder.resolve("gone").toString()).err())
        .contains("is not there");
    assertThat(run("settings", project, "--compare", text.toString(), "--of", "A77").err())
        .contains("there is no device 'A77'");
  }

  /// The demo, with what its controller calls the steps of two axes.
  private String keyed() throws Exception {
    var whole = Files.readString(Path.of(FOLDER + ".nelvar.json"));
    var key =
        "    {\"device\": \"A1\", \"name\": \"Key Steps =%s\", \"value\": \"%s.steps_per_mm\", \"reason\": \"its text\"},\n";
    var next =
        whole.replaceFirst(
            "  \"settings\": \\[\n",
            "  \"settings\": [\n"
                + key.formatted("AX2", "axis_y")
                + key.formatted("AX3", "axis_z"));
    assertThat(next).isNotEqualTo(whole);
    var file = folder.resolve("keyed.nelvar.json");
    Files.writeString(file, next);
    return file.toString();
  }
}
