package nelvar.core.analysis.sizing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;

/// Conductors in parallel share their current evenly, and are allowed.
///
/// They join the same two terminals, with the same section and length. North American: in power
/// circuits only from 1/0 AWG up. Demand: IEC 60364-5-52:2009, 523.7; NEC 2023, 310.10(G)
/// (unchecked).
public final class InParallel implements Rule {
  private static final Reason TOO_THIN = Reason.of("Too thin to be in parallel");
  private static final Reason UNEQUAL = Reason.of("Unequal wires in parallel");

  private static final Citation METRIC = Citation.recalled("IEC 60364-5-52:2009", "523.7");
  private static final Citation AMERICAN = Citation.recalled("NEC 2023 (NFPA 70)", "310.10(G)");
  private static final CrossSection LEAST_AMERICAN = CrossSection.ofGauge(0);

  /// Parts of a length by which two wires may differ before they share unevenly, assumed.
  private static final double SAME = 0.05;

  @Override
  public String id() {
    return "sizing.in-parallel";
  }

  @Override
  public String asks() {
    return "Conductors in parallel are alike, and allowed to be in parallel.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var groups = new LinkedHashMap<Set<Object>, List<Conductor>>();
    for (var wire : study.project().conductors()) {
      if (!wire.carriesWork() || !wire.sized()) continue;
      groups.merge(
          Set.of(wire.from(), wire.to()),
          List.of(wire),
          (a, b) -> Stream.concat(a.stream(), b.stream()).toList());
    }
    return groups.values().stream()
        .filter(group -> group.size() > 1)
        .flatMap(Contained.one(this, group -> group.getFirst().id(), group -> judge(group, study)));
  }

  private static Verdict judge(List<Conductor> group, Study study) {
    var first = group.getFirst();
    var names = group.stream().map(wire -> wire.label().text()).collect(Collectors.joining(", "));
    if (group.stream().anyMatch(wire -> wire.section().isEmpty() || study.length(wire).isEmpty()))
      return new Verdict.NotChecked(
          first.id(), "a section or length of " + names + " is not known yet");
    var w = Working.of("In parallel: " + names);
    for (var wire : group)
      w.given(
          wire.label().text(),
          wire.section().orElseThrow() + ", " + study.length(wire).orElseThrow(),
          "section, length");
    var thin =
        group.stream().map(wire -> wire.section().orElseThrow()).min(CrossSection::compareTo);
    var power = first.function() == Conductor.Function.POWER;
    if (Schools.american(study) && power && thin.orElseThrow().compareTo(LEAST_AMERICAN) < 0) {
      w.table("least", new Cited<>(LEAST_AMERICAN, AMERICAN), "power conductors in parallel");
      return finding(
          first,
          TOO_THIN,
          names
              + " are in parallel and thinner than 1/0 AWG: the code does not allow it in power circuits, as one that comes off overloads the other unseen. Take one thicker wire.",
          w.explain("").trail());
    }
    w.table("alike", new Cited<>("same section and length", METRIC), "so that they share evenly");
    var lengths =
        group.stream()
            .mapToDouble(wire -> study.length(wire).orElseThrow().metres())
            .summaryStatistics();
    var alike =
        group.stream().map(Conductor::section).distinct().count() == 1
            && lengths.getMax() - lengths.getMin() <= SAME * Math.max(lengths.getMax(), 0.2);
    return alike
        ? new Verdict.Pass(first.id(), w.explain("").trail())
        : finding(
            first,
            UNEQUAL,
            names
                + " are in parallel and not alike: the shorter or thicker one carries more than its share.",
            w.explain("").trail());
  }

  private static Verdict finding(Conductor wire, Reason reason, String text, Trail trail) {
    return new Verdict.Finding(wire.id(), Severity.ERROR, reason, text, trail, List.of());
  }
}
