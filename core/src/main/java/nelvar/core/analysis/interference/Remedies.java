package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Repair;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;

/// What helps against a disturbance: each is tried on a copy, and says what the matrix says there.
/// What has no price in the catalogue says none.
public final class Remedies {
  /// What gains less is not worth a word, dB.
  private static final double WORTH = 1;

  /// Another pair is helped from here on, dB.
  private static final double HELPS = 3;

  private Remedies() {}

  /// What helps this pair: most for its cost first.
  public static List<Remedy> of(Pair pair, Study study) {
    var before = Coupled.of(study);
    return ideas(pair, study)
        .flatMap(idea -> tried(idea, pair, before, study).stream())
        .filter(remedy -> remedy.gain() >= WORTH)
        .sorted(Comparator.comparingDouble(Remedy::worth).reversed())
        .toList();
  }

  private static Optional<Remedy> tried(Idea idea, Pair pair, Coupled before, Study study) {
    try {
      var after = Coupled.of(study.tried(idea.edit().on(study.project(), study.catalogue())));
      var margin = after.margin(pair);
      var others =
          (int)
              before.pairs().stream()
                  .filter(p -> p != pair)
                  .filter(p -> after.margin(p) - p.margin() >= HELPS)
                  .count();
      return Optional.of(
          new Remedy(
              Repair.of(idea.edit()),
              idea.costs(),
              idea.minutes(),
              margin,
              margin - pair.margin(),
              others));
    } catch (EditRefused _) {
      return Optional.empty();
    }
  }

  /// What is proposed for a finding, not tried yet: whoever shows ways out tries them. The first at
  /// the source and the first at the input, as a builder would.
  static List<Repair> proposals(Pair pair, Study study) {
    var source = new ArrayList<Idea>();
    AtSource.quick(pair, study, source);
    var input = new ArrayList<Idea>();
    AtInput.all(pair, study, input);
    return Stream.of(source, input)
        .flatMap(ideas -> ideas.stream().limit(1))
        .map(idea -> Repair.of(idea.edit()))
        .toList();
  }

  private static Stream<Idea> ideas(Pair pair, Study study) {
    var all = new ArrayList<Idea>();
    AtSource.all(pair, study, all);
    AtInput.all(pair, study, all);
    Between.all(pair, study, all);
    return all.stream();
  }

  /// The best for each of the worst pairs in turn, up to so many, as one step; empty where nothing
  /// helps.
  ///
  /// @param bears whether a machine changed like this may be offered
  public static Optional<Best> best(Study study, int most, Predicate<Study> bears) {
    var at = study;
    var taken = new ArrayList<String>();
    Optional<Edit> all = Optional.empty();
    while (taken.size() < most) {
      var next = Optional.<Remedy>empty();
      for (var pair : Coupled.of(at).pairs()) {
        if (pair.standing() == Pair.Standing.QUIET) break;
        next = first(pair, at, bears);
        if (next.isPresent()) break;
      }
      if (next.isEmpty()) break;
      var edit = next.get().repair().edit();
      taken.add(next.get().repair().label());
      all = all.map(a -> a.then(edit)).or(() -> Optional.of(edit));
      at = at.tried(edit.apply(at.project()));
    }
    var end = at;
    return all.map(edit ->
        new Best(
            edit.named("Take the best %d against disturbances".formatted(taken.size())),
            taken,
            Coupled.of(end).pairs().stream().findFirst().map(Pair::margin).orElse(Pair.FAR)));
  }

  private static Optional<Remedy> first(Pair pair, Study at, Predicate<Study> bears) {
    return of(pair, at).stream()
        .filter(remedy -> bears.test(at.tried(remedy.repair().edit().apply(at.project()))))
        .findFirst();
  }

  /// @param worst margin that is then the worst, dB
  public record Best(Edit edit, List<String> steps, double worst) {
    public Best {
      steps = List.copyOf(steps);
    }
  }
}
