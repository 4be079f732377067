package nelvar.core.review;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;

/// Findings of one rule with one reason and weight: one cause, seen at several subjects.
///
/// @param entries at least one, in the order of the review
public record Alike(String rule, String title, Severity severity, List<Review.Entry> entries) {
  public Alike {
    entries = List.copyOf(entries);
  }

  private record Cause(String rule, Reason reason, Severity severity) {}

  /// Folds findings; each is in exactly one group, groups stand where their first stood.
  public static List<Alike> of(List<Review.Entry> findings) {
    var causes = new LinkedHashMap<Cause, List<Review.Entry>>();
    for (var entry : findings) {
      var finding = entry.finding().orElseThrow();
      causes
          .computeIfAbsent(
              new Cause(entry.rule().id(), finding.reason(), finding.severity()),
              _ -> new ArrayList<>())
          .add(entry);
    }
    return causes.entrySet().stream()
        .map(e ->
            new Alike(
                e.getKey().rule(),
                e.getKey().reason().title(),
                e.getKey().severity(),
                e.getValue()))
        .toList();
  }

  public Review.Entry first() {
    return entries.getFirst();
  }

  public int size() {
    return entries.size();
  }
}
