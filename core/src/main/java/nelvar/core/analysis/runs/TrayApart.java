package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.DuctsApart;
import nelvar.core.analysis.space.OnMains;
import nelvar.core.analysis.space.WireClass;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// On trays, in conduits and carriers, no signal lies more than 1 m beside mains or leads of a
/// motor from its drive without a divider between them (common practice, no published source: a
/// screen, not a coupling).
public final class TrayApart implements Rule {
  private static final Reason BESIDE =
      Reason.of("A signal lies beside mains or motor leads outside");

  @Override
  public String id() {
    return "runs.apart";
  }

  @Override
  public String asks() {
    return "On trays, in conduits and carriers, signals lie apart from mains and motors.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().bundles().stream()
        .filter(bundle -> !bundle.inside())
        .flatMap(Contained.many(this, Bundle::id, bundle -> judge(bundle, study)));
  }

  /// A cable, or a wire that is none's core.
  private record Run(Id id, String name, List<Conductor> wires) {}

  private static List<Run> runs(Bundle bundle, WireClass of, Study study) {
    Map<Id, Run> all = new LinkedHashMap<>();
    for (var wire : study.lyingIn(bundle)) {
      if (WireClass.of(wire, study) != of) continue;
      var cable = study.cable(wire);
      var id = cable.isPresent() ? cable.get().id() : wire.id();
      all.computeIfAbsent(id, _ -> new Run(id, study.label(id), new ArrayList<>()))
          .wires()
          .add(wire);
    }
    return List.copyOf(all.values());
  }

  private static Stream<Verdict> judge(Bundle bundle, Study study) {
    var signals = runs(bundle, WireClass.SIGNAL, study);
    var disturb =
        Stream.of(WireClass.MOTOR, WireClass.MAINS)
            .flatMap(of -> runs(bundle, of, study).stream())
            .toList();
    return signals.stream().map(signal -> judge(signal, disturb, signals, bundle, study));
  }

  private static Optional<Length> beside(Run signal, Run other, Bundle bundle, Study study) {
    var course = Outside.length(bundle);
    if (course.isPresent()) return course;
    var a = study.length(signal.wires().getFirst());
    var b = study.length(other.wires().getFirst());
    return a.isEmpty() || b.isEmpty()
        ? Optional.empty()
        : Optional.of(a.get().compareTo(b.get()) < 0 ? a.get() : b.get());
  }

  private static boolean divided(Bundle bundle) {
    return bundle.form().filter(Bundle.Form::parted).isPresent();
  }

  private record Beside(Run other, Length length) {}

  private static Verdict judge(
      Run signal, List<Run> disturb, List<Run> signals, Bundle bundle, Study study) {
    var worst =
        disturb.stream()
            .flatMap(other ->
                beside(signal, other, bundle, study).map(l -> new Beside(other, l)).stream())
            .max(
                Comparator.comparing((Beside it) -> onMains(it.other(), study))
                    .thenComparing(Beside::length));
    if (worst.isEmpty() && !disturb.isEmpty() && !divided(bundle))
      return new Verdict.NotChecked(
          signal.id(),
          "how long it lies beside %s is not known".formatted(disturb.getFirst().name()));
    var w = Working.of("What lies beside " + signal.name());
    worst.ifPresent(it ->
        w.given("beside", it.length(), "%s in the %s".formatted(it.other().name(), bundle.name())));
    if (divided(bundle)) w.given("dividers", "yes", bundle.name());
    w.given("at most", Length.ofMillimetres(DuctsApart.LONG), "common practice");
    var trail = w.explain(signal.id()).trail();
    if (worst.isEmpty()
        || divided(bundle)
        || worst.get().length().metres() * 1000 <= DuctsApart.LONG)
      return new Verdict.Pass(signal.id(), trail);
    var it = worst.get();
    return new Verdict.Finding(
        signal.id(),
        onMains(it.other(), study) ? Severity.WARNING : Severity.ADVICE,
        BESIDE,
        "%s lies %s beside %s in the %s: it takes up what that gives off. Lay it in another one, or put a divider between them."
            .formatted(signal.name(), it.length(), it.other().name(), bundle.name()),
        trail,
        apart(signals, bundle, study));
  }

  private static boolean onMains(Run run, Study study) {
    return run.wires().stream().anyMatch(w -> OnMains.of(study).conductors().contains(w.id()))
        || run.wires().stream()
            .flatMap(wire -> Stream.of(wire.from(), wire.to()))
            .flatMap(end -> study.device(end.device()).stream())
            .anyMatch(device ->
                study.part(device).filter(part -> part.drives()).isPresent()
                    && OnMains.of(study).devices().contains(device.id()));
  }

  /// All its signals in one of their own: one that holds signals and nothing that disturbs, else a
  /// new one; or a divider.
  private static List<Repair> apart(List<Run> signals, Bundle bundle, Study study) {
    var other =
        study.project().bundles().stream()
            .filter(b -> !b.inside() && !b.equals(bundle))
            .filter(b -> b.only().isEmpty() || b.only().get() == Bundle.Only.SIGNALS)
            .filter(b -> !runs(b, WireClass.SIGNAL, study).isEmpty())
            .filter(b ->
                runs(b, WireClass.MOTOR, study).isEmpty()
                    && runs(b, WireClass.MAINS, study).isEmpty())
            .findFirst()
            .orElseGet(() ->
                new Bundle(
                    NextName.id(study.project(), "P1"),
                    bundle.name() + ", signals",
                    bundle.method(),
                    false));
    Set<Id> all =
        signals.stream().map(Run::id).collect(Collectors.toCollection(LinkedHashSet::new));
    var names = signals.size() == 1 ? signals.getFirst().name() : signals.size() + " signals";
    var ways = new ArrayList<Repair>();
    ways.add(
        Repair.of(
            RunEdits.lay("Lay %s in the %s".formatted(names, other.name()), all, all, other)));
    Parting.divider(bundle, study).map(Repair::of).ifPresent(ways::add);
    return ways;
  }
}
