package nelvar.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.zip.ZipFile;
import javax.xml.parsers.DocumentBuilderFactory;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import org.apache.commons.csv.CSVFormat;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/// What is written is read by outside readers: the JDK's XML parser, a CSV reader with other
/// separators, a JSON reader, a terminal. Names in a project try to be more than names.
class OutputAbuseTest {
  private static final String PLANTED = "../demo/seed-tray-filler/seed-tray-filler.nelvar.json";

  /// Nothing to cure: papers of it take a tenth of the time.
  private static final String SETTLED =
      "../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json";

  private static final List<String> HOSTILE =
      List.of(
          "=1+1",
          "a;=1+1",
          "a\t@x",
          "a;\"=1+1\"",
          "\"=1\"",
          " -cmd",
          "line\n=end",
          "<b>&amp;]]>",
          "\u0000\u0007\u001b[31mred\u009b",
          "\ufffe\uffff",
          "\u202eturned\u2066",
          "half \ud83d of one",
          "'; --",
          "C:\\x\\..\\y",
          "${jndi}",
          "n".repeat(40_000));

  @TempDir Path folder;

  /// Hostile names all over a project: a text of its own for each device, from the `first` on.
  private static Project hostile(Project project, int first) {
    var name = HOSTILE.get(first % HOSTILE.size());
    var renamed = new ArrayList<Device>();
    var settings = new ArrayList<Setting>();
    for (var device : project.devices()) {
      var text = HOSTILE.get((first + renamed.size()) % (HOSTILE.size() - 1));
      renamed.add(device.withPurpose(text));
      settings.add(new Setting(device.id(), text, text, text));
    }
    return project.withName(name).withDescription(name).withDevices(renamed).withSettings(settings);
  }

  private static Ran run(String... arguments) {
    return Ran.of(arguments);
  }

  @Test
  void noNameIsMoreThanAName() throws Exception {
    for (var i : new int[] {0, 8, HOSTILE.size() - 1}) {
      var begun = ProjectFile.at(Path.of(i == 0 ? PLANTED : SETTLED)).open();
      var file = folder.resolve("h" + i + ".nelvar.json");
      ProjectFile.at(file).save(hostile(begun, i));
      var pack = folder.resolve("pack" + i);
      assertThat(run("pack", file.toString(), "--out", pack.toString()).code()).isZero();
      xml(Files.readString(pack.resolve("single-line.svg")));
      workbook(pack.resolve("lists.xlsx"));
      for (var csv : Files.list(pack).filter(p -> p.toString().endsWith(".csv")).toList()) csv(csv);
      for (var command : List.of("review", "solve")) {
        terminal(run(command, file.toString()));
        var json = run(command, file.toString(), "--json");
        assertThat(JsonMapper.builder().build().readTree(json.out()).get("version").asInt())
            .isEqualTo(1);
      }
      var netlist =
          run(
              "export",
              file.toString(),
              "--format",
              "spice-dc",
              "--out",
              pack.resolve("n.cir").toString());
      assertThat(netlist.code()).isZero();
      assertThat(Files.readString(pack.resolve("n.cir")))
          .doesNotContain("Infinity", "NaN")
          .matches("(?s)[\\x20-\\x7e\\n]*");
    }
  }

  private static void xml(String text) throws Exception {
    DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(new org.xml.sax.InputSource(new StringReader(text)));
  }

  private static void workbook(Path file) throws Exception {
    try (var zip = new ZipFile(file.toFile())) {
      for (var entry : zip.stream().toList()) {
        if (!entry.getName().endsWith(".xml") && !entry.getName().endsWith(".rels")) continue;
        var bytes = zip.getInputStream(entry).readAllBytes();
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new java.io.ByteArrayInputStream(bytes));
      }
    }
  }

  /// Read with each separator a spreadsheet program may take, leniently: no cell begins with what
  /// would run.
  private static void csv(Path file) throws Exception {
    var text = Files.readString(file);
    for (var separator : new char[] {',', ';', '\t'}) {
      var cells = new ArrayList<String>();
      for (var line : text.split("\r\n|\r|\n", -1))
        if (separator == ',') cells.add(line);
        else cells.addAll(List.of(line.split(String.valueOf(separator), -1)));
      for (var cell : cells) {
        var bare = cell.replaceFirst("^[\\s\"']*", "");
        var first = cell.replaceFirst("^[\"\\s]*", "");
        if (bare.isEmpty() || "=+@＝＋＠".indexOf(bare.charAt(0)) < 0) continue;
        assertThat(first).as(file + ": " + cell).startsWith("'");
      }
    }
    try (var rows = CSVFormat.RFC4180.parse(new StringReader(text))) {
      for (var row : rows)
        for (var cell : row)
          if (!cell.isEmpty() && !cell.matches("[+-]?[0-9.,]+"))
            assertThat(cell.strip()).as(file.toString()).doesNotMatch("(?s)[=+\\-@].*");
    }
  }

  private static void terminal(Ran outcome) {
    assertThat(outcome.out() + outcome.err())
        .doesNotContainPattern("[\\x00-\\x08\\x0b-\\x1f\\x7f-\\x9f\u202a-\u202e\u2066-\u2069]");
  }

  @Test
  void whatIsTypedComesBackPlain() {
    terminal(run("review", "no\u001b[31m\u0007such.nelvar.json"));
    terminal(run("\u001b[2Jx"));
    terminal(run("calc", "\u001b]0;x\u0007"));
  }

  /// Foreign digits, a dotless i, a time zone on the other side of the world: the same bytes.
  @Test
  void thePackHasTheSameBytesEverywhere() throws Exception {
    var here = packed("en", "US", "UTC");
    assertThat(packed("ar", "EG", "Pacific/Auckland")).isEqualTo(here);
    assertThat(packed("tr", "TR", "America/St_Johns")).isEqualTo(here);
  }

  private TreeMap<String, Integer> packed(String language, String country, String zone)
      throws Exception {
    var out = folder.resolve("pack-" + language);
    var process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Djava.awt.headless=true",
                "-Duser.language=" + language,
                "-Duser.country=" + country,
                "-Duser.timezone=" + zone,
                "-cp",
                System.getProperty("java.class.path"),
                Starter.class.getName(),
                "pack",
                SETTLED,
                "--out",
                out.toString())
            .redirectErrorStream(true)
            .start();
    var said = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor()).as(said).isZero();
    var all = new TreeMap<String, Integer>();
    for (var file : Files.list(out).toList())
      all.put(file.getFileName().toString(), java.util.Arrays.hashCode(Files.readAllBytes(file)));
    assertThat(all).hasSizeGreaterThan(8);
    return all;
  }

  /// The command line as a program.
  static final class Starter {
    public static void main(String[] arguments) {
      System.exit(
          CommandLineTool.run(
              arguments, new PrintWriter(System.out, true), new PrintWriter(System.err, true)));
    }
  }

  /// Out of memory has a code of its own, and words; never the one that says errors were found.
  @Test
  void outOfMemoryHasItsOwnCode() throws Exception {
    var file = folder.resolve("large.nelvar.json");
    assertThat(run("new", file.toString(), "--generate", "3000").code()).isZero();
    var before = Files.readAllBytes(file);
    var process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx48m",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Starter.class.getName(),
                "review",
                file.toString())
            .redirectErrorStream(true)
            .start();
    var said = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor()).as(said).isEqualTo(3);
    assertThat(said).contains("out of memory").contains("NELVAR_HEAP").doesNotContain("\tat ");
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
  }

  @Test
  void foldersPipesAndDevicesAreAnsweredAtOnce() throws Exception {
    var pipe = folder.resolve("pipe");
    new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor();
    for (var bad : List.of(folder.toString(), pipe.toString(), "/dev/zero", "/dev/null")) {
      assertThat(run("review", bad).code()).as(bad).isEqualTo(2);
      assertThat(run("import", PLANTED, bad).code()).as(bad).isEqualTo(2);
      assertThat(run("export", PLANTED, "--format", "svg", "--out", bad).code())
          .as(bad)
          .isEqualTo(2);
    }
  }
}
