package nelvar.core.analysis.protection;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// The device before an inlet stands the inrush of all that is switched on at once.
///
/// Its curve is not the machine's to choose and not known: B and C are both shown (assumed), and
/// more than advice it never is. All capacitors of a line and its hardest starting motor at once,
/// as when a plug is put in or the mains comes back; what contactors hold off is counted too.
/// Common practice.
public final class InrushBeforeInlet implements Rule {
  private static final Reason MAY_TRIP_THE_DEVICE_BEFORE_THE_INLET =
      Reason.of("May trip the device before the inlet");

  @Override
  public String id() {
    return "protection.inrush-upstream";
  }

  @Override
  public String asks() {
    return "Everything on at once does not open the device before the inlet.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return InletLoad.inlets(study).stream()
        .filter(inlet -> peak(inlet, study).amperes() > 0)
        .flatMap(Contained.one(this, inlet -> inlet.device().id(), inlet -> judge(inlet, study)));
  }

  private static Current peak(Source inlet, Study study) {
    return new Current(
        study.currents().given(inlet).stream().mapToDouble(sum -> sum.allAtOnce()).max().orElse(0));
  }

  private static Verdict judge(Source inlet, Study study) {
    var id = inlet.device().id();
    var rating = inlet.output().rating();
    var w = Working.of("Inrush before " + inlet.device().designation());
    var peak = w.given("Ipeak", peak(inlet, study), "of its most loaded line, all at once");
    var effective = w.result("Ieff", "Ipeak/√2", BreakerChoice.effective(peak));
    var b =
        w.table("IholdB", TripCurve.B.holds(rating), "B" + rating + " still lets pass, assumed");
    var c =
        w.table("IholdC", TripCurve.C.holds(rating), "C" + rating + " still lets pass, assumed");
    var trail = w.explain(effective).trail();
    if (effective.compareTo(b) <= 0) return new Verdict.Pass(id, trail);
    var holds = effective.compareTo(c) <= 0;
    return new Verdict.Finding(
        id,
        Severity.ADVICE,
        MAY_TRIP_THE_DEVICE_BEFORE_THE_INLET,
        "All at once %s peak flow in at %s. A B device of %s lets only %s pass for certain%s. Switch heavy loads on one after another, limit their inrush%s."
            .formatted(
                peak,
                inlet.device().designation(),
                rating,
                b,
                holds ? "" : ", a C device " + c,
                holds ? ", or see that the outlet has a C device" : ""),
        trail,
        List.of());
  }
}
