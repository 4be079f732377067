package nelvar.core.analysis;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;

/// Keeps the failure of a rule at one subject to that subject: all others are judged all the same.
///
/// What failed is *not checked*; where the rule is about people being hurt it is an error besides,
/// so that nobody takes silence for safety.
public final class Contained {
  private static final Reason WHETHER_SOMEBODY_CAN_BE_HURT_HERE_WAS_NOT_JUDGED =
      Reason.of("Whether somebody can be hurt here was not judged");

  private Contained() {}

  /// For `flatMap`: one verdict a subject.
  ///
  /// @param id what a verdict about the subject is about
  public static <T> Function<T, Stream<Verdict>> one(
      Rule rule, Function<T, Id> id, Function<T, Verdict> judge) {
    return many(rule, id, subject -> Stream.of(judge.apply(subject)));
  }

  /// For `flatMap`: any number of verdicts a subject.
  public static <T> Function<T, Stream<Verdict>> many(
      Rule rule, Function<T, Id> id, Function<T, Stream<? extends Verdict>> judge) {
    return subject -> {
      try {
        // Collected here, so that what is lazy fails here too.
        return judge.apply(subject).<Verdict>map(verdict -> verdict).toList().stream();
      } catch (RuntimeException broken) {
        return failed(rule, id.apply(subject), broken).stream();
      }
    };
  }

  /// For rules that gather verdicts in a loop.
  public static <T> void each(
      Rule rule,
      Iterable<T> subjects,
      Function<T, Id> id,
      List<Verdict> verdicts,
      Consumer<T> judge) {
    for (var subject : subjects) {
      try {
        judge.accept(subject);
      } catch (RuntimeException broken) {
        verdicts.addAll(failed(rule, id.apply(subject), broken));
      }
    }
  }

  /// What is said of a subject at which a rule failed.
  public static List<Verdict> failed(Rule rule, Id thing, RuntimeException broken) {
    return failed(rule, Subject.of(thing), broken);
  }

  public static List<Verdict> failed(Rule rule, Subject subject, RuntimeException broken) {
    var why = "%s could not be computed here (%s)".formatted(rule.id(), words(broken));
    var notChecked = new Verdict.NotChecked(subject, why);
    if (!rule.protectsPeople()) return List.of(notChecked);
    var w = Working.of("Not judged");
    w.given("asked", rule.asks(), rule.id());
    w.given("stopped at", words(broken), "this program");
    return List.of(
        notChecked,
        new Verdict.Finding(
            subject,
            Severity.ERROR,
            WHETHER_SOMEBODY_CAN_BE_HURT_HERE_WAS_NOT_JUDGED,
            "%s This failed at the values entered here: check lengths, sections and ratings on the way for something impossible. Until it is judged, take it for unsafe."
                .formatted(rule.asks()),
            w.explain(subject).trail(),
            List.of()));
  }

  private static String words(RuntimeException broken) {
    return broken instanceof nelvar.core.units.ImpossibleQuantity impossible
        ? String.valueOf(impossible.getMessage())
        : "an unforeseen case in the program";
  }
}
