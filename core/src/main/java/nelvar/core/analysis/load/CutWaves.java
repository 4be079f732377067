package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.PhaseCutControl;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Behind a phase-cut control stands only what bears cut waves, and no more than it carries.
///
/// Motors with brushes and what heats bear them; electronics, transformers and induction motors do
/// not: they overheat, or take currents far above their nameplate. Common practice.
public final class CutWaves implements Rule {
  private static final Reason DOES_NOT_BEAR_IT = Reason.of("Does not bear a phase-cut control");
  private static final Reason TOO_MUCH = Reason.of("A phase-cut control carries more than it may");

  @Override
  public String id() {
    return "load.phase-cut";
  }

  @Override
  public String asks() {
    return "Behind every phase-cut control stands what bears it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .flatMap(feed -> controls(feed, study).map(control -> new Behind(feed, control)))
        .flatMap(
            Contained.one(
                this, behind -> behind.feed().device().id(), behind -> judge(behind, study)));
  }

  private record Behind(Feed feed, Device control) {}

  private static Stream<Device> controls(Feed feed, Study study) {
    return feed.lineWays().stream()
        .flatMap(List::stream)
        .flatMap(edge ->
            study.network().topology().edge(edge) instanceof Edge.Through(var device, _)
                    && study.part(device).orElse(null) instanceof PhaseCutControl
                ? Stream.of(device)
                : Stream.of())
        .distinct();
  }

  private static Verdict judge(Behind behind, Study study) {
    var device = behind.feed().device();
    var control = behind.control().designation();
    var bears = study.part(device).orElseThrow().bearsCutWaves();
    var w = Working.of("Behind " + control);
    var part = (PhaseCutControl) study.part(behind.control()).orElseThrow();
    var current = w.given("I", study.designCurrent(behind.feed()), device.designation().text());
    w.given("In", part.rating(), part.name());
    var trail = w.explain(current).trail();
    if (bears.isEmpty())
      return new Verdict.NotChecked(
          device.id(), "its data do not say whether it bears the cut waves of " + control);
    if (!bears.get())
      return finding(
          behind,
          DOES_NOT_BEAR_IT,
          "%s hangs on %s: its electronics or iron do not bear waves with pieces cut out. Feed it straight from the mains, or take a motor with brushes."
              .formatted(device.designation(), control),
          trail);
    if (total(behind, study).compareTo(part.rating()) > 0)
      return finding(
          behind,
          TOO_MUCH,
          "Behind %s flow %s; it carries %s."
              .formatted(control, total(behind, study), part.rating()),
          trail);
    return new Verdict.Pass(device.id(), trail);
  }

  private static Current total(Behind behind, Study study) {
    return new Current(
        study.network().feeds().stream()
            .filter(feed -> controls(feed, study).anyMatch(behind.control()::equals))
            .mapToDouble(feed -> study.designCurrent(feed).amperes())
            .sum());
  }

  private static Verdict finding(
      Behind behind, Reason reason, String text, nelvar.core.trail.Trail trail) {
    return new Verdict.Finding(
        behind.feed().device().id(), Severity.ERROR, reason, text, trail, List.of());
  }
}
