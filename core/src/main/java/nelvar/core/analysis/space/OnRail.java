package nelvar.core.analysis.space;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// What clips on a rail has one behind it along its whole width. Whether a device that belongs in a
/// cabinet is placed at all is said, too.
public final class OnRail implements Rule {
  private static final Reason FLOATS = Reason.of("A rail part hangs in the air");

  @Override
  public String id() {
    return "space.on-rail";
  }

  @Override
  public String asks() {
    return "Rail parts sit on a rail, and everything has a place.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    if (study.project().layout().cabinets().isEmpty()) return Stream.empty();
    return Stream.concat(
        Placed.each(
            this,
            study,
            body -> body.onRail() && body.surface() != nelvar.core.model.Surface.OUTSIDE,
            OnRail::judge),
        Bodies.of(study).waiting().stream()
            .flatMap(Contained.one(this, Device::id, device -> waits(device, study))));
  }

  private static Verdict waits(Device device, Study study) {
    return new Verdict.NotChecked(
        device.id(),
        Bodies.size(device, study).isEmpty()
            ? "it is placed nowhere, and its size is not known: measure its width and height"
            : "it is placed nowhere yet");
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Rail of " + body.name());
    w.given("from", Length.ofMillimetres(Math.max(0, body.box().left())), "left edge");
    w.given("to", Length.ofMillimetres(Math.max(0, body.box().right())), "right edge");
    var rail = RoomLeft.railUnder(body, placed.cabinet());
    w.given("rail", rail.map(r -> r.id().text()).orElse("none"), "behind it");
    var trail = w.explain(body.name()).trail();
    if (rail.isPresent()) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        FLOATS,
        "%s clips on a rail, and behind it there is none over its whole width: it would hang in the air."
            .formatted(body.name()),
        trail,
        placed.moved(there -> RoomLeft.railUnder(there, placed.cabinet()).isPresent()));
  }
}
