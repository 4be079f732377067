package nelvar.core.review;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Deviation;
import nelvar.core.model.Id;
import nelvar.core.model.Project;

/// All verdicts of one snapshot, in the order of the rule book, with the study they rest on.
///
/// A rule that fails becomes a [Verdict.NotChecked] on every device naming it: it hides no other
/// and never looks like a pass.
public record Review(Study study, List<Entry> entries) {

  /// @param accepted the deviation that accepts this finding, if one does
  public record Entry(Rule rule, Verdict verdict, Optional<Deviation> accepted) {
    public Optional<Verdict.Finding> finding() {
      return verdict instanceof Verdict.Finding finding ? Optional.of(finding) : Optional.empty();
    }

    /// A finding that nobody has accepted.
    public boolean open() {
      return verdict instanceof Verdict.Finding && accepted.isEmpty();
    }
  }

  public static Review of(Project project, Catalogue standard) {
    return of(project, standard, RuleBook.ALL, () -> false).orElseThrow();
  }

  /// @param cancelled asked before each rule
  /// @return empty when cancelled
  public static Optional<Review> of(
      Project project, Catalogue standard, List<Rule> rules, BooleanSupplier cancelled) {
    var study = Study.of(project, standard);
    var entries = new ArrayList<Entry>();
    // Rules know nothing of one another, so they may run side by side; their order in the book is
    // kept.
    var verdicts =
        rules.parallelStream()
            .map(rule -> cancelled.getAsBoolean() ? List.<Verdict>of() : judged(rule, study))
            .toList();
    if (cancelled.getAsBoolean()) return Optional.empty();
    for (var i = 0; i < rules.size(); i++) {
      for (var verdict : verdicts.get(i))
        entries.add(new Entry(rules.get(i), verdict, deviation(project, rules.get(i), verdict)));
    }
    return Optional.of(new Review(study, List.copyOf(entries)));
  }

  /// The second ring: what fails outside of judging one subject, such as in finding the subjects.
  /// What was judged before is kept.
  private static List<Verdict> judged(Rule rule, Study study) {
    var verdicts = new ArrayList<Verdict>();
    try {
      rule.check(study).forEach(verdicts::add);
    } catch (RuntimeException broken) {
      var subject =
          study.project().devices().isEmpty()
              ? new Id("project")
              : study.project().devices().getFirst().id();
      verdicts.addAll(Contained.failed(rule, subject, broken));
    }
    return verdicts;
  }

  private static Optional<Deviation> deviation(Project project, Rule rule, Verdict verdict) {
    if (!(verdict instanceof Verdict.Finding)) return Optional.empty();
    return project.deviations().stream()
        .filter(d -> d.rule().equals(rule.id()) && d.subject().equals(verdict.subject()))
        .findFirst();
  }

  public Project project() {
    return study.project();
  }

  /// Findings nobody has accepted, errors first, else in printing order.
  public List<Entry> open() {
    return entries.stream()
        .filter(Entry::open)
        .sorted(java.util.Comparator.comparing(entry -> entry.finding().orElseThrow().severity()))
        .toList();
  }

  public List<Entry> accepted() {
    return entries.stream().filter(entry -> entry.accepted().isPresent()).toList();
  }

  public List<Entry> notChecked() {
    return entries.stream().filter(entry -> entry.verdict() instanceof Verdict.NotChecked).toList();
  }

  public Stream<Entry> about(Id subject) {
    return entries.stream().filter(entry -> entry.verdict().subject().equals(subject));
  }

  public long count(Severity severity) {
    return entries.stream()
        .filter(Entry::open)
        .filter(entry -> entry.finding().orElseThrow().severity() == severity)
        .count();
  }
}
