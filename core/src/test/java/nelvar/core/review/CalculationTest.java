package nelvar.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Line;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class CalculationTest {
  private static Review review;
  private static List<Calculation> calculations;

  @BeforeAll
  static void read() throws Exception {
    var file = Path.of("../demo/seed-tray-filler/seed-tray-filler.nelvar.json");
    review = Review.of(ProjectFile.at(file).open(), CatalogueFile.standard());
    calculations = Calculation.of(review);
  }

  private static Stream<Line.Limit> limits(Review.Entry entry) {
    return Calculation.trail(entry).lines().stream()
        .filter(Line.Limit.class::isInstance)
        .map(Line.Limit.class::cast);
  }

  /// Nothing that was compared with a limit is missing, and nothing stands twice.
  @Test
  void everyComparisonStandsOnce() {
    var compared =
        review.entries().stream().filter(entry -> limits(entry).findAny().isPresent()).toList();
    assertThat(compared).hasSizeGreaterThan(600);
    assertThat(calculations.stream().flatMap(c -> c.cases().stream()).map(c -> c.entry()))
        .containsExactlyInAnyOrderElementsOf(compared);
    for (var calculation : calculations)
      assertThat(calculation.equal().stream().flatMap(e -> e.cases().stream()))
          .containsExactlyInAnyOrderElementsOf(calculation.cases());
  }

  /// The first is nearest its limit or furthest beyond; what is beyond does not hold.
  @Test
  void theWorstStandsFirst() {
    for (var calculation : calculations) {
      assertThat(calculation.cases())
          .extracting(c -> -c.limit().used())
          .as(calculation.rule().id())
          .isSorted();
      for (var one : calculation.cases())
        assertThat(one.limit().used() <= 1 + 1e-9)
            .as(one.limit().toString())
            .isEqualTo(one.limit().holds());
    }
  }

  /// What a row says is said of each of its cases.
  @Test
  void casesInOneRowReadAlike() {
    for (var calculation : calculations)
      for (var row : calculation.equal())
        for (var one : row.cases()) {
          assertThat(one.limit().value()).isEqualTo(row.first().limit().value());
          assertThat(one.limit().bound()).isEqualTo(row.first().limit().bound());
          assertThat(one.verdict()).isEqualTo(row.first().verdict());
        }
  }

  private static Line.Limit judged(double value, double bound, boolean atMost) {
    var w = Working.of("Try");
    var explained = w.explain(w.given("I", new Current(value), "given"));
    var judged =
        atMost
            ? Explained.atMost(explained, "I", new Current(bound), Citation.practice())
            : Explained.atLeast(explained, "I", new Current(bound), Citation.practice());
    return (Line.Limit) judged.trail().lines().getLast();
  }

  /// By hand: 3 A of 10 A leave 70 %, 12 A of 10 A are 20 % beyond; 5 A where 4 A are asked leave
  /// 20 %, nothing where something is asked leaves no number.
  @Test
  void theMarginIsWhatIsLeftOfTheLimit() {
    assertThat(judged(3, 10, true).margin()).isEqualTo("70 %");
    assertThat(judged(12, 10, true).margin()).isEqualTo("-20 %");
    assertThat(judged(10, 10, true).margin()).isEqualTo("0 %");
    assertThat(judged(5, 4, false).margin()).isEqualTo("20 %");
    assertThat(judged(2, 4, false).margin()).isEqualTo("-100 %");
    assertThat(judged(0, 4, false).margin()).isEqualTo("none");
    assertThat(judged(0, 0, true).margin()).isEqualTo("0 %");
    assertThat(judged(0, 4, true).margin()).isEqualTo("100 %");
    assertThat(judged(400, 1, true).margin()).isEqualTo("below -999 %");
  }
}
