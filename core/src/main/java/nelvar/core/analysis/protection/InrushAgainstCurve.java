package nelvar.core.analysis.protection;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.TripTime;
import nelvar.core.standards.FuseClass;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Switching on opens no protective device.
///
/// The peak at switching on, divided by √2, stays below what the curve of a breaker still lets
/// pass; a fuse or a motor protective switch carries it for as long as it lasts, by the earliest
/// that it may open. All capacitor inputs behind one device charge at once; of motors started one
/// by one the hardest counts. Conservative: peaks of 1 ms are tolerated somewhat better than the
/// curve says. Semiconductor fuses are not checked: only their maker says when they melt.
///
/// Demand: common practice; curve bands IEC 60898-1:2015 Table 7, fuses as in [TripTime]
/// (unchecked).
public final class InrushAgainstCurve implements Rule {
  private static final Reason MAY_TRIP = Reason.of("May trip when switched on");
  private static final Reason MAY_BLOW = Reason.of("May blow when switched on");

  @Override
  public String id() {
    return "protection.inrush";
  }

  @Override
  public String asks() {
    return "Every breaker, fuse and motor protective switch stands the inrush of what it feeds.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return ProtectiveDevices.all(study).stream()
        .filter(g -> g.inrushPeak().amperes() > 0)
        .flatMap(
            Contained.many(this, g -> g.device().device().id(), g -> judge(g, study).stream()));
  }

  private static Optional<Verdict> judge(ProtectiveDevices.Protecting protecting, Study study) {
    return switch (protecting.device().protection()) {
      case ProtectiveDevice.Breaker breaker -> Optional.of(breaker(breaker, protecting, study));
      case ProtectiveDevice.Fuse(_, var fuse) when fuse == FuseClass.GR ->
          Optional.of(
              new Verdict.NotChecked(
                  protecting.device().device().id(),
                  "when a semiconductor fuse melts in a short surge only its maker says"));
      case ProtectiveDevice.Fuse fuse -> Optional.of(lasting(fuse, protecting, study));
      case ProtectiveDevice.MotorSwitch motor -> Optional.of(lasting(motor, protecting, study));
      case ProtectiveDevice.Electronic _ -> Optional.empty();
    };
  }

  private static Current effective(Working w, ProtectiveDevices.Protecting protecting) {
    w.given(
        "Ipeak",
        protecting.inrushPeak(),
        "at switching on, all behind " + protecting.device().device().designation());
    return w.result("Ieff", "Ipeak/√2", BreakerChoice.effective(protecting.inrushPeak()));
  }

  private static Verdict breaker(
      ProtectiveDevice.Breaker breaker, ProtectiveDevices.Protecting protecting, Study study) {
    var device = protecting.device().device();
    var w = Working.of("Inrush against curve");
    var effective = effective(w, protecting);
    var holds =
        w.table("Ihold", breaker.curve().holds(breaker.rating()), breaker + " still lets pass");
    var judged = Explained.atMost(w.explain(effective), "Ieff", holds, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    return finding(
        protecting,
        MAY_TRIP,
        "At switching on %s peak flow through %s; as %s it lets only %s pass for certain."
            .formatted(protecting.inrushPeak(), device.designation(), breaker, holds),
        judged.trail(),
        study);
  }

  private static Verdict lasting(
      ProtectiveDevice protection, ProtectiveDevices.Protecting protecting, Study study) {
    var device = protecting.device().device();
    var w = Working.of("Inrush against time");
    var effective = effective(w, protecting);
    var opens = TripTime.earliest(protection, effective, TripTime.ALTERNATING);
    if (opens.isEmpty())
      return new Verdict.Pass(
          device.id(),
          w.explain(w.given("t", "never", protection + " carries it for ever")).trail());
    var earliest = w.result("t", "the earliest " + protection + " may open at Ieff", opens.get());
    var judged =
        Explained.atLeast(
            w.explain(earliest), "t", protecting.inrushDuration(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    return finding(
        protecting,
        protection instanceof ProtectiveDevice.Fuse ? MAY_BLOW : MAY_TRIP,
        "At switching on %s peak flow through %s for %s; as %s it may open after %s."
            .formatted(
                protecting.inrushPeak(),
                device.designation(),
                protecting.inrushDuration(),
                protection,
                earliest),
        judged.trail(),
        study);
  }

  private static Verdict finding(
      ProtectiveDevices.Protecting protecting,
      Reason reason,
      String text,
      Trail trail,
      Study study) {
    var device = protecting.device().device();
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        reason,
        text,
        trail,
        Replacement.candidates(study.part(device).orElseThrow(), protecting, study)
            .limit(1)
            .map(next -> Replacement.repair(device, next, protecting))
            .toList());
  }
}
