package nelvar.core.review;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Deviation;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Subject;

/// All verdicts of one snapshot, in the order of the rule book, with the study they rest on.
///
/// Passes are kept with their workings, or, where nobody will read those, only counted.
///
/// A rule that fails becomes a [Verdict.NotChecked] on every device naming it: it hides no other
/// and never looks like a pass.
///
/// @param ways what cures findings, as far as it was tried; see WaysOut
public record Review(Study study, List<Entry> entries, long counted, WaysOut ways) {

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

  /// Without the workings of what passes: they are nine tenths of a large review.
  public static Review findingsOnly(Project project, Catalogue standard) {
    return of(project, standard, RuleBook.ALL, () -> false, false).orElseThrow();
  }

  /// The same of a snapshot that stands already.
  public static Review findingsOnly(Study study) {
    return of(study, RuleBook.ALL, () -> false, false).orElseThrow();
  }

  /// The same, empty when cancelled.
  static Optional<Review> findingsOnly(Study study, BooleanSupplier cancelled) {
    return of(study, RuleBook.ALL, cancelled, false);
  }

  /// By some of the rules.
  public static Review by(Study study, List<Rule> rules) {
    return of(study, rules, () -> false, true).orElseThrow();
  }

  /// @param cancelled asked before each rule
  /// @return empty when cancelled
  public static Optional<Review> of(
      Project project, Catalogue standard, List<Rule> rules, BooleanSupplier cancelled) {
    return of(project, standard, rules, cancelled, true);
  }

  private static Optional<Review> of(
      Project project,
      Catalogue standard,
      List<Rule> rules,
      BooleanSupplier cancelled,
      boolean keepPasses) {
    return of(Study.of(project, standard), rules, cancelled, keepPasses);
  }

  private static Optional<Review> of(
      Study study, List<Rule> rules, BooleanSupplier cancelled, boolean keepPasses) {
    // Rules know nothing of one another, so they may run side by side; their order in the book is
    // kept.
    var judged =
        rules.parallelStream()
            .map(rule ->
                cancelled.getAsBoolean()
                    ? new Judged(List.of(), 0)
                    : judged(rule, study, keepPasses))
            .toList();
    if (cancelled.getAsBoolean()) return Optional.empty();
    var accepted = new HashMap<String, Deviation>();
    for (var deviation : study.project().deviations())
      accepted.putIfAbsent(deviation.rule() + " " + deviation.subject().text(), deviation);
    var entries = new ArrayList<Entry>();
    for (var i = 0; i < rules.size(); i++) {
      for (var verdict : judged.get(i).verdicts())
        entries.add(new Entry(rules.get(i), verdict, deviation(accepted, rules.get(i), verdict)));
    }
    return Optional.of(
        new Review(
            study,
            List.copyOf(entries),
            judged.stream().mapToLong(Judged::counted).sum(),
            WaysOut.none()));
  }

  /// What one rule says, and how many passes were counted only.
  private record Judged(List<Verdict> verdicts, long counted) {}

  /// The second ring: what fails outside of judging one subject, such as in finding the subjects.
  /// What was judged before is kept.
  private static Judged judged(Rule rule, Study study, boolean keepPasses) {
    var verdicts = new ArrayList<Verdict>();
    var counted = new long[1];
    // What several intakes of one device ask alike is said once.
    var told = new HashSet<Said>();
    try {
      rule.check(study)
          .forEach(verdict -> {
            if (verdict instanceof Verdict.Finding finding && !told.add(Said.by(finding))) return;
            if (keepPasses || !(verdict instanceof Verdict.Pass)) verdicts.add(verdict);
            else counted[0]++;
          });
    } catch (RuntimeException broken) {
      verdicts.addAll(Contained.failed(rule, new Subject.WholeMachine(), broken));
    }
    return new Judged(AssumedWarmth.softened(rule, verdicts, study), counted[0]);
  }

  /// The same with what was tried for its findings.
  public Review with(WaysOut tried) {
    return new Review(study, entries, counted, tried);
  }

  /// The same with all proposals tried; takes many times as long as the review.
  public Review tried(Catalogue standard) {
    return tried(standard, WaysOut.Proposer.NONE);
  }

  public Review tried(Catalogue standard, WaysOut.Proposer proposer) {
    return with(WaysOut.of(this, standard, proposer));
  }

  /// The ways out of a finding that were tried and cure.
  public List<Repair> waysOut(Entry entry) {
    return ways.of(entry).orElse(List.of());
  }

  private record Said(Subject subject, Reason reason, String text) {
    static Said by(Verdict.Finding finding) {
      return new Said(finding.subject(), finding.reason(), finding.text());
    }
  }

  private static Optional<Deviation> deviation(
      Map<String, Deviation> accepted, Rule rule, Verdict verdict) {
    if (!(verdict instanceof Verdict.Finding)) return Optional.empty();
    var subject = verdict.subject();
    return Optional.ofNullable(accepted.get(rule.id() + " " + subject.text()))
        .or(() ->
            subject instanceof Subject.AtTerminal || subject instanceof Subject.AtPole
                ? subject.thing().map(device -> accepted.get(rule.id() + " " + device.text()))
                : Optional.empty());
  }

  /// How many verdicts were given.
  public long total() {
    return entries.size() + counted;
  }

  /// How many of them are passes.
  public long passed() {
    return counted
        + entries.stream().filter(entry -> entry.verdict() instanceof Verdict.Pass).count();
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
    return entries.stream().filter(entry -> entry.verdict().subject().concerns(subject));
  }

  public long count(Severity severity) {
    return entries.stream()
        .filter(Entry::open)
        .filter(entry -> entry.finding().orElseThrow().severity() == severity)
        .count();
  }
}
