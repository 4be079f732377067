package nelvar.core.review;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.units.ImpossibleQuantity;

/// The ways out of findings that were tried and cure.
///
/// Rules only propose. Each proposal is applied to a copy through the door of edits, and the copy
/// is reviewed and solved whole; it is offered only if its finding is gone, nothing that was judged
/// before is left unjudged, and no other finding of equal or greater weight, and no error at all,
/// has come instead. Trying is never part of the review; it takes many times as long. Immutable.
public final class WaysOut {
  /// More than this many of one finding help nobody to choose.
  private static final int ENOUGH = 3;

  /// So many things that a proposal asks for in its turn belong to it.
  private static final int STEPS = 2;

  /// Ways out that no rule can know of: what a machine could be given. They are tried like those of
  /// the rules, after them.
  public interface Proposer {
    Proposer NONE = (_, _) -> List.of();

    List<Repair> of(Review.Entry entry, Review review);
  }

  private final Map<Finding, List<Repair>> tried;

  private WaysOut(Map<Finding, List<Repair>> tried) {
    this.tried = tried;
  }

  /// What a finding is known by while projects change.
  private record Finding(String rule, Subject subject, Reason reason, Severity severity) {
    static Finding of(Review.Entry entry) {
      var finding = entry.finding().orElseThrow();
      return new Finding(
          entry.rule().id(), finding.subject(), finding.reason(), finding.severity());
    }
  }

  private record Judged(String rule, Subject subject) {}

  /// Nothing tried yet.
  public static WaysOut none() {
    return new WaysOut(Map.of());
  }

  /// Tries all proposals, several findings at a time: each on copies of its own.
  public static WaysOut of(Review review, Catalogue standard, Proposer proposer) {
    record Asked(Review.Entry entry, List<Repair> proposals) {}
    record Found(Finding finding, List<Repair> cures) {}
    var trial = new Trial(review, standard, proposer, () -> false);
    // Proposers count what they are asked.
    var asked =
        review.open().stream().map(entry -> new Asked(entry, trial.proposals(entry))).toList();
    var all = new HashMap<Finding, List<Repair>>();
    asked.parallelStream()
        .map(one -> new Found(Finding.of(one.entry()), trial.of(one.entry(), one.proposals())))
        .toList()
        .forEach(found -> all.put(found.finding(), found.cures()));
    return new WaysOut(Map.copyOf(all));
  }

  /// Trying finding by finding, so that other work can come between.
  public static final class Trying {
    private final Trial trial;
    private final BooleanSupplier cancelled;
    private final Iterator<Review.Entry> left;
    private final Map<Finding, List<Repair>> all = new HashMap<>();

    public Trying(Review review, Catalogue standard, Proposer proposer, BooleanSupplier cancelled) {
      this.trial = new Trial(review, standard, proposer, cancelled);
      this.cancelled = cancelled;
      this.left = review.open().iterator();
    }

    /// Tries the proposals of the next finding that has any; false where none is left, or
    /// cancelled.
    public boolean step() {
      while (left.hasNext() && !cancelled.getAsBoolean()) {
        var entry = left.next();
        var proposals = trial.proposals(entry);
        var cures = trial.of(entry, proposals);
        if (cancelled.getAsBoolean()) return false;
        all.put(Finding.of(entry), cures);
        if (!proposals.isEmpty()) return true;
      }
      return false;
    }

    public WaysOut soFar() {
      return new WaysOut(Map.copyOf(all));
    }
  }

  /// What cures a finding; empty while that is not tried yet.
  public Optional<List<Repair>> of(Review.Entry entry) {
    return entry.finding().isEmpty()
        ? Optional.of(List.of())
        : Optional.ofNullable(tried.get(Finding.of(entry)));
  }

  /// One way out for alike findings: the first cure of each, one after the other. Tried as a whole.
  public static Optional<Repair> ofAll(
      String label, List<Review.Entry> alike, WaysOut ways, Review review, Catalogue standard) {
    var trial = new Trial(review, standard, Proposer.NONE, () -> false);
    var steps = new ArrayList<Repair>();
    for (var entry : alike) {
      var cures = ways.of(entry).orElse(List.of());
      if (cures.isEmpty()) return Optional.empty();
      steps.add(cures.getFirst());
    }
    if (steps.size() < 2) return Optional.empty();
    var edit =
        steps.stream().map(Repair::edit).reduce((a, b) -> a.then(b)).orElseThrow().named(label);
    var all = new Repair(label, edit);
    return trial.cure(all, alike);
  }

  /// The proposals of one review on copies of its project.
  private static final class Trial {
    private final Review review;
    private final Catalogue standard;
    private final Proposer proposer;
    private final BooleanSupplier cancelled;
    private final Set<Finding> before = new HashSet<>();
    private final Set<Judged> unjudged = new HashSet<>();
    private final Set<Id> subjects = new HashSet<>();

    Trial(Review review, Catalogue standard, Proposer proposer, BooleanSupplier cancelled) {
      this.proposer = proposer;
      this.review = review;
      this.standard = standard;
      this.cancelled = cancelled;
      var project = review.project();
      project.devices().forEach(device -> subjects.add(device.id()));
      project.conductors().forEach(conductor -> subjects.add(conductor.id()));
      project.cables().forEach(cable -> subjects.add(cable.id()));
      project.bundles().forEach(bundle -> subjects.add(bundle.id()));
      for (var entry : review.entries()) {
        if (entry.finding().isPresent()) before.add(Finding.of(entry));
        if (entry.verdict() instanceof Verdict.NotChecked)
          unjudged.add(new Judged(entry.rule().id(), entry.verdict().subject()));
      }
    }

    /// What the rule proposes, and what else may be given to the machine.
    List<Repair> proposals(Review.Entry entry) {
      var all = new ArrayList<>(entry.finding().orElseThrow().proposals());
      all.addAll(proposer.of(entry, review));
      return all;
    }

    List<Repair> of(Review.Entry entry, List<Repair> proposals) {
      var cures = new ArrayList<Repair>();
      for (var proposal : proposals) {
        if (cancelled.getAsBoolean() || cures.size() == ENOUGH) break;
        cure(proposal, List.of(entry)).ifPresent(cures::add);
      }
      return List.copyOf(cures);
    }

    /// The proposal, where it opens something that has a cure of its own followed by that: a larger
    /// supply, and the wires that it asks for.
    Optional<Repair> cure(Repair proposal, List<Review.Entry> of) {
      var now = proposal;
      for (var step = 0; step <= STEPS; step++) {
        var after = after(now, of);
        if (after.isEmpty()) return Optional.empty();
        var harm = harm(after.get(), of);
        if (harm.isEmpty()) return Optional.of(now);
        var next = harm.get().finding().flatMap(f -> f.proposals().stream().findFirst());
        if (next.isEmpty()) return Optional.empty();
        var label = now.label() + (step == 0 ? " and " : ", ") + lowered(next.get().label());
        now = new Repair(label, now.edit().then(next.get().edit()).named(label));
      }
      return Optional.empty();
    }

    private static String lowered(String label) {
      return label.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + label.substring(1);
    }

    /// Empty where it cannot be, changes nothing, or leaves its own finding as it is: what is asked
    /// first, because everything else takes long.
    private Optional<Review> after(Repair proposal, List<Review.Entry> of) {
      try {
        var next = proposal.edit().on(review.project(), standard);
        if (next.equals(review.project())) return Optional.empty();
        var study = Study.of(next, standard);
        if (stays(study, of)) return Optional.empty();
        return Review.findingsOnly(study, cancelled);
      } catch (EditRefused | ImpossibleQuantity refused) {
        return Optional.empty();
      }
    }

    private static boolean stays(Study study, List<Review.Entry> of) {
      var own = of.stream().map(Finding::of).collect(Collectors.toSet());
      var rules = of.stream().map(Review.Entry::rule).distinct().toList();
      return Review.by(study, rules).entries().stream()
          .filter(entry -> entry.finding().isPresent())
          .anyMatch(entry -> own.contains(Finding.of(entry)));
    }

    /// The first thing that speaks against it: something is left unjudged, or another finding has
    /// come.
    private Optional<Review.Entry> harm(Review after, List<Review.Entry> of) {
      var worst = Severity.ADVICE;
      for (var entry : of) {
        var severity = entry.finding().orElseThrow().severity();
        if (severity.compareTo(worst) < 0) worst = severity;
      }
      for (var entry : after.entries()) {
        var judged = new Judged(entry.rule().id(), entry.verdict().subject());
        if (entry.verdict() instanceof Verdict.NotChecked
            && !unjudged.contains(judged)
            && subjects.containsAll(judged.subject().things())
            && !arises(entry, of)) return Optional.of(entry);
        if (entry.finding().isEmpty()) continue;
        var finding = Finding.of(entry);
        if (before.contains(finding)) continue;
        if (finding.severity() == Severity.ERROR || finding.severity().compareTo(worst) <= 0)
          return Optional.of(entry);
      }
      return Optional.empty();
    }

    /// A question that could not be asked of a thing while its finding stood (how many volts reach
    /// a motor that is linked for others), or of a terminal while nothing was wired to it, and is
    /// asked now: nothing that was judged is lost.
    private boolean arises(Review.Entry unjudged, List<Review.Entry> of) {
      var subject = unjudged.verdict().subject();
      var wiredNow =
          subject instanceof Subject.AtTerminal(var at)
              && review.project().conductors().stream().noneMatch(wire -> wire.lands(at));
      return (wiredNow || of.stream().anyMatch(entry -> entry.verdict().subject().equals(subject)))
          && unjudged.rule().check(review.study()).noneMatch(v -> v.subject().equals(subject));
    }
  }
}
