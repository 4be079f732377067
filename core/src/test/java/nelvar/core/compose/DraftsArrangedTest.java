package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.compose.place.Arrange;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Severity;
import nelvar.core.review.Review;
import nelvar.core.sample.RandomList;
import org.junit.jupiter.api.Test;

/// Machines drawn from a list, the five that are shipped and random ones, and then laid out:
/// nothing that was right is wrong then.
class DraftsArrangedTest {
  private static final int RANDOM = 2;

  private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
  private final ConcurrentLinkedQueue<String> laid = new ConcurrentLinkedQueue<>();

  @Test
  void theyStayWithoutError() {
    Stream.concat(
            ShippedLists.NAMES.stream().map(name -> ShippedLists.text(name).orElseThrow()),
            java.util.stream.IntStream.range(0, RANDOM).mapToObj(RandomList::of))
        .parallel()
        .forEach(this::draw);
    assertThat(wrong).isEmpty();
    assertThat(laid).hasSizeGreaterThan(RANDOM);
  }

  private void draw(String text) {
    var list = DraftList.read("list", text);
    if (!list.problems().isEmpty()) {
      wrong.add(list.problems() + " in " + text);
      return;
    }
    try {
      var draft =
          Draft.of(
              list.project(),
              CatalogueFile.standard(),
              list.upstreamStated(),
              Architecture.STAND_ALONE);
      arrange(draft, text);
    } catch (Unmet why) {
      // Some random lists ask for what no part of the catalogue gives: nothing is drawn then.
      assertThat(why.why()).isNotBlank();
    }
  }

  private void arrange(Draft draft, String text) {
    var study = Study.of(draft.project(), CatalogueFile.standard());
    var cabinet = Arrange.cabinet(study, 1, () -> false);
    if (cabinet.isEmpty()) {
      wrong.add("no cabinet holds " + text);
      return;
    }
    var best = Arrange.best(study, cabinet.get(), 1);
    var arranged = best.edit(study).on(draft.project(), CatalogueFile.standard());
    laid.add(text);
    for (var entry : Review.of(arranged, CatalogueFile.standard()).open())
      entry
          .finding()
          .filter(finding -> finding.severity() == Severity.ERROR)
          .ifPresent(finding -> wrong.add(finding.text() + " in " + text));
    // It fits, or no cabinet of the catalogue holds it all.
    if (!best.fits() && Arrange.smallest(study, 1, () -> false).isPresent())
      wrong.add("does not fit: " + text);
  }
}
