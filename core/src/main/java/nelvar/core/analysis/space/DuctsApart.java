package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Ducts for mains and motors run apart from ducts for signals: 100 mm where they run side by side;
/// they cross at right angles only (common practice, no published source). Ducts are level or
/// upright, so a crossing is a right angle.
///
/// Where all take the ducts there are, each its shortest way, no signal lies more than 1 m in one
/// duct with mains or with leads of a motor from its drive (common practice, no published source: a
/// screen, not a coupling; insulation for the highest voltage in a duct is another matter).
public final class DuctsApart implements Rule {
  private static final Reason BESIDE =
      Reason.of("A duct with mains runs beside a duct with signals");
  private static final Reason TOGETHER =
      Reason.of("A signal lies long beside mains or motor leads");
  private static final double APART = 100;

  /// A signal lies no longer in one duct with what disturbs it, mm.
  public static final double LONG = 1000;

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
    var all = new ArrayList<Verdict>();
    all.add(together(cabinet, study));
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

  /// A signal and what it lies beside for longest, in one duct after another.
  private record Beside(Conductor signal, WireClass disturbs, double length) {}

  private static Optional<Beside> worst(Cabinet cabinet, DuctUse use, Study study) {
    var all = new LinkedHashMap<Conductor, double[]>();
    for (var duct : cabinet.ducts()) {
      var here = use.in(duct.id());
      for (var signal : here) {
        if (WireClass.of(signal.wire(), study) != WireClass.SIGNAL) continue;
        var beside = all.computeIfAbsent(signal.wire(), _ -> new double[2]);
        for (var i = 0; i < DISTURB.size(); i++) {
          var which = DISTURB.get(i);
          beside[i] +=
              here.stream()
                  .filter(other -> WireClass.of(other.wire(), study) == which)
                  .mapToDouble(signal::beside)
                  .max()
                  .orElse(0);
        }
      }
    }
    return all.entrySet().stream()
        .flatMap(entry ->
            IntStream.range(0, DISTURB.size())
                .mapToObj(i -> new Beside(entry.getKey(), DISTURB.get(i), entry.getValue()[i])))
        .max(Comparator.comparingDouble(Beside::length));
  }

  private static final List<WireClass> DISTURB = List.of(WireClass.MOTOR, WireClass.MAINS);

  private static Verdict together(Cabinet cabinet, Study study) {
    var worst = worst(cabinet, DuctUse.of(cabinet, study), study);
    var w = Working.of("Signals in the ducts of " + cabinet.name());
    worst.ifPresent(it ->
        w.given(
            "beside",
            Length.ofMillimetres(it.length()),
            "%s in one duct with %s".formatted(it.signal().label(), it.disturbs().words())));
    w.given("at most", Length.ofMillimetres(LONG), "common practice");
    var trail = w.explain(cabinet.name()).trail();
    if (worst.isEmpty() || worst.get().length() <= LONG)
      return new Verdict.Pass(cabinet.id(), trail);
    var it = worst.get();
    return new Verdict.Finding(
        cabinet.id(),
        Severity.ADVICE,
        TOGETHER,
        "%s lies %.1f m in one duct with %s: it takes up what they give off. Let the one go by the ducts of one side and the other by those of the other, or bring what it leads to nearer."
            .formatted(it.signal().label(), it.length() / 1000, it.disturbs().words()),
        trail,
        nearer(it.signal(), cabinet, study));
  }

  /// What the signal leads to, moved to where nothing lies together too long.
  private static List<Repair> nearer(Conductor signal, Cabinet cabinet, Study study) {
    return Placed.all(study)
        .filter(placed -> placed.cabinet().id().equals(cabinet.id()))
        .filter(placed -> placed.body().surface() == Surface.PLATE)
        .filter(placed -> signal.touches(placed.body().id()))
        .flatMap(placed -> placed.moved(there -> apart(there, cabinet, study)).stream())
        .limit(1)
        .toList();
  }

  private static boolean apart(Body there, Cabinet cabinet, Study study) {
    return worst(cabinet, DuctUse.with(there, cabinet, study), study)
        .filter(it -> it.length() > LONG)
        .isEmpty();
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
        .filter(wire -> study.laidIn(wire).filter(b -> b.id().equals(bundle)).isPresent())
        .anyMatch(wire -> OnMains.of(study).conductors().contains(wire.id()));
  }
}
