package nelvar.core.review;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;

/// What could not be checked for one cause: the same thing is lacking at several subjects, or for
/// several rules.
///
/// @param subjects each once, in the order of the review
/// @param rules that lack it, in their order
public record Unchecked(String why, List<Subject> subjects, Set<String> rules) {
  public Unchecked {
    subjects = List.copyOf(subjects);
    rules = new LinkedHashSet<>(rules);
  }

  /// Folds; causes stand where their first stood.
  public static List<Unchecked> of(List<Review.Entry> entries) {
    var causes = new LinkedHashMap<String, List<Review.Entry>>();
    for (var entry : entries)
      if (entry.verdict() instanceof Verdict.NotChecked(var _, var why))
        causes.computeIfAbsent(why, _ -> new ArrayList<>()).add(entry);
    return causes.entrySet().stream()
        .map(e ->
            new Unchecked(
                e.getKey(),
                e.getValue().stream().map(x -> x.verdict().subject()).distinct().toList(),
                e.getValue().stream()
                    .map(x -> x.rule().id())
                    .collect(java.util.stream.Collectors.toCollection(LinkedHashSet::new))))
        .toList();
  }
}
