package nelvar.cli;

import java.util.List;
import nelvar.core.file.NelvarJson;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.review.Review;
import nelvar.core.trail.Line;

/// A review as JSON, version 1.
final class ReviewJson {
  private record Document(
      int version,
      String project,
      String revision,
      Counts counts,
      List<Found> findings,
      List<Found> accepted,
      List<Open> notChecked) {}

  private record Counts(
      long verdicts,
      long passed,
      long errors,
      long warnings,
      long advice,
      int accepted,
      int notChecked) {}

  private record Found(
      String rule,
      String severity,
      String subject,
      String label,
      String title,
      String text,
      List<String> working,
      List<String> repairs,
      java.util.Optional<String> reason) {}

  private record Open(String rule, String subject, String label, String why) {}

  private ReviewJson() {}

  static String of(Review review) {
    var counts =
        new Counts(
            review.total(),
            review.passed(),
            review.count(Severity.ERROR),
            review.count(Severity.WARNING),
            review.count(Severity.ADVICE),
            review.accepted().size(),
            review.notChecked().size());
    var document =
        new Document(
            1,
            review.project().name(),
            review.project().revision(),
            counts,
            review.open().stream().map(entry -> found(review, entry)).toList(),
            review.accepted().stream().map(entry -> found(review, entry)).toList(),
            review.notChecked().stream()
                .map(entry ->
                    new Open(
                        entry.rule().id(),
                        entry.verdict().subject().text(),
                        review.study().label(entry.verdict().subject()),
                        ((Verdict.NotChecked) entry.verdict()).why()))
                .toList());
    return NelvarJson.mapper()
        .writerWithDefaultPrettyPrinter()
        .writeValueAsString(document)
        .replace("\r\n", "\n");
  }

  private static Found found(Review review, Review.Entry entry) {
    var finding = entry.finding().orElseThrow();
    return new Found(
        entry.rule().id(),
        finding.severity().name().toLowerCase(java.util.Locale.ROOT),
        finding.subject().text(),
        review.study().label(finding.subject()),
        finding.title(),
        finding.text(),
        finding.trail().lines().stream().map(Line::text).toList(),
        review.waysOut(entry).stream().map(Repair::label).toList(),
        entry.accepted().map(deviation -> deviation.reason()));
  }
}
