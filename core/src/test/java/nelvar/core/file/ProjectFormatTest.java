package nelvar.core.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import nelvar.core.model.Consistency;
import nelvar.core.model.Project;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ProjectFormatTest {
  private static Project read(String text) throws UnreadableFile {
    return ProjectFormat.read(
        "x.nelvar.json", text.getBytes(StandardCharsets.UTF_8), CatalogueFile.standard());
  }

  private static String demo() {
    return new String(Demo.bytes(), StandardCharsets.UTF_8);
  }

  @Test
  void whatIsReadIsWrittenBackByteForByte() throws Exception {
    for (var path : new Path[] {Demo.PLANTED, Demo.SETTLED, Demo.RINSER, Demo.RINSER_SETTLED}) {
      var bytes = Files.readAllBytes(path);
      assertThat(ProjectFormat.write(ProjectFormat.read("demo", bytes, CatalogueFile.standard())))
          .isEqualTo(bytes);
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 13, 100})
  void generatedPanelsSurviveTheFile(int loads) throws Exception {
    var project = GeneratedPanel.of(loads, 7);
    assertThat(ProjectFormat.read("x", ProjectFormat.write(project), CatalogueFile.standard()))
        .isEqualTo(project);
  }

  @Test
  void theSchemaDescribesTheFiles() throws Exception {
    var schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(
                Files.readString(Path.of("../docs/format/project-2.schema.json")),
                InputFormat.JSON);
    assertThat(schema.validate(demo(), InputFormat.JSON)).isEmpty();
    for (var path : new Path[] {Demo.SETTLED, Demo.RINSER, Demo.RINSER_SETTLED})
      assertThat(schema.validate(Files.readString(path), InputFormat.JSON)).isEmpty();
    assertThat(
            schema.validate(
                new String(ProjectFormat.write(NewProject.named("x")), StandardCharsets.UTF_8),
                InputFormat.JSON))
        .isEmpty();
    assertThat(schema.validate(demo().replace("\"power\"", "\"strong\""), InputFormat.JSON))
        .isNotEmpty();
    assertThat(schema.validate(demo().replace("\"6 mm²\"", "6"), InputFormat.JSON)).isNotEmpty();
  }

  /// Whatever a shipped part says may be said of an own one.
  @Test
  void theSchemaKnowsEveryShippedPart() throws Exception {
    var schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(
                Files.readString(Path.of("../docs/format/project-2.schema.json")),
                InputFormat.JSON);
    var all = CatalogueFile.standard().of(nelvar.core.catalogue.Part.class).toList();
    var project = nelvar.core.model.edit.Edits.ownParts("parts", all).apply(NewProject.named("x"));
    assertThat(
            schema.validate(
                new String(ProjectFormat.write(project), StandardCharsets.UTF_8), InputFormat.JSON))
        .isEmpty();
    assertThat(all).hasSizeGreaterThan(300);
  }

  /// What a part is as an article stands flat beside its own properties, and comes back.
  @Test
  void anArticleKeepsItsBodyMassAndMounting() throws Exception {
    var schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(
                Files.readString(Path.of("../docs/format/project-2.schema.json")),
                InputFormat.JSON);
    var own =
        """
        {"kind": "heater", "id": "our-heater", "name": "Our heater", "price": "12.40", "loss": "3 W",
         "body": {"width": "45 mm", "height": "120 mm", "depth": "60 mm"}, "mass": "0.4 kg",
         "mounting": "rail", "power": "40 W", "madeFor": "230 V"}\
        """;
    var part = NelvarJson.mapper().readValue(own, nelvar.core.catalogue.Part.class);
    var article = part.article();
    assertThat(article.body().orElseThrow().height().metres()).isEqualTo(0.12);
    assertThat(article.mass().orElseThrow().value()).isEqualTo(0.4);
    assertThat(article.mounting()).contains(nelvar.core.catalogue.Article.Mounting.RAIL);
    var project =
        nelvar.core.model.edit.Edits.ownParts("parts", java.util.List.of(part))
            .apply(NewProject.named("x"));
    var written = ProjectFormat.write(project);
    assertThat(schema.validate(new String(written, StandardCharsets.UTF_8), InputFormat.JSON))
        .isEmpty();
    assertThat(ProjectFormat.read("x", written, CatalogueFile.standard())).isEqualTo(project);
    assertThatThrownBy(() ->
            NelvarJson.mapper()
                .readValue(own.replace("mass", "weight"), nelvar.core.catalogue.Part.class))
        .hasMessageContaining("weight");
    assertThatThrownBy(() ->
            NelvarJson.mapper()
                .readValue(own.replace("0.4 kg", "0.4"), nelvar.core.catalogue.Part.class))
        .hasMessageContaining("mass");
  }

  /// One thing wrong each: what, where, and what would be right.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"format\": 2|\"format\": 3|written by a newer Nelvar",
        "\"format\": 2|\"format\": 0|Formats begin with 1",
        "\"format\": 2|\"form\": 1|no \"format\" number",
        "\"section\": \"6 mm²\", \"colour\"|\"section\": \"6 mn²\", \"colour\"|'mn²' in '6 mn²' is not a unit of a cross-section",
        "\"section\": \"6 mm²\", \"colour\"|\"section\": 6, \"colour\"|expected a text in quotes with its unit, found a number without unit",
        "\"length\": \"2.4 m\"|\"length\": \"1e9 m\"|is not possible for a length",
        "\"length\": \"2.4 m\"|\"length\": \"-3 m\"|is not possible for a length",
        "\"length\": \"2.4 m\"|\"length\": \"0.9\"|has no unit",
        "\"place\": \"door\"|\"place\": \"roof\"|'roof' is not one of panel, door, machine",
        "\"purpose\": \"main switch\"|\"purpose\": \"main switch\", \"porpoise\": 1|there is no property 'porpoise' here",
        "\"purpose\": \"main switch\", |''|the property 'purpose' is missing",
        "\"part\": \"main-switch-3p-25a\"|\"part\": \"main-switch-99\"|refers to part 'main-switch-99', which is not a device",
        "\"part\": \"main-switch-3p-25a\"|\"part\": \"wire-1p5\"|which is not a device",
        "\"id\": \"Q0\"|\"id\": \"X0\"|id 'X0' stands twice",
        "\"to\": \"Q0:1\"|\"to\": \"Q9:1\"|there is no device Q9",
        "\"to\": \"Q0:1\"|\"to\": \"Q0:77\"|the device has no terminal '77'",
        "\"to\": \"Q0:1\"|\"to\": \"Q0\"|'Q0' is not a terminal: write device id, colon",
        "\"from\": \"X0:L1\", \"to\": \"Q0:1\"|\"from\": \"Q0:1\", \"to\": \"Q0:1\"|begins and ends on the same terminal",
        "\"stock\": \"cable-2x1\"|\"stock\": \"cable-99\"|which is not in the catalogue",
        "\"designation\": \"-Q0\"|\"designation\": \"- Q0\"|is not a designation",
        "\"headroom\": \"80 %\"|\"headroom\": \"800 %\"|from 10 % to 100 %",
        "\"least\": \"5 °C\"|\"least\": \"50 °C\"|is above the highest",
        "\"duty\": \"60 %\"|\"duty\": \"160 %\"|duty is from 0 % to 100 %",
        "\"method\": \"b1\"|\"method\": \"b9\"|is not one of b1, b2, c, e",
        "\"devices\": [|\"devices\": 7, \"x\": [|expected a list [ ]",
        "\"inside\": false|\"inside\": 1|expected true or false",
        "\"name\": \"Seed-tray filler TF-4\"|\"name\": null|the property 'name' is null",
        "\"devices\": [|\"devices\": [null, |an entry of this list is null",
        "\"length\": \"2.4 m\"|\"length\": [\"2.4 m\"]|expected a text in quotes",
        "\"device\": \"U1\", \"name\": \"Motor current\"|\"device\": \"U77\", \"name\": \"Motor current\"|there is no device U77",
      })
  void oneWrongThingIsNamed(String right, String wrong, String message) {
    var text = demo();
    assertThat(text).contains(right);
    var at = text.indexOf(right);
    var broken = text.substring(0, at) + wrong + text.substring(at + right.length());
    assertThatThrownBy(() -> read(broken))
        .isInstanceOfSatisfying(
            UnreadableFile.class,
            e -> {
              assertThat(e.getMessage())
                  .contains(message == null ? "" : message)
                  .startsWith("x.nelvar.json")
                  .doesNotContain("Exception")
                  .doesNotContain("tools.jackson");
              assertThat(e.remedy()).isNotBlank();
              if (!wrong.contains("form\"")) assertThat(e.place()).isPresent();
            });
  }

  @Test
  void thePlaceIsTheLineInTheFile() {
    var text = demo();
    var line = text.substring(0, text.indexOf("\"to\": \"Q0:1\"")).lines().count();
    assertThatThrownBy(() -> read(text.replace("\"to\": \"Q0:1\"", "\"to\": \"Q9:1\"")))
        .isInstanceOfSatisfying(
            UnreadableFile.class,
            e -> assertThat(e.place().orElseThrow().line()).isEqualTo((int) line));
    assertThatThrownBy(() ->
            read(
                text.replaceFirst(
                    "\"6 mm²\", \"colour\"", "\"6 mm²\", \"length\": \"far\", \"colour\"")))
        .hasMessageContaining("line " + line)
        .hasMessageContaining("conductors[0].length");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "   ",
        "[]",
        "null",
        "7",
        "hello",
        "{",
        "{}",
        "{\"format\":1}",
        "{\"format\":\"1\"}",
        "{\"format\":1,\"format\":1}",
        "\uFEFF{",
        "{\"format\":99999999999999999999}",
        "{\"format\":1}{}"
      })
  void whatIsNoProjectIsRefused(String text) {
    assertThatThrownBy(() -> read(text)).isInstanceOf(UnreadableFile.class);
  }

  @Test
  void deeplyNestedNonsenseIsRefused() {
    assertThatThrownBy(() -> read("{\"format\":1,\"name\":" + "[".repeat(200_000)))
        .isInstanceOf(UnreadableFile.class);
  }

  @Test
  void truncatedAnywhereItIsRefused() {
    var bytes = Demo.bytes();
    for (var length = 0; length < bytes.length - 2; length += 997) {
      var cut = java.util.Arrays.copyOf(bytes, length);
      assertThatThrownBy(() -> ProjectFormat.read("x", cut, CatalogueFile.standard()))
          .isInstanceOf(UnreadableFile.class);
    }
  }

  /// Mangled at random, a file is read as a sound project or refused with a message; nothing else
  /// ever comes out.
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void mangledAtRandomItIsReadOrRefused(long seed) {
    var random = new Random(seed);
    var refused = 0;
    for (var round = 0; round < 60; round++) {
      var bytes = Demo.bytes();
      for (var hit = 0; hit <= random.nextInt(4); hit++) {
        var at = random.nextInt(bytes.length);
        switch (random.nextInt(4)) {
          case 0 -> bytes[at] = (byte) random.nextInt(256);
          case 1 -> bytes[at] = (byte) "{}[]\",:0-9.".charAt(random.nextInt(11));
          case 2 ->
              System.arraycopy(
                  bytes,
                  at,
                  bytes,
                  random.nextInt(bytes.length - Math.min(200, bytes.length - at)),
                  Math.min(200, bytes.length - at));
          default -> bytes = java.util.Arrays.copyOf(bytes, at);
        }
        if (bytes.length == 0) break;
      }
      try {
        var project = ProjectFormat.read("x", bytes, CatalogueFile.standard());
        assertThat(Consistency.check(project, CatalogueFile.standard().with(project.ownParts())))
            .isEmpty();
      } catch (UnreadableFile e) {
        refused++;
        assertThat(e.getMessage()).doesNotContain("Exception").isNotBlank();
      }
    }
    assertThat(refused).isPositive();
  }

  /// Every file of format 1 that opened when it was frozen opens, unchanged but for the number.
  @ParameterizedTest
  @ValueSource(
      strings = {
        "seed-tray-filler",
        "seed-tray-filler-settled",
        "bottle-rinser",
        "bottle-rinser-settled"
      })
  void formatOneOpensForEver(String name) throws Exception {
    var bytes =
        java.util.Objects.requireNonNull(
                getClass().getResourceAsStream("/format-1/" + name + ".nelvar.json"))
            .readAllBytes();
    var project = ProjectFormat.read(name, bytes, CatalogueFile.standard());
    var written = new String(ProjectFormat.write(project), StandardCharsets.UTF_8);
    assertThat(written)
        .isEqualTo(
            new String(bytes, StandardCharsets.UTF_8)
                .replaceFirst("\"format\": 1,", "\"format\": 2,"));
    assertThat(Migration.moves(1)).isFalse();
    assertThat(Migration.toNewest(NelvarJson.mapper().readTree(bytes), 1).get("format").asInt())
        .isEqualTo(2);
  }
}
