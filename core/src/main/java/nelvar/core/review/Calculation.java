package nelvar.core.review;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Line;
import nelvar.core.trail.Trail;

/// One kind of calculation: everything that one rule compared with a limit, worst first.
///
/// @param cases at least one
/// @param notChecked what the same rule could not judge
public record Calculation(Rule rule, List<Case> cases, List<Review.Entry> notChecked) {
  public Calculation {
    cases = List.copyOf(cases);
    notChecked = List.copyOf(notChecked);
  }

  /// One comparison with its working.
  ///
  /// @param limit of several in one working, the one of which most is taken
  public record Case(Review.Entry entry, Trail trail, Line.Limit limit) {
    /// What is said of it: what the rule found, whatever one limit alone says.
    public String verdict() {
      if (entry.accepted().isPresent()) return "accepted deviation";
      if (entry.verdict() instanceof Verdict.Finding) return "does not hold";
      return limit.holds() ? "holds" : "holds in another way";
    }
  }

  /// Cases whose numbers and verdict read the same.
  ///
  /// @param cases at least one
  public record Equal(List<Case> cases) {
    public Equal {
      cases = List.copyOf(cases);
    }

    public Case first() {
      return cases.getFirst();
    }
  }

  /// The kinds of a review, in the order of the rule book; empty for a review without workings.
  public static List<Calculation> of(Review review) {
    var cases = new LinkedHashMap<Rule, List<Case>>();
    for (var entry : review.entries()) {
      var trail = trail(entry);
      limits(trail)
          .max(Comparator.comparingDouble(Line.Limit::used))
          .ifPresent(limit ->
              cases
                  .computeIfAbsent(entry.rule(), _ -> new ArrayList<>())
                  .add(new Case(entry, trail, limit)));
    }
    return cases.entrySet().stream()
        .map(e -> {
          var worstFirst = e.getValue();
          worstFirst.sort(Comparator.comparingDouble((Case c) -> c.limit().used()).reversed());
          return new Calculation(
              e.getKey(),
              worstFirst,
              review.notChecked().stream()
                  .filter(entry -> entry.rule().equals(e.getKey()))
                  .toList());
        })
        .toList();
  }

  /// The working of a verdict; without lines where nothing was checked.
  public static Trail trail(Review.Entry entry) {
    return switch (entry.verdict()) {
      case Verdict.Pass pass -> pass.trail();
      case Verdict.Finding finding -> finding.trail();
      case Verdict.NotChecked _ -> Trail.of("", List.of());
    };
  }

  private static Stream<Line.Limit> limits(Trail trail) {
    return trail.lines().stream().filter(Line.Limit.class::isInstance).map(Line.Limit.class::cast);
  }

  /// The case nearest to its limit, or furthest beyond it.
  public Case governing() {
    return cases.getFirst();
  }

  /// Cases folded by what is written of them, worst first.
  public List<Equal> equal() {
    record Reads(String value, String relation, String bound, String verdict) {}
    return cases.stream()
        .collect(
            Collectors.groupingBy(
                c ->
                    new Reads(
                        c.limit().value(), c.limit().relation(), c.limit().bound(), c.verdict()),
                LinkedHashMap::new,
                Collectors.toList()))
        .values()
        .stream()
        .map(Equal::new)
        .toList();
  }
}
