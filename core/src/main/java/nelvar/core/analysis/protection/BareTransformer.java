package nelvar.core.analysis.protection;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A bare transformer has a protective device of its own: nothing in it limits an overload.
///
/// Demand: IEC 60204-1:2016, 7.2.7 (unchecked).
public final class BareTransformer implements Rule {
  private static final Reason TRANSFORMER_WITHOUT_ITS_OWN_DEVICE =
      Reason.of("Transformer without its own device");

  @Override
  public String id() {
    return "protection.bare-transformer";
  }

  @Override
  public String asks() {
    return "Every bare transformer has a protective device of its own on its primary.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).filter(Part::bareTransformer).isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var device = feed.device();
    if (feed.source().isEmpty()) return new Verdict.NotChecked(device.id(), "no supply reaches it");
    var protection = study.network().protection(feed.lineWays().getFirst());
    var alone =
        protection
            .flatMap(g -> ProtectiveDevices.of(g, study))
            .map(g -> g.feeds().stream().map(Feed::device).distinct().count() == 1)
            .orElse(false);
    var w = Working.of("Transformer protection");
    protection.ifPresent(g ->
        w.given(
            "device",
            g.device().designation() + " " + g.protection(),
            alone ? "feeds nothing else" : "feeds other things as well"));
    if (alone) return new Verdict.Pass(device.id(), w.explain(device.id()).trail());
    w.assumed(
        "device",
        "none of its own",
        "no protective device in the way feeds this transformer alone");
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        TRANSFORMER_WITHOUT_ITS_OWN_DEVICE,
        "%s has no protective device of its own. Overloaded, a bare transformer cooks until it burns."
            .formatted(device.designation()),
        w.explain(device.id()).trail(),
        InsertBreaker.before(feed, study).stream().toList());
  }
}
