package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.standards.FuseClass;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;

/// The protective device ahead of a drive is of the class and of at most the rating its maker asks
/// for: with a larger or slower one its short-circuit rating does not hold, and what is left of a
/// burnt rectifier leaves the cabinet.
///
/// Where the maker asks for a semiconductor fuse (gR, aR) no breaker is quick enough. Demand: the
/// maker's data; IEC 61800-5-1 and UL 508A SB4 make them part of the rating (unchecked).
public final class DriveInput implements Rule {
  private static final Reason PROTECTIVE_DEVICE_TOO_LARGE_FOR_THE_DRIVE =
      Reason.of("Protective device too large for the drive");
  private static final Reason DRIVE_ASKS_FOR_ANOTHER_FUSE =
      Reason.of("Drive asks for another fuse");

  private static final Citation DEMAND = Citation.recalled("IEC 61800-5-1:2022", "6.3.7");

  @Override
  public String id() {
    return "load.drive-input";
  }

  @Override
  public String asks() {
    return "Every drive stands behind the protective device its maker asks for.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).orElse(null) instanceof FrequencyConverter)
        .filter(feed -> feed.source().isPresent() && !feed.lineWays().isEmpty())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var drive = (FrequencyConverter) study.part(feed.device()).orElseThrow();
    if (drive.inputDevice().isEmpty())
      return new Verdict.NotChecked(
          id, "its data do not say which protective device may stand ahead of it");
    var protection = study.network().protection(feed.lineWays().getFirst());
    if (protection.isEmpty())
      return new Verdict.NotChecked(
          id, "only the device before the inlet protects it, and it is not one of this machine");
    var asked = drive.inputDevice().get();
    var w = Working.of("Device ahead of " + feed.device().designation());
    asked.fuse().ifPresent(fuse -> w.given("class", fuse.sign(), drive.name()));
    var own = protection.get().protection();
    var in = w.given("In", own.rating(), protection.get().device().designation() + " " + own);
    var judged = Explained.atMost(w.explain(in), "In", asked.greatest(), DEMAND);
    var kindHolds = holds(own, asked);
    if (judged.holds() && kindHolds) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        kindHolds ? PROTECTIVE_DEVICE_TOO_LARGE_FOR_THE_DRIVE : DRIVE_ASKS_FOR_ANOTHER_FUSE,
        "%s asks for %s at most %s ahead of it; %s is %s. A short inside the drive would not be cut off in time."
            .formatted(
                feed.device().designation(),
                asked.fuse().map(fuse -> "a " + fuse.sign() + " fuse of").orElse("a device of"),
                asked.greatest(),
                protection.get().device().designation(),
                own),
        judged.trail(),
        repairs(feed, protection.get(), asked, study));
  }

  private static boolean holds(ProtectiveDevice protection, FrequencyConverter.InputDevice asked) {
    return asked
        .fuse()
        .map(wanted ->
            protection instanceof ProtectiveDevice.Fuse(_, var fuse)
                && (fuse == wanted || fuse == FuseClass.GR))
        .orElse(true);
  }

  /// The largest that is allowed of what fits in its place and carries the drive.
  private static List<Repair> repairs(
      Feed feed, Feed.Protector protection, FrequencyConverter.InputDevice asked, Study study) {
    var now = study.part(protection.device()).orElseThrow();
    var design = study.designCurrent(feed);
    return study.catalogue().all().stream()
        .filter(next -> next.protection().isPresent() && next.terminals().equals(now.terminals()))
        .filter(next -> fits(next, protection.protection(), asked))
        .filter(next -> next.protection().orElseThrow().rating().compareTo(design) >= 0)
        .max(
            java.util.Comparator.comparing((Part next) -> next.protection().orElseThrow().rating())
                .thenComparing(Part::id))
        .map(next -> Repair.of(Edits.swap(protection.device(), next)))
        .stream()
        .toList();
  }

  private static boolean fits(
      Part next, ProtectiveDevice now, FrequencyConverter.InputDevice asked) {
    var protection = next.protection().orElseThrow();
    return protection.rating().compareTo(asked.greatest()) <= 0
        && holds(protection, asked)
        && (asked.fuse().isPresent() || sameKind(protection, now));
  }

  private static boolean sameKind(ProtectiveDevice a, ProtectiveDevice b) {
    return switch (a) {
      case ProtectiveDevice.Breaker(_, var curve) ->
          b instanceof ProtectiveDevice.Breaker(_, var other) && curve == other;
      case ProtectiveDevice.Fuse(_, var fuse) ->
          b instanceof ProtectiveDevice.Fuse(_, var other) && fuse == other;
      case ProtectiveDevice.MotorSwitch _, ProtectiveDevice.Electronic _ -> false;
    };
  }
}
