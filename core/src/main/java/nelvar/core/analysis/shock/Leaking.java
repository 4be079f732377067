package nelvar.core.analysis.shock;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Edge;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// Where drives and filters leak more than 10 mA, one broken protective conductor makes every body
/// a hazard: it is then 10 mm², or there are two.
///
/// Leakage of everything behind an inlet, added up as if on one line: `I = Σ Ii`. A protective
/// conductor of 10 mm², or a second one of the same section on a terminal of its own, passes. What
/// comes in by an industrial plug, or is led in mechanical protection along its whole way, passes
/// too and is not known here: accept it with that reason.
///
/// Demand: IEC 60204-1:2016, 8.2.6 (unchecked).
public final class Leaking implements Rule {
  private static final Reason ONE_BREAK = Reason.of("One break makes it live");
  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "8.2.6");
  private static final Current MOST = new Current(0.010);
  private static final CrossSection THICK = new CrossSection(10);

  @Override
  public String id() {
    return "shock.leakage";
  }

  @Override
  public String asks() {
    return "Where more than 10 mA leak, the protective conductor of the inlet is 10 mm² or double.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
        .flatMap(Contained.one(this, Device::id, inlet -> judge(inlet, study)));
  }

  /// What leaks behind an inlet: what it feeds, and what its power passes through on the way.
  public static List<Device> leaking(Device inlet, Study study) {
    var all = new LinkedHashSet<Device>();
    for (var feed : study.network().feeds()) {
      if (feed.source().filter(s -> s.device().id().equals(inlet.id())).isEmpty()) continue;
      all.add(feed.device());
      for (var way : feed.lineWays())
        for (var index : way)
          if (study.network().topology().edge(index) instanceof Edge.Through(var device, _))
            all.add(device);
    }
    return all.stream()
        .filter(d -> study.part(d).filter(p -> p.leakage().amperes() > 0).isPresent())
        .toList();
  }

  public static Current sum(Device inlet, Study study) {
    return new Current(
        leaking(inlet, study).stream()
            .mapToDouble(d -> study.part(d).orElseThrow().leakage().amperes())
            .sum());
  }

  /// The least to be had that is as thick: 6 AWG in the North American school.
  private static CrossSection thick(Study study) {
    return Schools.american(study) ? CrossSection.ofGauge(6) : THICK;
  }

  /// Two of one section from the inlet to the same metal.
  private static boolean doubled(List<Conductor> wires, Device inlet, Study study) {
    var topology = study.network().topology();
    var joined = topology.joinedNodes();
    var seen = new HashSet<List<Object>>();
    for (var wire : wires) {
      var far = wire.from().device().equals(inlet.id()) ? wire.to() : wire.from();
      var node = topology.node(far);
      if (node < 0 || wire.section().isEmpty()) continue;
      if (!seen.add(List.of(joined[node], wire.section().get()))) return true;
    }
    return false;
  }

  private static Verdict judge(Device inlet, Study study) {
    var w = Working.of("Leakage behind " + inlet.designation());
    for (var device : leaking(inlet, study))
      w.given(
          device.designation().text(),
          study.part(device).orElseThrow().leakage(),
          "leaks to earth, by its part");
    var sum = w.result("I", "Σ Ii, as if on one line", sum(inlet, study));
    w.table("Imax", new Cited<>(MOST, DEMAND), "above it, one conductor is not enough");
    var wires =
        study.project().conductors().stream()
            .filter(c -> c.function() == Conductor.Function.PROTECTIVE)
            .filter(c -> c.touches(inlet.id()))
            .toList();
    var trail = w.explain(sum).trail();
    if (sum.compareTo(MOST) <= 0 || doubled(wires, inlet, study))
      return new Verdict.Pass(inlet.id(), trail);
    if (wires.isEmpty())
      return new Verdict.NotChecked(
          inlet.id(), "no protective conductor leaves it, which is a finding of its own");
    if (wires.size() > 1
        && wires.stream().anyMatch(c -> c.section().filter(s -> s.compareTo(THICK) >= 0).isEmpty()))
      return new Verdict.NotChecked(
          inlet.id(),
          "several protective conductors leave it to different places; which of them carries what leaks is not computed");
    var only = wires.getFirst();
    if (only.section().isEmpty())
      return new Verdict.NotChecked(
          inlet.id(),
          "the section of its protective conductor %s is not said".formatted(only.label()));
    if (only.section().get().compareTo(THICK) >= 0) return new Verdict.Pass(inlet.id(), trail);
    return new Verdict.Finding(
        inlet.id(),
        Severity.WARNING,
        ONE_BREAK,
        "%s leak together, over %s of %s: broken anywhere, every body behind %s gives that to whoever touches it. Take 10 mm², or lead a second one on a terminal of its own; the same holds for the supply's own protective conductor up to the inlet."
            .formatted(sum, only.label(), only.section().get(), inlet.designation()),
        trail,
        List.of(
            Repair.of(
                Edits.section(
                    only.label().text(), Set.of(only.id()), thick(study), study.catalogue()))));
  }
}
