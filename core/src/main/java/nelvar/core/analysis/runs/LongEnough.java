package nelvar.core.analysis.runs;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.OpenWays;
import nelvar.core.analysis.space.Placed;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// A wire, cable or lead whose length somebody said reaches along its way, stripped and landed at
/// both ends: 30 mm each (common practice).
public final class LongEnough implements Rule {
  private static final Reason TOO_SHORT = Reason.of("It does not reach");

  /// To strip and to land one end, m.
  private static final double LANDED = 0.03;

  @Override
  public String id() {
    return "runs.reach";
  }

  @Override
  public String asks() {
    return "Wires and leads of a said length reach.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(
        study.project().conductors().stream()
            .filter(wire -> wire.length().isPresent() && !wire.guessed())
            .filter(wire -> !wire.plugged())
            .flatMap(Contained.many(this, Conductor::id, wire -> judge(wire, study).stream())),
        study.project().cables().stream()
            .filter(cable -> cable.length().isPresent() && !cable.guessed())
            .flatMap(Contained.many(this, Cable::id, cable -> judge(cable, study).stream())));
  }

  private static Optional<Verdict> judge(Conductor wire, Study study) {
    return Routes.of(study)
        .of(wire)
        .route()
        .map(route ->
            judge(
                wire.id(),
                wire.label().text(),
                wire.length().orElseThrow(),
                route,
                assumed(List.of(wire), study),
                wire.leadOf().isPresent()
                    ? nearer(wire, study)
                    : List.of(Repair.of(RunEdits.asRouted(wire.label().text(), Set.of(wire.id())))),
                wire.leadOf().isPresent()));
  }

  private static Optional<Verdict> judge(Cable cable, Study study) {
    return Routes.of(study)
        .of(cable)
        .route()
        .map(route ->
            judge(
                cable.id(),
                cable.label().text(),
                cable.length().orElseThrow(),
                route,
                assumed(study.cores(cable.id()), study),
                List.of(Repair.of(RunEdits.asRouted(cable.label().text(), Set.of(cable.id())))),
                false));
  }

  private static Verdict judge(
      Id id,
      String name,
      Length said,
      Route route,
      boolean assumed,
      List<Repair> waysOut,
      boolean lead) {
    var w = Working.of("Whether " + name + " reaches");
    var has = w.given("l", said, lead ? "its own length" : "said by hand");
    for (var leg : route.legs()) w.given("s", Length.ofMillimetres(leg.millimetres()), leg.words());
    var needs = w.result("needed", "Σs + 2 · 30 mm", needed(route));
    var judged = Explained.atLeast(w.explain(has), "l", needs, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    var missing = (needs.metres() - has.metres()) * 1000;
    return new Verdict.Finding(
        id,
        assumed ? Severity.WARNING : Severity.ERROR,
        TOO_SHORT,
        "%s is %s long; its way by %s takes %s: it is %.0f mm too short.%s %s"
            .formatted(
                name,
                said,
                route.words(),
                needs,
                missing,
                assumed ? " Measures on its way are assumed." : "",
                lead
                    ? "Bring what it joins nearer, or take one with a longer lead."
                    : "Cut it by its way."),
        judged.trail(),
        waysOut);
  }

  private static Length needed(Route route) {
    return new Length(route.length().metres() + 2 * LANDED);
  }

  private static boolean assumed(List<Conductor> wires, Study study) {
    return wires.stream()
        .flatMap(wire -> Stream.of(wire.from(), wire.to()))
        .flatMap(end -> Bodies.of(study).of(end.device()).stream())
        .anyMatch(Body::assumed);
  }

  /// The one whose lead it is, moved to where the lead reaches and all its other leads still do.
  private static List<Repair> nearer(Conductor wire, Study study) {
    var of = wire.leadOf().orElseThrow();
    var leads = new HashSet<Conductor>();
    for (var other : study.at(of))
      if (other.leadOf().filter(of::equals).isPresent() && !other.plugged()) leads.add(other);
    return Placed.all(study)
        .filter(placed -> placed.body().id().equals(of))
        .flatMap(placed ->
            placed
                .moved(there -> leads.stream().allMatch(lead -> reaches(lead, there, study)))
                .stream())
        .limit(1)
        .toList();
  }

  private static boolean reaches(Conductor lead, Body there, Study study) {
    if (lead.length().isEmpty()) return true;
    var cabinet = study.project().layout().cabinet(there.at().cabinet()).orElseThrow();
    var found =
        OpenWays.of(cabinet, study)
            .way(lead, body(lead.from(), there, study), body(lead.to(), there, study));
    return found.way().found()
        && found.way().length() / 1000 + 2 * LANDED <= lead.length().get().metres();
  }

  private static Optional<Body> body(TerminalRef end, Body there, Study study) {
    return end.device().equals(there.id()) ? Optional.of(there) : Bodies.of(study).of(end.device());
  }
}
