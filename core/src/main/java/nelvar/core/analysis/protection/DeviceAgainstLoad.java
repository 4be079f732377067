package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;

/// A protective device carries everything that can be on together behind it.
///
/// `Ib ≤ In`. Demand: IEC 60364-4-43:2008, 433.1 (unchecked).
public final class DeviceAgainstLoad implements Rule {
  private static final Reason TRIPS_ON_ITS_OWN_LOAD = Reason.of("Trips on its own load");
  private static final Reason NO_ROOM_FOR_A_LOAD_THAT_STAYS_ON =
      Reason.of("No room for a load that stays on");

  @Override
  public String id() {
    return "protection.device-against-load";
  }

  @Override
  public String asks() {
    return "Every protective device carries its load: Ib ≤ In.";
  }

  private static final Citation DEMAND = Citation.recalled("IEC 60364-4-43:2008", "433.1");
  private static final Citation AMERICAN = Citation.recalled("NEC 2023 (NFPA 70)", "210.20(A)");

  @Override
  public Stream<Verdict> check(Study study) {
    return ProtectiveDevices.all(study).stream()
        .flatMap(
            Contained.one(
                this,
                protecting -> protecting.device().device().id(),
                protecting -> judge(protecting, study)));
  }

  private static Verdict judge(ProtectiveDevices.Protecting protecting, Study study) {
    var device = protecting.device().device();
    var rating = protecting.device().protection().rating();
    var design = protecting.design();
    var rated =
        Schools.rated(
            design,
            "everything behind " + device.designation() + " that can be on together",
            study);
    var judged = Explained.atMost(rated, "Ib", rating, Schools.demand(study, DEMAND, AMERICAN));
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    var repairs = new ArrayList<Repair>();
    Replacement.candidates(study.part(device).orElseThrow(), protecting, study)
        .findFirst()
        .ifPresent(next -> repairs.add(Replacement.repair(device, next, protecting)));
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        design.compareTo(rating) > 0 ? TRIPS_ON_ITS_OWN_LOAD : NO_ROOM_FOR_A_LOAD_THAT_STAYS_ON,
        design.compareTo(rating) > 0
            ? "Behind %s (%s) flow %s with everything on: it will trip while the machine works."
                .formatted(device.designation(), protecting.device().protection(), design)
            : "Behind %s (%s) flow %s with everything on; for loads that stay on for hours the school of the Brief asks for %s. It runs hot and may open."
                .formatted(
                    device.designation(), protecting.device().protection(), design, rated.value()),
        judged.trail(),
        repairs);
  }
}
