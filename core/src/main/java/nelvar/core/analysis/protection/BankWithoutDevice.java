package nelvar.core.analysis.protection;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.RectifierBank;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A bridge with its capacitors has a protective device between winding and bridge, or behind it.
///
/// Neither bridge nor winding limits anything, and a capacitor that shorts burns with all the
/// winding gives; the device on the primary must be sized for the whole transformer and its inrush.
/// Common practice, no published source.
public final class BankWithoutDevice implements Rule {
  private static final Reason CAPACITORS_WITHOUT_A_DEVICE =
      Reason.of("Capacitors without a device");

  @Override
  public String id() {
    return "protection.bank";
  }

  @Override
  public String asks() {
    return "Every bridge with capacitors has a protective device at its winding or behind it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).orElse(null) instanceof RectifierBank)
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var device = feed.device();
    if (feed.source().isEmpty()) return new Verdict.NotChecked(device.id(), "no winding feeds it");
    var before =
        Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
            .anyMatch(way -> isProtected(way, study));
    var loads =
        study.network().sources(device).stream()
            .flatMap(source -> study.currents().served(source).stream())
            .toList();
    var behind =
        !loads.isEmpty()
            && loads.stream()
                .allMatch(
                    load -> load.lineWays().stream().allMatch(way -> isProtected(way, study)));
    var w = Working.of("Protection of " + device.designation());
    w.given("at its winding", before ? "a device" : "none", "ways solved");
    w.given("to every load", behind ? "a device" : "none", "ways solved");
    var trail = w.explain(device.id()).trail();
    if (before || behind) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        CAPACITORS_WITHOUT_A_DEVICE,
        "Nothing between the winding and %s, and nothing behind it, opens on a short: the winding gives all it can until the device on the primary has seen enough. Put a slow fuse of about its current between winding and bridge, or one in each feeder behind it."
            .formatted(device.designation()),
        trail,
        List.of());
  }

  private static boolean isProtected(List<Integer> way, Study study) {
    return way.stream()
        .map(edge -> study.network().topology().edge(edge))
        .anyMatch(
            edge -> edge instanceof Edge.Through(_, var link) && link.protection().isPresent());
  }
}
