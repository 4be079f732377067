package nelvar.core.analysis.thermal;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Placed;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;

/// No part stands in warmer air than it may: the warm edge of the band where it stands, the plumes
/// of what is below it with it, against what its papers allow.
public final class PartWarm implements Rule {
  private static final Reason HOT = Reason.of("A part stands in warmer air than it may");

  @Override
  public String id() {
    return "thermal.part";
  }

  @Override
  public String asks() {
    return "No part stands in warmer air than it may.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(
        this,
        study,
        body -> body.fitting().most().isPresent() && body.surface().inside(),
        PartWarm::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var study = placed.study();
    var most = body.fitting().most().orElseThrow();
    var cabinet = CabinetAir.of(placed.cabinet(), study);
    var air = PartAir.of(body, cabinet, study);
    var w = Working.of("Air at " + body.name());
    w.use(new nelvar.core.trail.Explained<>(air.expected(), air.trail()));
    w.given("at most", most, body.part().name());
    var trail = w.explain(air.expected()).trail();
    if (air.upper().compareTo(most) <= 0) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        HOT,
        "%s stands in air of %s, up to %s with what the model may be off, and may stand in %s: it fails early. Move it lower or away from what warms it, or let heat out."
            .formatted(body.name(), air.expected(), air.upper(), most),
        trail,
        air.plume() > 0 ? placed.moved(there -> cool(there, cabinet, placed)) : List.of());
  }

  private static boolean cool(
      nelvar.core.analysis.space.Body there, CabinetAir cabinet, Placed placed) {
    var most = there.fitting().most().orElseThrow();
    return PartAir.of(there, cabinet, placed.study()).upper().compareTo(most) <= 0;
  }
}
