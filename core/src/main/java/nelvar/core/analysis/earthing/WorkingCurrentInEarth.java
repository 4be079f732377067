package nelvar.core.analysis.earthing;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Protective conductors and shields carry no working current.
///
/// The network is solved with everything on; leakage of filters is not in it, so anything above 10
/// mA is the current of a load that found a way home through earth.
///
/// Demand: IEC 60204-1:2016, 8.2.1 and 9.4.3 (unchecked); the 10 mA are this rule's own.
public final class WorkingCurrentInEarth implements Rule {
  private static final Reason A_LOAD_RETURNS_THROUGH_A_SHIELD =
      Reason.of("A load returns through a shield");
  private static final Reason A_LOAD_RETURNS_THROUGH_EARTH =
      Reason.of("A load returns through earth");

  private static final Current LIMIT = new Current(0.01);

  @Override
  public String id() {
    return "earthing.working-current";
  }

  @Override
  public String asks() {
    return "No load returns through a protective conductor or a shield.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(conductor -> !conductor.carriesWork())
        .flatMap(
            Contained.one(this, conductor -> conductor.id(), conductor -> judge(conductor, study)));
  }

  /// Less than that is what binary arithmetic leaves of nothing, A.
  private static final double ROUNDING = 1e-9;

  private static Verdict judge(Conductor conductor, Study study) {
    var w = Working.of("Current in " + conductor.label());
    var current = new Current(0);
    MachineStates.State worst = null;
    for (var state : MachineStates.of(study)) {
      var found = state.live().current(conductor.id());
      if (found.isEmpty()) continue;
      var rms = found.get().rms();
      var amperes =
          w.result("I " + state.name(), "network solved", new Current(rms < ROUNDING ? 0 : rms));
      if (worst != null && amperes.compareTo(current) <= 0) continue;
      worst = state;
      current = amperes;
    }
    if (worst == null)
      return new Verdict.NotChecked(conductor.id(), "no state of the machine comes to rest");
    w.given("limit", LIMIT, "more is the current of a load");
    var trail = w.explain(current).trail();
    if (current.compareTo(LIMIT) <= 0) return new Verdict.Pass(conductor.id(), trail);
    var shield = conductor.function() == Conductor.Function.SHIELD;
    return new Verdict.Finding(
        conductor.id(),
        Severity.ERROR,
        shield ? A_LOAD_RETURNS_THROUGH_A_SHIELD : A_LOAD_RETURNS_THROUGH_EARTH,
        "%s, a %s, carries %s of working current %s. Join 0 V and earth at one point only, and look for a load whose return is missing or wired to earth."
            .formatted(
                conductor.label(),
                shield ? "shield" : "protective conductor",
                current,
                worst.words()),
        trail,
        List.of());
  }
}
