package nelvar.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.compose.Draft;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.file.CatalogueFile;
import org.junit.jupiter.api.Test;

/// What is lacking is said once for all that lack it, and nothing gets lost by it.
class UncheckedTest {
  @Test
  void oneCauseStandsOnce() {
    var list = DraftList.read("draft", "mains 230 V 50 Hz\nheater 230 V 500 W\n2 valves 24 V\n");
    var draft =
        Draft.of(
            list.project(),
            CatalogueFile.standard(),
            list.upstreamStated(),
            Architecture.STAND_ALONE);
    var review = Review.of(draft.project(), CatalogueFile.standard());
    var causes = Unchecked.of(review.notChecked());
    assertThat(causes).extracting(Unchecked::why).doesNotHaveDuplicates();
    assertThat(causes.stream().flatMap(c -> c.subjects().stream()).distinct())
        .containsExactlyInAnyOrderElementsOf(
            review.notChecked().stream().map(e -> e.verdict().subject()).distinct().toList());
    assertThat(causes)
        .anyMatch(c ->
            c.subjects().size() > 2
                && c.rules().equals(java.util.Set.of("protection.disconnection")));
    assertThat(Unchecked.of(List.of())).isEmpty();
  }
}
