package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.need.DraftList.Problem;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.review.Review;

/// From the text of a list to a machine without errors, or to the lines that stand in its way.
public sealed interface Drafting {
  /// @param assumptions what the list does not say
  record Drawn(Draft draft, List<String> assumptions) implements Drafting {}

  record Refused(List<Problem> problems) implements Drafting {}

  /// @param title the machine's name where the list has none
  static Drafting of(String title, String text, Catalogue standard) {
    var list = DraftList.read(title, text);
    if (!list.problems().isEmpty()) return new Refused(list.problems());
    if (list.project().functions().isEmpty())
      return new Refused(
          List.of(new Problem(1, "", "the list names no function: write such as '4 valves 24 V'")));
    try {
      var draft = Draft.of(list.project(), standard, list.upstreamStated());
      var errors = errors(draft, list);
      return errors.isEmpty() ? new Drawn(draft, list.assumptions()) : new Refused(errors);
    } catch (Unmet unmet) {
      var line = unmet.function().flatMap(f -> Optional.ofNullable(list.lines().get(f.id())));
      return new Refused(
          List.of(
              line.map(at -> new Problem(at.line(), at.text(), unmet.why()))
                  .orElseGet(() -> new Problem(0, "the whole machine", unmet.why()))));
    }
  }

  private static List<Problem> errors(Draft draft, DraftList.Machine list) {
    var all = new ArrayList<Problem>();
    for (var entry : draft.review().open()) {
      var finding = entry.finding().orElseThrow();
      if (finding.severity() != Severity.ERROR) continue;
      var line =
          finding.subject().things().stream()
              .flatMap(thing -> serves(thing, draft).stream())
              .flatMap(function -> Optional.ofNullable(list.lines().get(function)).stream())
              .findFirst();
      all.add(
          line.map(at -> new Problem(at.line(), at.text(), finding.text()))
              .orElseGet(() -> new Problem(0, "the whole machine", finding.text())));
    }
    return all;
  }

  private static Optional<Id> serves(Id thing, Draft draft) {
    return draft.project().device(thing).flatMap(Device::serves);
  }

  /// What the rules found that is no error, in a line each.
  static List<String> remarks(Review review) {
    return review.open().stream()
        .map(entry -> entry.finding().orElseThrow())
        .map(
            finding -> "%s: %s".formatted(review.study().label(finding.subject()), finding.title()))
        .distinct()
        .toList();
  }
}
