package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ResidualCurrentDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// A residual-current device trips on what the loads behind it can leak, and does not trip by
/// itself.
///
/// Type: three-phase rectifiers and drives B, single-phase drives F, rectifiers A. Standing leakage
/// of filters and drives behind it, added up as if on one line, at most 0.3 of its rated residual
/// current.
///
/// Demand: IEC 60364-5-53:2015, 531.3 (unchecked).
public final class ResidualDevice implements Rule {
  private static final Reason NOT_BEHIND_A_RESIDUAL_CURRENT_DEVICE =
      Reason.of("Not behind a residual-current device");
  private static final Reason MAY_NOT_TRIP_ON_WHAT_LEAKS = Reason.of("May not trip on what leaks");
  private static final Reason MAY_TRIP_BY_ITSELF = Reason.of("May trip by itself");

  private static final Citation TYPE = Citation.recalled("IEC 60364-5-53:2015", "531.3.3");
  private static final Citation LEAKAGE = Citation.recalled("IEC 60364-5-53:2015", "531.3.2");
  private static final double SHARE = 0.3;

  /// Against fire (IEC 60364-4-42, 422.3.9, unchecked).
  private static final Current FIRE = new Current(0.3);

  /// No residual-current device stands before a lower voltage.
  private static final Voltage EXTRA_LOW = new Voltage(60);

  @Override
  public String id() {
    return "protection.residual-device";
  }

  @Override
  public String asks() {
    return "Every residual-current device trips on what its loads leak, and not by itself.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var own =
        study.project().devices().stream()
            .filter(device -> study.part(device).orElse(null) instanceof ResidualCurrentDevice)
            .flatMap(
                Contained.many(
                    this, device -> device.id(), device -> judge(device, study).stream()));
    return Stream.concat(
        own,
        study.project().brief().policies().chose(School.RESIDUAL_DEVICE, "type-b")
            ? study.network().feeds().stream()
                .flatMap(Contained.many(this, f -> f.device().id(), f -> behindOne(f, study)))
            : study.project().devices().stream()
                .filter(device -> study.part(device).orElse(null) instanceof MainsInlet)
                .map(inlet -> notAsked(inlet, study)));
  }

  private static Verdict notAsked(Device inlet, Study study) {
    var w = Working.of("Residual-current device before the machine");
    Schools.name(w, study, School.RESIDUAL_DEVICE);
    return new Verdict.Pass(inlet.id(), w.explain(inlet).trail());
  }

  /// Where the Brief asks for one before the whole machine: every load on the mains stands behind
  /// one of at most 300 mA.
  private static Stream<Verdict> behindOne(Feed feed, Study study) {
    if (feed.source().isEmpty()
        || feed.lineWays().isEmpty()
        || !(study.part(feed.source().get().device()).orElse(null) instanceof MainsInlet))
      return Stream.empty();
    var w = Working.of("Residual-current device before " + feed.device().designation());
    w.given(
        "asked",
        study.project().brief().policies().answer(School.RESIDUAL_DEVICE).words(),
        "Brief");
    var found =
        feed.lineWays().getFirst().stream()
            .map(study.network().topology()::edge)
            .filter(Edge.Through.class::isInstance)
            .map(edge -> ((Edge.Through) edge).device())
            .filter(device ->
                study.part(device).orElse(null) instanceof ResidualCurrentDevice own
                    && own.residual().compareTo(FIRE) <= 0)
            .findFirst();
    var trail =
        w.explain(
                w.given(
                    "found",
                    found.map(d -> d.designation().text()).orElse("none"),
                    "on its way from the inlet"))
            .trail();
    if (found.isPresent()) return Stream.of(new Verdict.Pass(feed.device().id(), trail));
    return Stream.of(
        new Verdict.Finding(
            feed.device().id(),
            Severity.WARNING,
            NOT_BEHIND_A_RESIDUAL_CURRENT_DEVICE,
            "The Brief asks for a residual-current device of 300 mA, type B, before the whole machine; none stands between the inlet and %s. Put one behind the main switch, or change the answer in the Brief."
                .formatted(feed.device().designation()),
            trail,
            List.of()));
  }

  /// The devices that power reaches through it.
  static List<Device> behind(Id residual, Study study) {
    var all = new java.util.LinkedHashSet<Device>();
    for (var feed : study.network().feeds()) {
      for (var way : feed.lineWays()) {
        var passed = false;
        for (var edge : way) {
          if (study.network().topology().edge(edge) instanceof Edge.Through(var device, _)) {
            if (device.id().equals(residual)) passed = true;
            else if (passed) all.add(device);
          }
        }
        if (passed) all.add(feed.device());
      }
    }
    return List.copyOf(all);
  }

  private static List<Verdict> judge(Device device, Study study) {
    var own = (ResidualCurrentDevice) study.part(device).orElseThrow();
    var behind = behind(device.id(), study);
    return List.of(type(device, own, behind, study), leakage(device, own, behind, study));
  }

  /// What a load's leakage asks for; empty where any type does: whatever rectifies leaks pulsing
  /// direct current, a drive a mixture of frequencies besides, and on three lines smooth direct
  /// current.
  static Optional<ResidualCurrentDevice.Type> asked(Part part) {
    return part.intakes(Linkage.STAR).stream()
        .filter(intake -> intake.demand() instanceof Demand.Converts && !part.bareTransformer())
        .filter(intake -> intake.accepts().greatest().compareTo(EXTRA_LOW) > 0)
        .map(intake ->
            intake.threePhase()
                ? ResidualCurrentDevice.Type.B
                : part.drives() ? ResidualCurrentDevice.Type.F : ResidualCurrentDevice.Type.A)
        .max(java.util.Comparator.naturalOrder());
  }

  private static Verdict type(
      Device device, ResidualCurrentDevice own, List<Device> behind, Study study) {
    var w = Working.of("Type of " + device.designation());
    Device hardest = null;
    var most = ResidualCurrentDevice.Type.AC;
    for (var load : behind) {
      var asked = study.part(load).flatMap(ResidualDevice::asked);
      if (asked.isPresent() && asked.get().compareTo(most) > 0) {
        most = asked.get();
        hardest = load;
      }
    }
    var needed = most;
    w.table(
        "needed",
        new Cited<>(needed, TYPE),
        hardest == null ? "nothing behind it rectifies" : hardest.designation().text());
    w.given("type", own.type(), device.designation().text());
    var trail = w.explain(needed).trail();
    if (own.type().compareTo(needed) >= 0) return new Verdict.Pass(device.id(), trail);
    var repairs =
        study
            .catalogue()
            .of(ResidualCurrentDevice.class)
            .filter(next ->
                next.poles() == own.poles()
                    && next.rating().compareTo(own.rating()) >= 0
                    && next.residual().equals(own.residual())
                    && next.type().compareTo(needed) >= 0)
            .min(java.util.Comparator.comparing(ResidualCurrentDevice::type))
            .map(next -> Repair.of(Edits.swap(device, next)))
            .stream()
            .toList();
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        MAY_NOT_TRIP_ON_WHAT_LEAKS,
        "%s is type %s; %s behind it can leak what only type %s trips on, and smooth direct current blinds it for all others."
            .formatted(
                device.designation(),
                own.type(),
                hardest == null ? "a load" : hardest.designation(),
                needed),
        trail,
        repairs);
  }

  private static Verdict leakage(
      Device device, ResidualCurrentDevice own, List<Device> behind, Study study) {
    var w = Working.of("Standing leakage behind " + device.designation());
    var names = new ArrayList<String>();
    var sum = 0.0;
    for (var load : behind) {
      var leaks = study.part(load).map(part -> part.leakage().amperes()).orElse(0.0);
      if (leaks == 0) continue;
      w.given("I" + load.designation(), new Current(leaks), "in normal running");
      names.add(load.designation().text());
      sum += leaks;
    }
    var total = w.result("I", "Σ I, as if on one line", new Current(sum));
    var judged = Explained.atMost(w.explain(total), "I", own.residual().times(SHARE), LEAKAGE);
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        MAY_TRIP_BY_ITSELF,
        "%s leak %s in normal running; %s trips from half of its %s on, and may have 30 %% of it standing. Share the loads over two devices, or take 300 mA where that is allowed."
            .formatted(
                names.stream().collect(Collectors.joining(", ")),
                total,
                device.designation(),
                own.residual()),
        judged.trail(),
        List.of());
  }
}
