package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.network.Live;
import nelvar.core.network.solve.Phasor;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// What goes out in a cable comes back in it: the currents of its cores sum to nothing, as
/// designed.
///
/// Where the way back lies elsewhere, the two make a wide loop: alternating current warms the steel
/// of glands and conduits between them (IEC 60364-5-52:2009, 521.5; NEC 2023, 300.20(A); from
/// memory) and is heard by whatever lies in the loop. Below an ampere it is let pass, direct
/// current too unless it is switched often, which is not known here: that is advice.
public final class ComesBack implements Rule {
  private static final Reason ALTERNATING =
      Reason.of("A cable carries a current that comes back elsewhere");
  private static final Reason DIRECT =
      Reason.of("A direct current goes out in one cable and back in another");

  /// A.
  private static final double LEAST = 1;

  /// A.
  private static final double NOTHING = 1e-3;

  /// Of the greatest current in a core: what is less is rounding and what motors do unevenly.
  private static final double SHARE = 0.1;

  @Override
  public String id() {
    return "runs.return";
  }

  @Override
  public String asks() {
    return "What goes out in a cable comes back in it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().cables().stream()
        .flatMap(Contained.many(this, Cable::id, cable -> judge(cable, study).stream()));
  }

  private static Optional<Verdict> judge(Cable cable, Study study) {
    var cores = study.cores(cable.id());
    if (cores.stream().noneMatch(core -> core.function() == Conductor.Function.POWER))
      return Optional.empty();
    var live = study.asDesigned();
    if (!live.settled())
      return Optional.of(new Verdict.NotChecked(cable.id(), "what flows in it could not be found"));
    var begins = begins(cores, study);
    if (begins.isEmpty())
      return Optional.of(
          new Verdict.NotChecked(cable.id(), "its cores do not lead from one side to another"));
    var sum = new Live.Both(0, Phasor.ZERO);
    var greatest = 0.0;
    var w = Working.of("What flows in " + cable.label());
    for (var core : cores) {
      var flows = live.current(core.id());
      if (flows.isEmpty())
        return Optional.of(
            new Verdict.NotChecked(
                cable.id(), "what flows in %s is not known".formatted(core.label())));
      var out = begins.get().contains(core.id()) ? 1 : -1;
      sum =
          new Live.Both(
              sum.direct() + out * flows.get().direct(),
              sum.alternating().plus(flows.get().alternating().times(out)));
      greatest = Math.max(greatest, flows.get().rms());
      if (flows.get().rms() > 0)
        w.given(core.label().text(), new Current(flows.get().rms()), out > 0 ? "out" : "back");
    }
    // Nothing flows in it as designed: that says nothing of when something does.
    if (greatest < NOTHING) return Optional.empty();
    var left = new Current(sum.rms());
    w.result("left", "Σ out - Σ back", left);
    var trail = w.explain(cable.id()).trail();
    if (left.amperes() < Math.max(LEAST, SHARE * greatest))
      return Optional.of(new Verdict.Pass(cable.id(), trail));
    var alternating = sum.mostlyAlternating();
    return Optional.of(
        new Verdict.Finding(
            cable.id(),
            alternating ? Severity.WARNING : Severity.ADVICE,
            alternating ? ALTERNATING : DIRECT,
            "%s of what flows in %s comes back another way: lay its way back in the same cable."
                .formatted(left, cable.label()),
            trail,
            List.of()));
  }

  /// The cores that lead from its near side to its far one: the near side is where the first
  /// begins.
  private static Optional<List<Id>> begins(List<Conductor> cores, Study study) {
    var near = cores.getFirst().from().device();
    var far = cores.getFirst().to().device();
    var nearOut = outside(near, study);
    var farOut = outside(far, study);
    var all = new ArrayList<Id>();
    for (var core : cores) {
      var a = core.from().device();
      var b = core.to().device();
      var out = outside(a, study);
      var back = outside(b, study);
      if (a.equals(near) || b.equals(far)) all.add(core.id());
      else if (!(b.equals(near) || a.equals(far))) {
        if (nearOut == farOut || out == back) return Optional.empty();
        if (out == nearOut) all.add(core.id());
      }
    }
    return Optional.of(all);
  }

  private static boolean outside(Id device, Study study) {
    return study.device(device).filter(d -> d.place() == Place.MACHINE).isPresent();
  }
}
