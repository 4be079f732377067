package nelvar.core.compose;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.finding.Severity;
import nelvar.core.review.Review;

/// What a change does to the findings of a machine.
///
/// @param opened findings that would be open and are not today, with their severity
/// @param closed findings that are open today and would not be
public record Effects(Map<String, Severity> opened, List<String> closed) {
  public Effects {
    opened = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(opened));
    closed = List.copyOf(closed);
  }

  public static Effects between(Review today, Review after) {
    var was = open(today);
    var is = open(after);
    var opened = new LinkedHashMap<>(is);
    opened.keySet().removeAll(was.keySet());
    return new Effects(opened, was.keySet().stream().filter(key -> !is.containsKey(key)).toList());
  }

  /// Those of error severity.
  public List<String> errors() {
    return opened.entrySet().stream()
        .filter(entry -> entry.getValue() == Severity.ERROR)
        .map(Map.Entry::getKey)
        .toList();
  }

  /// Open findings by what they say of what.
  private static Map<String, Severity> open(Review review) {
    var all = new LinkedHashMap<String, Severity>();
    for (var entry : review.open()) {
      var finding = entry.finding().orElseThrow();
      all.putIfAbsent(
          "%s: %s".formatted(review.study().label(finding.subject()), finding.title()),
          finding.severity());
    }
    return all;
  }
}
