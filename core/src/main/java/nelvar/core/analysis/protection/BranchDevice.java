package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Working;

/// Where the Brief asks for it, usual in the North American school, a device that protects a branch
/// is listed for it; a supplementary protector stands only behind one.
///
/// One verdict a load fed from the mains, on the device nearest to the source. Demand: NEC 2023,
/// 210.20, and UL 508A:2018, 31 (unchecked).
public final class BranchDevice implements Rule {
  private static final Reason NOT_LISTED_TO_PROTECT_A_BRANCH =
      Reason.of("Not listed to protect a branch");

  private static final Citation DEMAND = Citation.recalled("UL 508A:2018", "31.1");

  @Override
  public String id() {
    return "protection.branch-device";
  }

  @Override
  public String asks() {
    return "Every branch has a device that may protect a branch, in the school of the Brief.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var any = study.project().brief().policies().chose(School.SMALL_BREAKER, "branch");
    var failing = new LinkedHashMap<Id, List<Feed>>();
    var verdicts = new ArrayList<Verdict>();
    Contained.each(
        this,
        study.network().feeds(),
        feed -> feed.device().id(),
        verdicts,
        feed -> {
          if (feed.source().isEmpty()
              || feed.lineWays().isEmpty()
              || !(study.part(feed.source().get().device()).orElse(null) instanceof MainsInlet))
            return;
          var protectors = protectors(feed, study);
          if (protectors.isEmpty()) return;
          if (any || protectors.stream().anyMatch(device -> branch(device, study)))
            verdicts.add(new Verdict.Pass(feed.device().id(), trail(feed, protectors, study)));
          else
            failing.computeIfAbsent(protectors.getFirst().id(), _ -> new ArrayList<>()).add(feed);
        });
    Contained.each(
        this,
        failing.entrySet(),
        entry -> entry.getKey(),
        verdicts,
        entry -> verdicts.add(finding(entry.getKey(), entry.getValue(), study)));
    return verdicts.stream();
  }

  private static nelvar.core.trail.Trail trail(Feed feed, List<Device> protectors, Study study) {
    var w = Working.of("Branch device of " + feed.device().designation());
    Schools.name(w, study, School.SMALL_BREAKER);
    for (var protection : protectors)
      w.given(
          protection.designation().text(),
          branch(protection, study) ? "branch" : "supplementary",
          "listing");
    return w.explain("").trail();
  }

  /// The devices on the way, from the source on.
  private static List<Device> protectors(Feed feed, Study study) {
    return feed.lineWays().getFirst().stream()
        .map(study.network().topology()::edge)
        .filter(edge -> edge instanceof Edge.Through(_, var link) && link.protection().isPresent())
        .map(edge -> ((Edge.Through) edge).device())
        .distinct()
        .toList();
  }

  private static boolean branch(Device device, Study study) {
    return study.part(device).filter(Replacement::branch).isPresent();
  }

  private static Verdict finding(Id id, List<Feed> feeds, Study study) {
    var loads =
        feeds.stream()
            .map(feed -> feed.device().designation().text())
            .distinct()
            .collect(Collectors.joining(", "));
    var device = study.device(id).orElseThrow();
    var w = Working.of("Branch device");
    Schools.name(w, study, School.SMALL_BREAKER);
    w.table(
        device.designation().text(),
        new nelvar.core.trail.Cited<>("supplementary or not marked", DEMAND),
        "listing");
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        NOT_LISTED_TO_PROTECT_A_BRANCH,
        "%s is the first device before %s and is not listed for branch circuits: an inspector will not pass it, and it may not survive a short. Take a listed breaker or a class CC or J fuse, here or ahead of it."
            .formatted(device.designation(), loads),
        w.explain(device).trail(),
        ProtectiveDevices.all(study).stream()
            .filter(protecting -> protecting.device().device().id().equals(id))
            .limit(1)
            .flatMap(protecting ->
                Replacement.listed(study.part(device).orElseThrow(), protecting, study)
                    .limit(1)
                    .map(next -> Replacement.repair(device, next, protecting)))
            .toList());
  }
}
