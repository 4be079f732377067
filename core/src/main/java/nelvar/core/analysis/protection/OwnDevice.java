package nelvar.core.analysis.protection;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A converter on the mains has a protective device, and by the per-branch school one of its own.
///
/// Per branch (default): a fault in one supply stops that one only, and the device can be matched
/// with its wire. Grouped: several converters that protect themselves behind one device, where
/// space is short. Bare transformers have a stricter rule of their own.
///
/// Demand: common practice; IEC 60204-1:2016, 7.2.7 (unchecked) for the supply of each transformer
/// or converter.
public final class OwnDevice implements Rule {
  private static final Reason NO_PROTECTIVE_DEVICE = Reason.of("No protective device");
  private static final Reason SHARES_ITS_PROTECTIVE_DEVICE =
      Reason.of("Shares its protective device");

  /// The greatest device before an outlet that plug and cord are made for; common practice.
  private static final Current OUTLET = new Current(16);

  @Override
  public String id() {
    return "protection.own-device";
  }

  @Override
  public String asks() {
    return "Every supply and drive on the mains has a protective device, one of its own by the per-branch school.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed ->
            study
                .part(feed.device())
                .filter(part -> part.electronicSupply() || part instanceof FrequencyConverter)
                .isPresent())
        .filter(feed -> feed.source().map(source -> source.output().alternating()).orElse(true))
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  /// Whether it hangs on leads of its own: a supply with plug and cord, made for an outlet.
  private static boolean pluggedIn(Feed feed, Study study) {
    var id = feed.device().id();
    return feed.source().orElseThrow().output().rating().compareTo(OUTLET) <= 0
        && feed.lineWays().stream()
            .allMatch(way ->
                study.wires(way).stream()
                    .anyMatch(wire -> wire.leadOf().filter(id::equals).isPresent()));
  }

  private static Verdict judge(Feed feed, Study study) {
    var device = feed.device();
    if (feed.source().isEmpty()) return new Verdict.NotChecked(device.id(), "no supply reaches it");
    var protection = study.network().protection(feed.lineWays().getFirst());
    var w = Working.of("Own protective device");
    w.given("In", feed.source().get().output().rating(), "protects the inlet");
    if (protection.isEmpty() && pluggedIn(feed, study)) {
      w.assumed("fuse", "inside it", "its cord is its maker's, made for an outlet of 16 A");
      return new Verdict.Pass(device.id(), w.explain(device.id()).trail());
    }
    if (protection.isEmpty()) {
      var text =
          "Nothing but the %s device upstream of the inlet protects %s and its wire."
              .formatted(feed.source().get().output().rating(), device.designation());
      return new Verdict.Finding(
          device.id(),
          Severity.ERROR,
          NO_PROTECTIVE_DEVICE,
          text,
          w.explain(device.id()).trail(),
          InsertBreaker.before(feed, study).stream().toList());
    }
    var sharing =
        ProtectiveDevices.of(protection.get(), study)
            .map(ProtectiveDevices.Protecting::feeds)
            .orElse(Set.of())
            .stream()
            .filter(other -> other.intake().demand() instanceof Demand.Converts)
            .map(Feed::device)
            .distinct()
            .toList();
    w.given(
        "device",
        protection.get().device().designation() + " " + protection.get().protection(),
        "feeds "
            + sharing.stream()
                .map(other -> other.designation().text())
                .collect(Collectors.joining(", ")));
    var grouped = study.project().brief().policies().protection() == Brief.Protection.GROUPED;
    w.given("school", grouped ? "grouped" : "per branch", "Brief");
    if (sharing.size() <= 1 || grouped)
      return new Verdict.Pass(device.id(), w.explain(device.id()).trail());
    var others =
        sharing.stream()
            .map(other -> other.designation().text())
            .filter(name -> !name.equals(device.designation().text()))
            .collect(Collectors.joining(", "));
    var text =
        "%s shares %s with %s: a fault in one stops all. This project follows the per-branch school."
            .formatted(device.designation(), protection.get().device().designation(), others);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        SHARES_ITS_PROTECTIVE_DEVICE,
        text,
        w.explain(device.id()).trail(),
        InsertBreaker.before(feed, study).stream().toList());
  }
}
