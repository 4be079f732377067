package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import nelvar.core.finding.Verdict;
import nelvar.core.review.Calculation;
import nelvar.core.review.Review;
import nelvar.core.trail.Trail;

/// Calculations as an inspector reads them: of each kind the case nearest its limit with its whole
/// working, and all cases in one table, worst first.
final class CalculationSheets {
  static final String TITLE = "Calculations";

  /// Rules that compute without one limit, each case with its whole working.
  private static final List<String> WHOLE = List.of("thermal.inside");

  private CalculationSheets() {}

  static List<Block> blocks(Review review) {
    var blocks = new ArrayList<Block>();
    blocks.add(new Block.Heading(TITLE, 1));
    blocks.add(
        new Block.Paragraph(
            "Of each kind the case nearest its limit, or furthest beyond it, with its working; then all cases, those that read alike in one row, worst first. The margin is the share of the limit that is left. Every other working stands in workings.json beside these papers, and in the annex where it was asked for."));
    for (var calculation : Calculation.of(review)) blocks.addAll(kind(calculation, review));
    for (var rule : WHOLE) {
      var shown =
          review.entries().stream()
              .filter(entry -> entry.rule().id().equals(rule))
              .filter(entry -> !Calculation.trail(entry).lines().isEmpty())
              .toList();
      if (shown.isEmpty()) continue;
      blocks.add(new Block.Heading(words(shown.getFirst().rule().asks()), 2));
      for (var entry : shown) blocks.add(new Block.Sheet(Calculation.trail(entry), verdict(entry)));
    }
    return blocks;
  }

  private static List<Block> kind(Calculation calculation, Review review) {
    var blocks = new ArrayList<Block>();
    var governing = calculation.governing();
    blocks.add(new Block.Heading(words(calculation.rule().asks()), 2));
    blocks.add(
        new Block.Sheet(
            named(governing.trail(), review.study().label(governing.entry().verdict().subject())),
            governing.verdict()));
    if (calculation.cases().size() > 1) blocks.add(new Block.Rows(table(calculation, review)));
    if (!calculation.notChecked().isEmpty())
      blocks.add(
          new Block.Paragraph(
              "Not checked, for the reasons in the list Not checked: %s."
                  .formatted(labels(calculation.notChecked(), review))));
    return blocks;
  }

  /// All cases, those with the same numbers in one row.
  private static ListTable table(Calculation calculation, Review review) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var equal : calculation.equal()) {
      var limit = equal.first().limit();
      rows.add(
          row(
              labels(equal.cases().stream().map(Calculation.Case::entry).toList(), review),
              limit.value(),
              limit.relation() + " " + limit.bound(),
              limit.margin(),
              equal.first().verdict()));
    }
    return new ListTable(
        calculation.rule().id(),
        calculation.rule().asks(),
        List.of(
            text("Of", 5),
            number(calculation.governing().limit().symbol(), 1.2),
            text("Limit", 1.4),
            number("Margin", 1),
            text("Verdict", 1.4)),
        rows);
  }

  private static String labels(List<Review.Entry> entries, Review review) {
    return entries.stream()
        .map(entry -> review.study().label(entry.verdict().subject()))
        .distinct()
        .collect(Collectors.joining(", "));
  }

  /// A question of the rule book as a heading.
  private static String words(String asks) {
    return asks.endsWith(".") ? asks.substring(0, asks.length() - 1) : asks;
  }

  private static Trail named(Trail trail, String name) {
    return trail.title().contains(name) ? trail : trail.titled(name + ": " + trail.title());
  }

  static String verdict(Review.Entry entry) {
    return switch (entry.verdict()) {
      case Verdict.Pass _ -> "holds";
      case Verdict.Finding _ ->
          entry.accepted().isPresent() ? "accepted deviation" : "does not hold";
      case Verdict.NotChecked _ -> "not checked";
    };
  }

  /// Every working, rule by rule.
  static List<Block> annex(Review review) {
    var blocks = new ArrayList<Block>();
    blocks.add(new Block.Heading("Annex: every working", 1));
    var rule = "";
    for (var entry : review.entries()) {
      var trail = Calculation.trail(entry);
      if (trail.lines().isEmpty()) continue;
      if (!entry.rule().id().equals(rule)) {
        rule = entry.rule().id();
        blocks.add(new Block.Heading(words(entry.rule().asks()), 3));
      }
      blocks.add(
          new Block.Sheet(
              named(trail, review.study().label(entry.verdict().subject())), verdict(entry)));
    }
    return blocks;
  }
}
