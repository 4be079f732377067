package nelvar.core.analysis.protection;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Guard;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.MotorProtector;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A motor that starts on the line has an overload device that can be set to its current.
///
/// The nameplate current by the motor's links lies in the range of the device's setting. A motor
/// behind a drive is protected by the drive, where its parameter is set (a setting to be entered
/// there).
///
/// Demand: IEC 60204-1:2016, 7.3 (above 0.5 kW); NFPA 79:2021, 7.3 (unchecked).
public final class MotorOverload implements Rule {
  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "7.3");

  /// Below this IEC 60204-1 does not ask for it.
  private static final double LEAST_WATTS = 500;

  @Override
  public String id() {
    return "protection.motor-overload";
  }

  @Override
  public String asks() {
    return "Every motor that starts on the line has an overload device set to its current.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).orElse(null) instanceof InductionMotor)
        .filter(feed -> feed.source().isPresent() && !feed.lineWays().isEmpty())
        .map(feed -> judge(feed, study));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var motor = (InductionMotor) study.part(feed.device()).orElseThrow();
    var current =
        feed.device().windings() == Linkage.STAR ? motor.starCurrent() : motor.deltaCurrent();
    var w = Working.of("Overload of " + feed.device().designation());
    var i =
        w.given(
            "I",
            current,
            "nameplate, linked in "
                + (feed.device().windings() == Linkage.STAR ? "star" : "delta"));
    if (study.part(feed.source().get().device()).orElse(null) instanceof FrequencyConverter)
      return new Verdict.Pass(
          id,
          w.explain(w.assumed("device", "the drive", "its motor current is set there")).trail());
    var guard = study.network().guard(feed.lineWays().getFirst());
    if (guard.isPresent()
        && guard.get().guard() instanceof Guard.MotorSwitch(var least, var greatest)) {
      w.given("range", guard.get().guard(), guard.get().device().designation().text());
      var low = Explained.atLeast(w.explain(i), "I", least, DEMAND);
      var high = Explained.atMost(w.explain(i), "I", greatest, DEMAND);
      if (low.holds() && high.holds()) return new Verdict.Pass(id, high.trail());
      return new Verdict.Finding(
          id,
          Severity.ERROR,
          "Overload device of the wrong range",
          "%s takes %s; %s can be set from %s to %s. %s"
              .formatted(
                  feed.device().designation(),
                  i,
                  guard.get().device().designation(),
                  least,
                  greatest,
                  low.holds()
                      ? "It will trip while the motor works."
                      : "The motor burns before it trips."),
          (low.holds() ? high : low).trail(),
          swap(guard.get(), i, study));
    }
    if (motor.power().watts() < LEAST_WATTS)
      return new Verdict.Pass(
          id,
          w.explain(w.given("P", motor.power(), "below 0.5 kW it is not asked for (7.3.1)"))
              .trail());
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        "Motor without overload protection",
        "%s takes %s and nothing trips when it is overloaded or stalls: it burns. Put a motor protective switch that can be set to %s before it."
            .formatted(feed.device().designation(), i, i),
        w.explain(i).trail(),
        List.of());
  }

  private static List<Repair> swap(Feed.Guarded guard, Current motor, Study study) {
    return study
        .catalogue()
        .of(MotorProtector.class)
        .filter(next -> next.least().compareTo(motor) <= 0 && next.greatest().compareTo(motor) >= 0)
        .min(java.util.Comparator.comparing(MotorProtector::greatest))
        .map(next -> Repair.of(Edits.swap(guard.device(), next)))
        .stream()
        .toList();
  }
}
