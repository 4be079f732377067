package nelvar.documents.export;

import java.util.List;
import java.util.Optional;
import nelvar.core.file.NelvarJson;
import nelvar.core.finding.Verdict;
import nelvar.core.review.Calculation;
import nelvar.core.review.Review;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Line;

/// Every working of a review as JSON, version 1: which rule, about what, each line with its kind,
/// symbol, numbers and source, and the verdict.
public final class WorkingsJson {
  private record Document(int version, String project, String revision, List<Written> workings) {}

  private record Written(
      String rule,
      String asks,
      String subject,
      String label,
      String title,
      String verdict,
      List<Step> lines) {}

  /// @param kind `given`, `table`, `assumed`, `result`, `limit`
  /// @param from what it is known from: an object, a row, a reason, a formula
  /// @param used of a limit: how much of what is allowed is taken
  private record Step(
      String kind,
      String symbol,
      String value,
      Optional<String> from,
      Optional<String> numbers,
      Optional<String> limit,
      Optional<Double> used,
      Optional<Boolean> holds,
      Optional<String> source) {}

  private WorkingsJson() {}

  public static String of(Review review) {
    var all =
        review.entries().stream()
            .filter(entry -> !Calculation.trail(entry).lines().isEmpty())
            .map(entry -> written(review, entry))
            .toList();
    return NelvarJson.mapper()
            .writerWithDefaultPrettyPrinter()
            .writeValueAsString(
                new Document(1, review.project().name(), review.project().revision(), all))
            .replace("\r\n", "\n")
        + "\n";
  }

  private static Written written(Review review, Review.Entry entry) {
    var trail = Calculation.trail(entry);
    return new Written(
        entry.rule().id(),
        entry.rule().asks(),
        entry.verdict().subject().text(),
        review.study().label(entry.verdict().subject()),
        trail.title(),
        entry.accepted().isPresent()
            ? "accepted"
            : entry.verdict() instanceof Verdict.Pass ? "pass" : "finding",
        trail.lines().stream().map(WorkingsJson::step).toList());
  }

  private static Step step(Line line) {
    return switch (line) {
      case Line.Given(var symbol, var value, var from) ->
          plain("given", symbol, value, Optional.of(from), Optional.empty(), Optional.empty());
      case Line.FromTable(var symbol, var value, var row, var citation) ->
          plain("table", symbol, value, Optional.of(row), Optional.empty(), source(citation));
      case Line.Assumed(var symbol, var value, var reason) ->
          plain("assumed", symbol, value, Optional.of(reason), Optional.empty(), Optional.empty());
      case Line.Result(var symbol, var formula, var numbers, var value) ->
          plain(
              "result",
              symbol,
              value,
              Optional.of(formula),
              Optional.of(numbers).filter(text -> !text.isEmpty()),
              Optional.empty());
      case Line.Limit limit ->
          new Step(
              "limit",
              limit.symbol(),
              limit.value(),
              Optional.empty(),
              Optional.empty(),
              Optional.of(limit.relation() + " " + limit.bound()),
              Optional.of(limit.used()).filter(Double::isFinite),
              Optional.of(limit.holds()),
              source(limit.demand()));
    };
  }

  private static Optional<String> source(Citation citation) {
    return Optional.of(citation.toString());
  }

  private static Step plain(
      String kind,
      String symbol,
      String value,
      Optional<String> from,
      Optional<String> numbers,
      Optional<String> source) {
    return new Step(
        kind,
        symbol,
        value,
        from,
        numbers,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        source);
  }
}
