package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.edit.LayoutEdits;

/// One body in its cabinet, as rules of the place look at it.
public record Placed(Body body, Cabinet cabinet, Study study) {
  /// A verdict for every body that is asked for and belongs to the machine asked about.
  public static Stream<Verdict> each(
      Rule rule, Study study, Predicate<Body> which, Function<Placed, Verdict> judge) {
    return all(study)
        .filter(placed -> which.test(placed.body()))
        .flatMap(Contained.one(rule, placed -> placed.body().id(), judge));
  }

  /// In the order of cabinets and devices.
  public static Stream<Placed> all(Study study) {
    return study.project().layout().cabinets().stream()
        .flatMap(cabinet ->
            Bodies.of(study).in(cabinet).stream()
                .filter(body -> !body.later())
                .map(body -> new Placed(body, cabinet, study)));
  }

  public Fits fits() {
    return study.once(List.of(Fits.class, cabinet.id()), () -> Fits.in(cabinet, study));
  }

  /// The other bodies in the same cabinet.
  public Stream<Body> others() {
    return Bodies.of(study).in(cabinet).stream().filter(other -> !other.id().equals(body.id()));
  }

  /// An error only where nothing that is judged rests on assumed measures.
  public Severity unlessAssumed(boolean otherAssumed) {
    return body.assumed() || otherAssumed ? Severity.WARNING : Severity.ERROR;
  }

  /// `; measures are assumed` where they are.
  public String measures() {
    return body.assumed() ? " Its measures are assumed: measure it." : "";
  }

  /// The nearest free place where something more holds, as a way out.
  public List<Repair> moved(Predicate<Body> right) {
    return moved(body, right);
  }

  /// Of another body in the same cabinet.
  public List<Repair> moved(Body which, Predicate<Body> right) {
    if (which.at().stays() || which.device().isEmpty()) return List.of();
    return FreePlace.near(which, cabinet, fits(), right)
        .map(there -> Repair.of(move(which, there)))
        .map(List::of)
        .orElse(List.of());
  }

  private static nelvar.core.model.edit.Edit move(Body from, Body to) {
    var across = to.box().left() - from.box().left();
    var down = to.box().top() - from.box().top();
    return LayoutEdits.place(from.device().orElseThrow(), to.at())
        .named("Move %s %s".formatted(from.name(), way(across, down)));
  }

  /// `45 mm to the right, 20 mm down`.
  public static String way(double across, double down) {
    var sideways =
        Math.abs(across) < 0.05
            ? Optional.<String>empty()
            : Optional.of(
                "%.0f mm to the %s".formatted(Math.abs(across), across > 0 ? "right" : "left"));
    var upwards =
        Math.abs(down) < 0.05
            ? Optional.<String>empty()
            : Optional.of("%.0f mm %s".formatted(Math.abs(down), down > 0 ? "down" : "up"));
    return Stream.of(sideways, upwards)
        .flatMap(Optional::stream)
        .collect(java.util.stream.Collectors.joining(", "));
  }
}
