package nelvar.core.abuse;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Random;
import nelvar.core.exchange.PartsCsv;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.ProjectFormat;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;
import org.junit.jupiter.api.Test;

/// Files that something mangled: bytes flipped, cut off, doubled, numbers and words made absurd.
/// The law: it is opened, reviewed and written back the same, or refused in words a person can act
/// on.
class FileAbuseTest {
  private static final List<String> ABSURD =
      List.of(
          "\"0 V\"",
          "\"1e300 A\"",
          "-1",
          "1e999",
          "null",
          "[]",
          "{}",
          "\"\"",
          "true",
          "\"NaN\"",
          "\"150 %\"",
          "\"\\ud800\"",
          "\"-5 °C\"",
          "\"0 Ω\"",
          "9223372036854775808",
          "\"x\"",
          "\"1 m\"");

  @Test
  void aMangledFileIsOpenedOrRefusedInWords() throws Exception {
    var abuse = Abuse.of("mangled project files", 250);
    var begun =
        List.of(
            Files.readAllBytes(Demo.PLANTED),
            Files.readAllBytes(Demo.RINSER),
            ProjectFormat.write(GeneratedPanel.of(12, 4)));
    var opened = 0;
    while (abuse.more()) {
      var random = abuse.random();
      var bytes = mangled(begun.get(random.nextInt(begun.size())), random);
      var where = "seed " + abuse.seed();
      Project project;
      try {
        project = ProjectFormat.read("m.nelvar.json", bytes, CatalogueFile.standard());
      } catch (UnreadableFile said) {
        words(said, where);
        continue;
      } catch (RuntimeException broken) {
        throw new AssertionError(where + ": " + shortened(bytes), broken);
      }
      opened++;
      assertThat(
              ProjectFormat.read(
                  "m.nelvar.json", ProjectFormat.write(project), CatalogueFile.standard()))
          .as(where)
          .isEqualTo(project);
      if (opened % 10 == 1)
        try {
          Review.of(project, CatalogueFile.standard()).study().asDesigned();
        } catch (RuntimeException broken) {
          throw new AssertionError(where, broken);
        }
    }
    assertThat(opened).as("some still open, so that the law is tried on them").isPositive();
  }

  private static void words(UnreadableFile said, String where) {
    assertThat(said.getMessage())
        .as(where)
        .startsWith("m.nelvar.json")
        .doesNotContain("Exception", "nelvar.core", "java.", "jackson", "$", "\n\tat");
    assertThat(said.problem()).as(where).isNotBlank();
    assertThat(said.remedy()).as(where).isNotBlank();
  }

  private static String shortened(byte[] bytes) {
    var text = new String(bytes, StandardCharsets.UTF_8);
    return text.length() > 300 ? text.substring(0, 300) : text;
  }

  private static byte[] mangled(byte[] from, Random random) {
    var text = new String(from, StandardCharsets.UTF_8);
    return switch (random.nextInt(8)) {
      case 0 -> java.util.Arrays.copyOf(from, random.nextInt(from.length));
      case 1 -> flipped(from, random);
      case 2 -> spliced(from, random);
      case 3 -> line(text, random, (lines, i) -> lines.add(i, lines.get(i)));
      case 4 -> line(text, random, (lines, i) -> lines.remove(i));
      case 5 ->
          line(text, random, (lines, i) -> lines.set(i, lines.get(random.nextInt(lines.size()))));
      default -> value(text, random);
    };
  }

  private static byte[] flipped(byte[] from, Random random) {
    var next = from.clone();
    for (var i = random.nextInt(4); i >= 0; i--)
      next[random.nextInt(next.length)] = (byte) random.nextInt(256);
    return next;
  }

  private static byte[] spliced(byte[] from, Random random) {
    var out = new ByteArrayOutputStream();
    var at = random.nextInt(from.length);
    out.write(from, 0, at);
    var other = random.nextInt(from.length);
    out.write(from, other, Math.min(random.nextInt(200), from.length - other));
    var on = Math.min(from.length, at + random.nextInt(100));
    out.write(from, on, from.length - on);
    return out.toByteArray();
  }

  private static byte[] line(
      String text, Random random, java.util.function.BiConsumer<List<String>, Integer> change) {
    var lines = new java.util.ArrayList<>(text.lines().toList());
    change.accept(lines, random.nextInt(lines.size()));
    return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
  }

  /// Puts something absurd in the place of one value.
  private static byte[] value(String text, Random random) {
    var colons = new java.util.ArrayList<Integer>();
    for (var i = text.indexOf("\": "); i >= 0; i = text.indexOf("\": ", i + 1)) colons.add(i + 3);
    var at = colons.get(random.nextInt(colons.size()));
    var end = at;
    while (end < text.length() && ",}\n".indexOf(text.charAt(end)) < 0) end++;
    return (text.substring(0, at) + ABSURD.get(random.nextInt(ABSURD.size())) + text.substring(end))
        .getBytes(StandardCharsets.UTF_8);
  }

  private static final String CSV =
      "kind,id,name,price,coil.voltage,coil.power,coil.least,coil.greatest\n"
          + "solenoid,our-valve,Our valve,19.50,24 V,\"6,5 W\",90 %,110 %\n"
          + "solenoid,our-other,\"Our other, small\",9.50,12 V,3 W,90 %,110 %\n";

  /// Headings and cells of every kind: answered by row and column, or read.
  @Test
  void aMangledCsvIsReadOrRefusedInWords() {
    var abuse = Abuse.of("mangled CSV files", 300);
    while (abuse.more()) {
      var random = abuse.random();
      var text =
          new String(flipped(CSV.getBytes(StandardCharsets.UTF_8), random), StandardCharsets.UTF_8);
      text =
          switch (random.nextInt(5)) {
            case 0 ->
                text.replace(
                    "coil.voltage", ABSURD_HEADINGS.get(random.nextInt(ABSURD_HEADINGS.size())));
            case 1 -> text.substring(0, random.nextInt(text.length()));
            case 2 -> text.replace(',', random.nextBoolean() ? ';' : '\t');
            default -> text;
          };
      try {
        assertThat(PartsCsv.read("p.csv", text)).isNotEmpty();
      } catch (UnreadableFile said) {
        assertThat(said.getMessage())
            .as("seed " + abuse.seed())
            .startsWith("p.csv")
            .doesNotContain("Exception", "nelvar.core", "java.", "jackson", "\n");
      } catch (RuntimeException broken) {
        throw new AssertionError("seed " + abuse.seed() + ": " + text, broken);
      }
    }
  }

  private static final List<String> ABSURD_HEADINGS =
      List.of(
          "",
          ".",
          "..",
          "coil",
          "coil.",
          ".voltage",
          "coil..voltage",
          "kind",
          "id.x",
          "name.y",
          "=1+1",
          "a b",
          "price.amount",
          "coil.voltage.unit",
          "x".repeat(500),
          "\u202ecoil",
          "coil.power");
}
