package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import nelvar.core.calc.Calculators;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Id;
import nelvar.core.model.Standing;
import nelvar.core.model.edit.FunctionEdits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.json.JsonMapper;

class CommandLineTest {
  private static final String PLANTED = "../demo/seed-tray-filler/seed-tray-filler.nelvar.json";
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  @TempDir Path folder;

  private record Outcome(int code, String out, String err) {}

  private static Outcome run(String... arguments) {
    var out = new StringWriter();
    var err = new StringWriter();
    var code =
        CommandLineTool.run(arguments, new PrintWriter(out, true), new PrintWriter(err, true));
    assertThat(out + "" + err).doesNotContain("\tat ").doesNotContain("Exception");
    return new Outcome(code, out.toString(), err.toString());
  }

  @Test
  void reviewExitsByWhatItFound() {
    var planted = run("review", PLANTED);
    assertThat(planted.code()).isEqualTo(1);
    assertThat(planted.out())
        .contains(
            "error   W32: Return wire too thin  [sizing.voltage-drop]",
            "Way out: Make W32 2.5 mm²",
            "warning W38: It does not reach",
            "19 errors, 25 warnings");
    var settled = run("review", SETTLED);
    assertThat(settled.code()).isZero();
    assertThat(settled.out()).contains("0 errors, 0 warnings").contains("claims no compliance");
    assertThat(run("review", PLANTED, "--working").out()).contains("ΔU = cosφ · Σ I · R");
  }

  /// A command that the launcher does not know opens a window instead.
  @Test
  void theLauncherKnowsEveryCommand() throws Exception {
    var launcher = Files.readString(Path.of("../nelvar"));
    var known =
        launcher.lines().filter(line -> line.contains("review | solve")).findFirst().orElseThrow();
    for (var name : CommandLineTool.names()) assertThat(known).contains(" " + name + " ");
  }

  @Test
  void reviewAsJsonIsVersionedAndStable() {
    var json = run("review", PLANTED, "--json");
    assertThat(json.code()).isEqualTo(1);
    var tree = JsonMapper.builder().build().readTree(json.out());
    assertThat(tree.get("version").asInt()).isEqualTo(1);
    assertThat(tree.get("counts").get("errors").asInt()).isEqualTo(19);
    assertThat(tree.get("findings").size()).isEqualTo(45);
    assertThat(tree.get("findings").get(0).get("working").size()).isPositive();
    assertThat(run("review", PLANTED, "--json").out()).isEqualTo(json.out());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "review|nelvar: Missing required parameter: 'FILE'",
        "review no-such-file|no-such-file: there is no such file",
        "review .|this is a folder",
        "review ../pom.xml|this is not",
        "fly|Unmatched argument",
        "calc no-such|there is no calculation 'no-such'; there are bus-load",
        "calc ampacity S=2.5mm2|method is missing",
        "calc ampacity S|'S' is not an input: write KEY=VALUE",
        "calc ampacity S=1mm2 S=2mm2|input 'S' is given twice",
        "calc ampacity S=2.5mm2 method=B1 Ta=70C|cannot be computed, because the table for air temperature ends at 60 °C",
        "pack x|Missing required option: '--out",
        "new a.nelvar.json --generate 99999999|--generate takes 1 to 20000",
      })
  void badUseExitsTwoWithAReason(String arguments, String message) {
    var outcome = run(arguments.split(" "));
    assertThat(outcome.code()).isEqualTo(2);
    assertThat(outcome.err()).startsWith("nelvar: ").contains(message);
  }

  /// What is marked for later is in neither today's nor the finished machine; the answers say so.
  @Test
  void eachMachineIsAnsweredFor(@TempDir Path at) throws Exception {
    var file = at.resolve("x.nelvar.json");
    var standard = CatalogueFile.standard();
    var demo = ProjectFile.at(Path.of(SETTLED)).open();
    var pump = demo.device(new Id("M7")).orElseThrow();
    ProjectFile.at(file)
        .save(FunctionEdits.mark(pump.id(), "-M7", Optional.of(Standing.LATER)).on(demo, standard));
    var finished = run("review", file.toString(), "--untried");
    assertThat(finished.out()).startsWith("The finished machine; 1 device, ");
    assertThat(run("review", file.toString(), "--untried", "--as", "later").out())
        .startsWith("The machine with what may come later; all of the project is in it.");
    assertThat(run("review", SETTLED, "--untried").out()).doesNotContain("The finished machine");
    assertThat(run("solve", file.toString(), "--set", "M7=50%").code()).isEqualTo(2);
    assertThat(run("solve", file.toString(), "--set", "M7=50%", "--as", "later").code()).isZero();
    assertThat(run("solve", file.toString()).out()).startsWith("The finished machine; 1 device, ");
    var wrong = run("review", file.toString(), "--as", "soon");
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err()).contains("'soon' is none of today, finished, later");
    assertThat(
            run("pack", file.toString(), "--as", "today", "--out", at.resolve("p").toString())
                .code())
        .isZero();
    assertThat(Files.readString(at.resolve("p").resolve("bill-of-materials.csv")))
        .doesNotContain("M7");
    var list = at.resolve("w.csv");
    assertThat(
            run(
                    "export",
                    SETTLED,
                    "--format",
                    "wire-list",
                    "--by-function",
                    "--out",
                    list.toString())
                .code())
        .isZero();
    assertThat(Files.readString(list)).contains("Function").contains("=AX2 seed drum");
  }

  @Test
  void exportNamesItsFormats() {
    var wrong = run("export", PLANTED, "--format", "doc", "--out", folder.resolve("x").toString());
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err())
        .contains(
            "there is no format 'doc'; there are pdf, circuits.pdf, circuits-a3.pdf, workings, svg, xlsx, json, graphml, spice-dc, spice-ac, spice-states, plate.svg, plate.dxf");
    for (var format :
        new String[] {
          "pdf",
          "circuits.pdf",
          "circuits-a3.pdf",
          "workings",
          "repair-sheet",
          "circuit-1.svg",
          "graphml",
          "svg",
          "xlsx",
          "json",
          "wire-list",
          "bill-of-materials"
        }) {
      var file = folder.resolve("deep/er/" + format);
      assertThat(run("export", SETTLED, "--format", format, "--out", file.toString()).code())
          .as(format)
          .isZero();
      assertThat(file).isNotEmptyFile();
    }
    assertThat(run("export", PLANTED, "--format", "pdf", "--out", folder.toString()).err())
        .contains("is a folder");
  }

  @Test
  void packWritesThePapers() throws Exception {
    var outcome = run("pack", PLANTED, "--out", folder.resolve("papers").toString());
    assertThat(outcome.code()).isZero();
    assertThat(folder.resolve("papers/pack.pdf")).isNotEmptyFile();
    assertThat(outcome.out().lines()).hasSize((int) Files.list(folder.resolve("papers")).count());
    var usual = Files.size(folder.resolve("papers/pack.pdf"));
    run("pack", PLANTED, "--annex", "--a3", "--out", folder.resolve("annex").toString());
    assertThat(Files.size(folder.resolve("annex/pack.pdf"))).isGreaterThan(usual * 5 / 4);
    var workings = Files.readString(folder.resolve("papers/workings.json"));
    assertThat(JsonMapper.builder().build().readTree(workings).get("workings").size())
        .isGreaterThan(2000);
    assertThat(folder.resolve("annex/workings.json")).hasContent(workings);
    Files.writeString(folder.resolve("file"), "x");
    assertThat(run("pack", PLANTED, "--out", folder.resolve("file").toString()).err())
        .contains("is a file: choose a folder");
  }

  @Test
  void calcPrintsWorkingAndAnswer() {
    var answer = run("calc", "ampacity", "S=2.5mm2", "method=B2", "Ta=45C", "circuits=4");
    assertThat(answer.code()).isZero();
    assertThat(answer.out()).contains("Iz = It · Ca · Cg = 17.4 A · 0.91 · 0.65 = 10.3 A");
    var json =
        JsonMapper.builder()
            .build()
            .readTree(run("calc", "ampacity", "S=2.5mm2", "method=B2", "--json").out());
    assertThat(json.get("answer").asString()).isEqualTo("17.4 A");
    var list = run("calc").out();
    for (var calculator : Calculators.ALL) assertThat(list).contains(calculator.name());
    // The name alone tells what it takes.
    assertThat(run("calc", "ampacity-na").out())
        .contains("terminals", "one of 60C, 75C, 90C", "such as S=12 AWG", "usually 75C");
  }

  @Test
  void aNewProjectIsMadeOnceAndTakesPartsFromCsv() throws Exception {
    var file = folder.resolve("m.nelvar.json");
    assertThat(run("new", file.toString()).code()).isZero();
    assertThat(run("review", file.toString()).code()).isZero();
    var again = run("new", file.toString());
    assertThat(again.code()).isEqualTo(2);
    assertThat(again.err()).contains("exists already");
    var csv = folder.resolve("parts.csv");
    Files.writeString(
        csv, "kind,id,name,price,power,madeFor\nheater,our-heater,Our heater,30,200 W,230 V\n");
    assertThat(run("import", file.toString(), csv.toString()).out()).contains("1 part added");
    assertThat(Files.readString(file)).contains("\"kind\": \"heater\", \"id\": \"our-heater\"");
    assertThat(run("import", file.toString(), csv.toString()).err()).contains("another id");
    assertThat(run("import", file.toString(), folder.resolve("none.csv").toString()).code())
        .isEqualTo(2);
    var generated = folder.resolve("g.nelvar.json");
    assertThat(run("new", generated.toString(), "--generate", "5", "--seed", "3").code()).isZero();
    assertThat(run("review", generated.toString()).code()).isZero();
  }

  @Test
  void importTakesDevicesAndWiresRowByRow() throws Exception {
    var file = folder.resolve("rows.nelvar.json");
    assertThat(run("new", file.toString(), "--draft", "dough-roller").code()).isZero();
    var before = Files.readString(file);
    var devices = folder.resolve("devices.csv");
    Files.writeString(
        devices, "Tag,Part,Description,Colour of the door\nK70,relay-6a-24vdc,spare relay,grey\n");
    assertThat(run("import", file.toString(), devices.toString()).out())
        .contains("1 device added")
        .contains("Columns not used: Colour of the door");
    var wires = folder.resolve("wires.csv");
    Files.writeString(wires, "from;to\nK70:A1;K70:14\nK70:A9;K70:11\nK70:A2\n");
    var after = Files.readString(file);
    var wrong = run("import", file.toString(), wires.toString());
    assertThat(wrong.code()).isEqualTo(2);
    assertThat(wrong.err())
        .contains("nothing was added, 2 of 3 rows cannot be read")
        .contains("line 3, from: -K70 has no terminal 'A9'")
        .contains("line 4, to: the cell is empty");
    assertThat(Files.readString(file)).isEqualTo(after).isNotEqualTo(before);
    Files.writeString(wires, "from;to\nK70:A1;K70:14\n");
    assertThat(run("import", file.toString(), wires.toString()).out()).contains("1 wire added");
    Files.writeString(wires, "a;b\n1;2\n");
    assertThat(run("import", file.toString(), wires.toString()).err())
        .contains("from and to for wires, designation and part for devices")
        .contains("Nothing was added");
  }

  @Test
  void variantsStandSideBySide() {
    var demo = "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";
    var text = run("compare", demo, "--swap", "T2=supply-24v-20a", "--swap", "-F5=breaker-1p-c10");
    assertThat(text.code()).isZero();
    assertThat(text.out()).contains("as it is").contains("T2=supply-24v-20a").contains("Left over");
    var json = run("compare", demo, "--swap", "T2=supply-24v-20a", "--json").out();
    assertThat(json).contains("\"version\"").contains("\"toBuy\"").contains("\"workMinutes\"");
    for (var wrong :
        java.util.List.of(
            "T99=supply-24v-20a", "T2=nothing", "T2", "T2=breaker-1p-c10,", "K1=relay-6a-24vdc")) {
      var refused = run("compare", demo, "--swap", wrong);
      assertThat(refused.code()).as(wrong).isEqualTo(2);
      assertThat(refused.err()).as(wrong).isNotBlank().doesNotContain("Exception");
      assertThat(refused.out()).isBlank();
    }
    var many = java.util.Collections.nCopies(4, "T2=supply-24v-20a");
    var arguments = new java.util.ArrayList<>(java.util.List.of("compare", demo));
    for (var one : many) arguments.addAll(java.util.List.of("--swap", one));
    assertThat(run(arguments.toArray(String[]::new)).err()).contains("at most 3 variants");
  }

  /// A per cent sign that is not doubled is a warning on the console, which no command may give.
  @Test
  void everyHelpIsPrintedWithoutAWarning() {
    var console = System.err;
    var warned = new java.io.ByteArrayOutputStream();
    System.setErr(new java.io.PrintStream(warned, true, java.nio.charset.StandardCharsets.UTF_8));
    try {
      for (var command : CommandLineTool.line().getSubcommands().keySet())
        assertThat(run(command, "--help").out()).as(command).contains("Usage");
    } finally {
      System.setErr(console);
    }
    assertThat(warned.toString(java.nio.charset.StandardCharsets.UTF_8)).isEmpty();
    assertThat(run("solve", "--help").out()).contains("50 to 130 %").doesNotContain("%%");
  }

  @Test
  void helpAndCatalogue() {
    assertThat(run("--help").out()).contains("review", "calc", "pack", "export", "--shot");
    assertThat(run("catalogue").out()).contains("supply-24v-10a", "circuit-breaker");
    assertThat(run("catalogue", "supply", "24", "V", ">=", "5", "A").out())
        .contains("supply-24v-10a")
        .doesNotContain("supply-24v-2p5a");
    assertThat(run("catalogue", "--kind", "dc-supply").out()).doesNotContain("circuit-breaker");
    assertThat(run("catalogue", "--sheet", "supply-24v-10a").out())
        .contains("As an article", "Takes power", "not stated");
    assertThat(run("catalogue", "--sheet", "nothing").code()).isEqualTo(2);
    assertThat(run("compare", PLANTED).err()).contains("--swap DEVICE=PART, or --architectures");
    assertThat(run("catalogue", "--kind", "nothing").err()).contains("there is no kind 'nothing'");
    assertThat(run().out()).contains("Usage");
  }

  /// Every list that is shipped becomes a machine that `review` finds no error in.
  @ParameterizedTest
  @ValueSource(
      strings = {"tile-polisher", "dough-roller", "foam-cutter", "yarn-winder", "conveyor-station"})
  void aShippedListBecomesAMachineWithoutErrors(String list, @TempDir Path folder)
      throws Exception {
    var file = folder.resolve("machine.nelvar.json");
    var drawn = run("new", file.toString(), "--draft", list);
    assertThat(drawn.code()).isZero();
    assertThat(drawn.out()).contains("Assumed and decided:", "devices", "Not judged yet");
    assertThat(run("review", file.toString(), "--untried").code()).isZero();
    var again = folder.resolve("again.nelvar.json");
    assertThat(run("new", again.toString(), "--draft", list).code()).isZero();
    assertThat(Files.readString(again)).isEqualTo(Files.readString(file));
  }

  @Test
  void aListThatCannotBeMetMakesNoFileAndNamesTheLine(@TempDir Path folder) throws Exception {
    var file = folder.resolve("machine.nelvar.json");
    var list = folder.resolve("list.txt");
    Files.writeString(list, "mains 230 V\nvalve 24 V\nmotor on a drive 7.5 kW\n");
    var refused = run("new", file.toString(), "--draft", list.toString());
    assertThat(refused.code()).isEqualTo(2);
    assertThat(refused.err())
        .contains("line 3, 'motor on a drive 7.5 kW'", "so much needs three phases");
    Files.writeString(list, "valve 24 V\nfrobnicate\n");
    assertThat(run("new", file.toString(), "--draft", list.toString()).err())
        .contains("line 2, 'frobnicate'", "4 valves 24 V on the gantry");
    Files.writeString(list, "# nothing\n");
    assertThat(run("new", file.toString(), "--draft", list.toString()).code()).isEqualTo(2);
    assertThat(run("new", file.toString(), "--draft", "no-such-list").err())
        .contains("tile-polisher");
    Files.write(list, new byte[] {(byte) 0xff, (byte) 0xfe, 0});
    assertThat(run("new", file.toString(), "--draft", list.toString()).err()).contains("UTF-8");
    assertThat(run("new", file.toString(), "--draft", "foam-cutter", "--generate", "3").code())
        .isEqualTo(2);
    assertThat(file).doesNotExist();
  }
}
