package nelvar.core.analysis.protection;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.MotorProtector;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// A motor that starts on the line has an overload device that can be set to its current.
///
/// The nameplate current by the motor's links lies in the range of the device, and its dial stands
/// there: not lower, and at most 5 % higher (common practice), 15 % in the North American school. A
/// motor behind a drive is protected by the drive, where its parameter is set (a setting to be
/// entered there).
///
/// Demand: IEC 60204-1:2016, 7.3 (above 0.5 kW); NFPA 79:2021, 7.3 (unchecked).
public final class MotorOverload implements Rule {
  private static final Reason MOTOR_WITHOUT_OVERLOAD_PROTECTION =
      Reason.of("Motor without overload protection");
  private static final Reason OVERLOAD_DEVICE_OF_THE_WRONG_RANGE =
      Reason.of("Overload device of the wrong range");
  private static final Reason SETTING_OF_ITS_OVERLOAD_DEVICE_NOT_SAID =
      Reason.of("Setting of its overload device not said");
  private static final Reason OVERLOAD_DEVICE_SET_TOO_HIGH =
      Reason.of("Overload device set too high");
  private static final Reason OVERLOAD_DEVICE_SET_TOO_LOW =
      Reason.of("Overload device set too low");

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
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
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
    if (study.part(feed.source().get().device()).filter(part -> part.drives()).isPresent())
      return new Verdict.Pass(
          id,
          w.explain(w.assumed("device", "the drive", "its motor current is set there")).trail());
    var protection = study.network().protection(feed.lineWays().getFirst());
    if (protection.isPresent()
        && protection.get().protection() instanceof ProtectiveDevice.MotorSwitch protector)
      return ofSwitch(feed, protection.get(), protector, w, i, study);
    if (motor.power().watts() < LEAST_WATTS)
      return new Verdict.Pass(
          id,
          w.explain(w.given("P", motor.power(), "below 0.5 kW it is not asked for (7.3.1)"))
              .trail());
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        MOTOR_WITHOUT_OVERLOAD_PROTECTION,
        "%s takes %s and nothing trips when it is overloaded or stalls: it burns. Put a motor protective switch that can be set to %s before it."
            .formatted(feed.device().designation(), i, i),
        w.explain(i).trail(),
        List.of());
  }

  private static Verdict ofSwitch(
      Feed feed,
      Feed.Protector protection,
      ProtectiveDevice.MotorSwitch own,
      Working w,
      Current i,
      Study study) {
    var id = feed.device().id();
    w.given(
        "range", own.least() + " to " + own.greatest(), protection.device().designation().text());
    var low = Explained.atLeast(w.explain(i), "I", own.least(), DEMAND);
    var high = Explained.atMost(w.explain(i), "I", own.greatest(), DEMAND);
    if (!low.holds() || !high.holds())
      return new Verdict.Finding(
          id,
          Severity.ERROR,
          OVERLOAD_DEVICE_OF_THE_WRONG_RANGE,
          "%s takes %s; %s can be set from %s to %s. %s"
              .formatted(
                  feed.device().designation(),
                  i,
                  protection.device().designation(),
                  own.least(),
                  own.greatest(),
                  low.holds()
                      ? "It will trip while the motor works."
                      : "The motor burns before it trips."),
          (low.holds() ? high : low).trail(),
          swap(protection, i, study));
    var dial = Repair.of(Edits.trip(protection.device(), Optional.of(i)));
    if (own.setting().isEmpty())
      return new Verdict.Finding(
          id,
          Severity.ADVICE,
          SETTING_OF_ITS_OVERLOAD_DEVICE_NOT_SAID,
          "%s protects %s only when its dial stands at the nameplate current, %s. Enter what it is set to: the setting sheet and the wires then count with it."
              .formatted(protection.device().designation(), feed.device().designation(), i),
          high.trail(),
          List.of(dial));
    return set(feed, protection, own.setting().get(), w, i, study, dial);
  }

  /// The dial stands between the nameplate current and what the code allows above it.
  private static Verdict set(
      Feed feed,
      Feed.Protector protection,
      Current setting,
      Working w,
      Current i,
      Study study,
      Repair dial) {
    var most =
        w.table(
            "most",
            most(study),
            american(study)
                ? "of the nameplate, without service factor"
                : "of the nameplate current");
    w.given("I", i, "nameplate");
    var ir = w.given("Ir", setting, "dial of " + protection.device().designation());
    var low = Explained.atLeast(w.explain(ir), "Ir", i, DEMAND);
    var high = Explained.atMost(w.explain(ir), "Ir", i.times(most.fraction()), DEMAND);
    if (low.holds() && high.holds()) return new Verdict.Pass(feed.device().id(), high.trail());
    return new Verdict.Finding(
        feed.device().id(),
        low.holds() ? Severity.ERROR : Severity.WARNING,
        low.holds() ? OVERLOAD_DEVICE_SET_TOO_HIGH : OVERLOAD_DEVICE_SET_TOO_LOW,
        "%s takes %s by its nameplate; %s is set to %s. %s"
            .formatted(
                feed.device().designation(),
                i,
                protection.device().designation(),
                setting,
                low.holds()
                    ? "The motor burns before it trips."
                    : "It trips while the motor works at its rated load."),
        (low.holds() ? high : low).trail(),
        List.of(dial));
  }

  private static boolean american(Study study) {
    return study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
  }

  /// How far a dial may stand above the nameplate current.
  public static Cited<Percent> most(Study study) {
    return american(study)
        ? new Cited<>(new Percent(115), Citation.recalled("NEC 2023", "430.32(A)(1)"))
        : new Cited<>(new Percent(105), Citation.practice());
  }

  private static List<Repair> swap(Feed.Protector protection, Current motor, Study study) {
    return study
        .catalogue()
        .of(MotorProtector.class)
        .filter(next -> next.least().compareTo(motor) <= 0 && next.greatest().compareTo(motor) >= 0)
        .min(java.util.Comparator.comparing(MotorProtector::greatest))
        .map(next ->
            Repair.of(
                Edits.swap(protection.device(), next)
                    .then(Edits.trip(protection.device(), Optional.of(motor)))))
        .stream()
        .toList();
  }
}
