package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.stream.Collectors;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.review.Review;
import nelvar.documents.content.Pack;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.Shape;
import nelvar.documents.export.PackFiles;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// The papers of the North American demo.
class RinserPackTest {
  private static Review review;
  private static String text;

  @BeforeAll
  static void read() throws UnreadableFile {
    var project = ProjectFile.at(Path.of("../demo/bottle-rinser/bottle-rinser.nelvar.json")).open();
    review = Review.of(project, CatalogueFile.standard());
    text = words(Pack.paper(review));
  }

  private static String words(Paper paper) {
    return paper.pages().stream()
        .flatMap(page -> page.shapes().stream())
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text())
        .collect(Collectors.joining(" "))
        .replaceAll("[\\s\u00a0\u202f]+", " ");
  }

  /// The cover names the school, and every answer to a question practitioners disagree on.
  @Test
  void theCoverNamesTheSchoolAndItsAnswers() {
    assertThat(text)
        .contains("North American school", "NFPA 79, NEC, UL 508A")
        .contains("terminals 75 °C")
        .contains("at 125 % of their current")
        .contains("by the device's rating");
  }

  /// The tables it relied on are those of its own school, and say that they are unchecked.
  @Test
  void itCitesItsOwnTables() {
    assertThat(text)
        .contains("Table 310.16 (unchecked)")
        .contains("Table 250.122 (unchecked)")
        .doesNotContain("IEC 60204-1:2016, Table 6");
  }

  /// Sizes stand as gauges in the lists, and a chart for each device on the mains.
  @Test
  void sizesAreGaugesAndChartsAreThere() {
    assertThat(text).contains("14 AWG", "Time and current", "-F1 CC 10 A", "-F3 CC 1 A");
    var files = PackFiles.of(review);
    var wires = new String(files.get("wire-list.csv"), java.nio.charset.StandardCharsets.UTF_8);
    assertThat(wires).contains("10 AWG", "18 AWG").doesNotContain("mm²,");
    var bill =
        new String(files.get("bill-of-materials.csv"), java.nio.charset.StandardCharsets.UTF_8);
    assertThat(bill).contains("Single wire 14 AWG", "class CC 10 A");
  }

  /// Printed twice, the bytes are the same.
  @Test
  void nothingChangesBetweenTwoPrints() {
    assertThat(PackFiles.of(review).get("pack.pdf"))
        .isEqualTo(PackFiles.of(review).get("pack.pdf"));
  }
}
