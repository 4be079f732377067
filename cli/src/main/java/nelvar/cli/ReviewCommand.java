package nelvar.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import nelvar.core.compose.WaysAsRepairs;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.finding.Severity;
import nelvar.core.model.Project;
import nelvar.core.review.Alike;
import nelvar.core.review.Review;
import nelvar.core.review.Unchecked;
import picocli.CommandLine;

@CommandLine.Command(
    name = "review",
    description =
        "Judge a project: its findings, what was accepted, what was not checked. Exit 0 without open errors, 1 with some.",
    mixinStandardHelpOptions = true)
final class ReviewCommand implements Callable<Integer> {
  /// So many alike are folded into one.
  private static final int FOLDED = 3;

  @CommandLine.Parameters(paramLabel = "FILE", description = "Project file (*.nelvar.json).")
  private Path file = Path.of("");

  @CommandLine.Option(
      names = "--json",
      description = "Machine-readable, version 1; see docs/guide/command-line.md.")
  private boolean json;

  @CommandLine.Option(names = "--working", description = "Print the working under each finding.")
  private boolean working;

  @CommandLine.Mixin private AskedMachine asked = new AskedMachine();

  @CommandLine.Spec private CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  static Review review(Project project) {
    var standard = CatalogueFile.standard();
    return Review.of(project, standard).tried(standard, new WaysAsRepairs(standard));
  }

  @CommandLine.Option(names = "--each", description = "Alike findings singly instead of folded.")
  private boolean each;

  @CommandLine.Option(
      names = "--untried",
      description = "Without ways out: trying them takes many times as long as the review.")
  private boolean untried;

  @Override
  public Integer call() throws Exception {
    var standard = CatalogueFile.standard();
    var whole = ProjectFile.at(file).open();
    var review = Review.findingsOnly(asked.horizon().of(whole), standard);
    if (!untried) review = review.tried(standard, new WaysAsRepairs(standard));
    var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
    if (json) out.println(ReviewJson.of(review));
    else {
      var about = asked.horizon().says(whole);
      if (!about.isEmpty()) out.println(about);
      text(review, out);
    }
    return review.count(Severity.ERROR) > 0 ? CommandLineTool.FOUND : CommandLineTool.FINE;
  }

  private void single(Review review, Review.Entry entry, java.io.PrintWriter out) {
    var finding = entry.finding().orElseThrow();
    out.printf(
        "%-7s %s: %s  [%s]%n",
        finding.severity().name().toLowerCase(java.util.Locale.ROOT),
        review.study().label(finding.subject()),
        finding.title(),
        entry.rule().id());
    out.println("        " + finding.text());
    for (var repair : review.waysOut(entry)) out.println("        Way out: " + repair.label());
    if (working) finding.trail().text().lines().forEach(line -> out.println("          " + line));
  }

  /// Alike findings: where they are, what the first says, what cures each.
  private static void folded(Review review, Alike alike, java.io.PrintWriter out) {
    out.printf(
        "%-7s %d times: %s  [%s]%n",
        alike.severity().name().toLowerCase(java.util.Locale.ROOT),
        alike.size(),
        alike.title(),
        alike.rule());
    out.println(
        "        On "
            + alike.entries().stream()
                .map(entry -> review.study().label(entry.verdict().subject()))
                .distinct()
                .collect(java.util.stream.Collectors.joining(", "))
            + " (--each lists them singly).");
    out.println("        " + alike.first().finding().orElseThrow().text());
    // One way out cures many, or each has its own.
    alike.entries().stream()
        .flatMap(entry -> review.waysOut(entry).stream().limit(1))
        .map(nelvar.core.finding.Repair::label)
        .distinct()
        .forEach(label -> out.println("        Way out: " + label));
  }

  private void text(Review review, java.io.PrintWriter out) {
    for (var alike : Alike.of(review.open())) {
      if (each || alike.size() < FOLDED)
        alike.entries().forEach(entry -> single(review, entry, out));
      else folded(review, alike, out);
    }
    for (var entry : review.accepted()) {
      var deviation = entry.accepted().orElseThrow();
      out.printf(
          "accepted %s: %s  [%s]%n        Reason: %s (%s, %s)%n",
          review.study().label(deviation.subject()),
          entry.finding().orElseThrow().title(),
          deviation.rule(),
          deviation.reason(),
          deviation.by(),
          deviation.date());
    }
    for (var cause : Unchecked.of(review.notChecked())) {
      var rules = String.join(", ", cause.rules());
      if (each || cause.subjects().size() < FOLDED)
        for (var subject : cause.subjects())
          out.printf(
              "not checked %s, because %s  [%s]%n",
              review.study().label(subject), cause.why(), rules);
      else
        out.printf(
            "not checked %d times, because %s  [%s]%n        On %s%n",
            cause.subjects().size(),
            cause.why(),
            rules,
            cause.subjects().stream()
                .map(review.study()::label)
                .collect(java.util.stream.Collectors.joining(", ")));
    }
    out.printf(
        "%d verdicts: %d passed, %d errors, %d warnings, %d advice, %d accepted, %d not checked%n",
        review.total(),
        review.passed(),
        review.count(Severity.ERROR),
        review.count(Severity.WARNING),
        review.count(Severity.ADVICE),
        review.accepted().size(),
        review.notChecked().size());
    out.println("Nelvar claims no compliance. Local codes and a licensed electrician decide.");
  }
}
