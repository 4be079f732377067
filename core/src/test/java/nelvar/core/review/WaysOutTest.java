package nelvar.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import nelvar.core.Panel;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// No way out harms.
final class WaysOutTest {
  private static Review tried(Project project) {
    return Review.of(project, CatalogueFile.standard()).tried(CatalogueFile.standard());
  }

  private static HashSet<String> findings(Review review, Severity severity) {
    var all = new HashSet<String>();
    for (var entry : review.open()) {
      var finding = entry.finding().orElseThrow();
      if (finding.severity() == severity)
        all.add(entry.rule().id() + " " + finding.subject().text() + " " + finding.title());
    }
    return all;
  }

  /// Every way out of a project, taken on a copy: its finding is gone and no error has come.
  private static int harmless(Project project) {
    var review = tried(project);
    var before = findings(review, Severity.ERROR);
    var taken = 0;
    for (var entry : review.open()) {
      var finding = entry.finding().orElseThrow();
      for (var way : review.waysOut(entry)) {
        var after = Review.of(way.edit().apply(project), CatalogueFile.standard());
        assertThat(after.open())
            .as(way.label())
            .noneMatch(other ->
                other.rule().id().equals(entry.rule().id())
                    && other.verdict().subject().equals(finding.subject())
                    && other.finding().orElseThrow().title().equals(finding.title()));
        var errors = findings(after, Severity.ERROR);
        errors.removeAll(before);
        assertThat(errors).as(way.label()).isEmpty();
        taken++;
      }
    }
    return taken;
  }

  @Test
  void thoseOfTheDemoCure() {
    assertThat(harmless(Demo.planted())).isGreaterThan(5);
  }

  /// Several findings tried at a time find what trying one after the other finds.
  @Test
  void allAtOnceAsOneByOne() {
    var review = Review.of(Demo.sprayer(), CatalogueFile.standard());
    var trying =
        new WaysOut.Trying(review, CatalogueFile.standard(), WaysOut.Proposer.NONE, () -> false);
    while (trying.step()) {}
    var together = WaysOut.of(review, CatalogueFile.standard(), WaysOut.Proposer.NONE);
    assertThat(review.open()).isNotEmpty();
    for (var entry : review.open())
      assertThat(labels(together, entry)).isEqualTo(labels(trying.soFar(), entry));
  }

  private static List<String> labels(WaysOut ways, Review.Entry entry) {
    return ways.of(entry).orElseThrow().stream().map(nelvar.core.finding.Repair::label).toList();
  }

  /// Machines of many kinds, built without care: nothing offered for them harms.
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 4, 7, 9})
  void thoseOfMachinesBuiltWithoutCareCure(long seed) {
    assertThat(harmless(nelvar.core.network.Machines.of(seed).build())).isNotNegative();
  }

  /// A transformer of 100 VA takes 0.43 A: its device must see its overload, so none above 1.3 A is
  /// offered (NEC 450.3(B): 300 % below 2 A).
  @Test
  void aSmallTransformerGetsASmallDevice() {
    var review =
        tried(
            Panel.mains()
                .device("T", "transformer-100va-230-24")
                .wire("X0:L1", "T:1", 2.5, 0.5)
                .wire("T:2", "X0:N", 2.5, 0.5)
                .build());
    var labels =
        review.open().stream()
            .filter(entry -> entry.rule().id().equals("protection.bare-transformer"))
            .flatMap(entry -> entry.finding().orElseThrow().proposals().stream())
            .map(way -> way.label())
            .toList();
    assertThat(labels).allMatch(label -> label.endsWith(" 1 A"));
  }

  /// A thicker wire is no way out of a missing device.
  @Test
  void aThickerWireReplacesNoDevice() {
    var review =
        tried(
            Panel.mains()
                .device("E", "heater-100w-230v")
                .wire("X0:L1", "E:L", 0.75, 0.5)
                .wire("E:N", "X0:N", 0.75, 0.5)
                .build());
    assertThat(review.open())
        .filteredOn(entry -> entry.finding().orElseThrow().title().contains("without fitting"))
        .isNotEmpty()
        .allMatch(entry -> entry.finding().orElseThrow().proposals().isEmpty());
  }

  /// A photo eye is no way out for an inductive sensor.
  @Test
  void aSensorIsReplacedByItsLike() {
    var review =
        tried(
            Panel.dc()
                .device("A", "motion-controller-3ax")
                .wire("T:+", "A:+", 0.75, 1)
                .wire("A:-", "T:-", 0.75, 1)
                .device("B", "inductive-m12-npn")
                .wire("T:+", "B:+", 0.5, 1)
                .wire("B:-", "T:-", 0.5, 1)
                .wire("B:OUT", "A:DI1", 0.5, 1)
                .build());
    var labels =
        review.open().stream()
            .filter(entry -> entry.rule().id().startsWith("parts."))
            .flatMap(entry -> entry.finding().orElseThrow().proposals().stream())
            .map(way -> way.label())
            .toList();
    assertThat(labels).isNotEmpty().noneMatch(label -> label.toLowerCase().contains("photo"));
  }

  /// Three coils without a diode: one way out puts a diode on each, and cures all.
  @Test
  void oneWayOutForAll() {
    var panel = Panel.dc();
    for (var coil : List.of("K1", "K2", "K3"))
      panel
          .device(coil, "relay-6a-24vdc")
          .wire("T:+", coil + ":A1", 0.75, 1)
          .wire(coil + ":A2", "T:-", 0.75, 1);
    var review = tried(panel.build());
    var alike =
        Alike.of(review.open()).stream()
            .filter(group -> group.rule().equals("parts.coil-suppression"))
            .findFirst()
            .orElseThrow();
    assertThat(alike.size()).isEqualTo(3);
    var all =
        WaysOut.ofAll("all", alike.entries(), review.ways(), review, CatalogueFile.standard())
            .orElseThrow();
    assertThat(Review.of(all.edit().apply(panel.build()), CatalogueFile.standard()).open())
        .noneMatch(entry -> entry.rule().id().equals("parts.coil-suppression"));
  }

  /// Folding loses nothing: every open finding is in exactly one group.
  @Test
  void foldingLosesNothing() {
    for (var project : List.of(Demo.planted(), nelvar.core.network.Machines.of(3).build())) {
      var open = Review.of(project, CatalogueFile.standard()).open();
      var folded = Alike.of(open).stream().flatMap(alike -> alike.entries().stream()).toList();
      assertThat(folded).containsExactlyInAnyOrderElementsOf(open);
    }
  }
}
