package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Ducts for mains and motors run apart from ducts for signals: 100 mm where they run side by side;
/// they cross at right angles only (common practice, no published source). Ducts are level or
/// upright, so a crossing is a right angle.
public final class DuctsApart implements Rule {
  private static final Reason BESIDE =
      Reason.of("A duct with mains runs beside a duct with signals");
  private static final double APART = 100;

  @Override
  public String id() {
    return "space.ducts-apart";
  }

  @Override
  public String asks() {
    return "Mains and signal ducts run apart.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.ducts().size() > 1)
        .flatMap(Contained.many(this, Cabinet::id, cabinet -> judge(cabinet, study).stream()));
  }

  private static List<Verdict> judge(Cabinet cabinet, Study study) {
    var told = cabinet.ducts().stream().filter(duct -> duct.bundle().isPresent()).toList();
    if (told.isEmpty())
      return List.of(
          new Verdict.NotChecked(cabinet.id(), "what lies in which of its ducts is not said"));
    var all = new ArrayList<Verdict>();
    for (var duct : told) {
      if (!mains(duct, study)) continue;
      var near =
          told.stream()
              .filter(other -> !mains(other, study) && other.vertical() == duct.vertical())
              .filter(other -> other.surface() == duct.surface())
              .filter(other -> beside(duct, other))
              .min(java.util.Comparator.comparingDouble(other -> gap(duct, other)));
      var w = Working.of("Duct " + duct.id());
      near.ifPresent(
          other -> w.given("gap", Length.ofMillimetres(gap(duct, other)), "to duct " + other.id()));
      w.given("at least", Length.ofMillimetres(APART), "common practice");
      var trail = w.explain(duct.id()).trail();
      if (near.isEmpty() || gap(duct, near.get()) >= APART)
        all.add(new Verdict.Pass(duct.id(), trail));
      else
        all.add(
            new Verdict.Finding(
                duct.id(),
                Severity.WARNING,
                BESIDE,
                "The duct %s holds mains and runs %.0f mm beside the duct %s with signals. Keep %.0f mm between them; cross at right angles only."
                    .formatted(duct.id(), gap(duct, near.get()), near.get().id(), APART),
                trail,
                List.of()));
    }
    return all;
  }

  private static boolean beside(Cabinet.Duct a, Cabinet.Duct b) {
    return a.vertical() ? Fits.box(a).along(Fits.box(b)) > 0 : Fits.box(a).across(Fits.box(b)) > 0;
  }

  private static double gap(Cabinet.Duct a, Cabinet.Duct b) {
    return Fits.box(a).gap(Fits.box(b));
  }

  private static boolean mains(Cabinet.Duct duct, Study study) {
    Id bundle = duct.bundle().orElseThrow();
    return study.project().conductors().stream()
        .filter(wire -> study.bundle(wire).filter(b -> b.id().equals(bundle)).isPresent())
        .anyMatch(wire -> OnMains.of(study).conductors().contains(wire.id()));
  }
}
