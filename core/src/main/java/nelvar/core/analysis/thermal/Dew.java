package nelvar.core.analysis.thermal;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.catalogue.Heater;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;

/// A heater against dew keeps the inside 5 K above the room when nothing else warms it: `P = k · Ae
/// · 5 K` (common practice; how damp the air is nobody measures).
public final class Dew implements Rule {
  private static final Reason WEAK = Reason.of("The heater is too weak against dew");
  private static final double KELVIN = 5;

  @Override
  public String id() {
    return "thermal.dew";
  }

  @Override
  public String asks() {
    return "A heater against dew is strong enough.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().closed())
        .filter(cabinet -> !heaters(cabinet, study).isEmpty())
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static List<Body> heaters(Cabinet cabinet, Study study) {
    return Bodies.of(study).in(cabinet).stream()
        .filter(body -> !body.later() && body.part() instanceof Heater)
        .toList();
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var w = Working.of("Dew in " + cabinet.name());
    var shell = cabinet.shell();
    var area =
        w.result(
            "Ae",
            shell.stands().formula(),
            shell.stands().effectiveArea(shell.width(), shell.height(), shell.depth()));
    var k = w.table("k", Walls.of(shell.housing()), shell.housing().words());
    w.given(
        "ΔT",
        new Measure(KELVIN, Measure.Unit.TEMPERATURE_RISE),
        "above the room, common practice");
    var needed = w.result("P", "k · Ae · ΔT", new Power(k.value() * area.value() * KELVIN));
    var has =
        w.result(
            "Pheaters",
            "sum of its heaters",
            new Power(
                heaters(cabinet, study).stream()
                    .mapToDouble(body -> ((Heater) body.part()).power().watts())
                    .sum()));
    var trail = w.explain(needed).trail();
    if (has.compareTo(needed) >= 0) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.ADVICE,
        WEAK,
        "The heater of %s gives %s; to stay 5 K above the room, so that no dew falls on cold nights, the walls take %s. Take a stronger one, with a hygrostat."
            .formatted(cabinet.name(), has, needed),
        trail,
        List.of());
  }
}
