package nelvar.core.analysis.thermal;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.trail.Working;

/// What a cabinet with a fan gets when the fan stops or its filter clogs: nobody sees either until
/// something fails.
public final class CoolingLost implements Rule {
  private static final Reason LOST = Reason.of("Without its fan the cabinet gets too warm");

  @Override
  public String id() {
    return "thermal.cooling-lost";
  }

  @Override
  public String asks() {
    return "A clogged filter or a stopped fan cooks nothing.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().closed())
        .filter(cabinet ->
            Bodies.of(study).in(cabinet).stream()
                .anyMatch(body -> !body.later() && Cooling.cools(body)))
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var w = Working.of("Cooling lost in " + cabinet.name());
    var now = w.given("Ttop", CabinetAir.of(cabinet, study).hottest(), "as designed");
    w.given(
        "Tclogged",
        CabinetAir.of(cabinet, study, CabinetAir.Trouble.CLOGGED).hottest(),
        "filter clogged: 30 % of what the fan moves in free air");
    var stopped =
        w.given(
            "Tstopped",
            CabinetAir.of(cabinet, study, CabinetAir.Trouble.STOPPED).hottest(),
            "fan stopped: walls alone");
    var limit =
        w.given("Tdesign", study.project().brief().surroundings().inside(), "inside, in the Brief");
    var trail = w.explain(now).trail();
    if (stopped.compareTo(limit) <= 0) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.ADVICE,
        LOST,
        "When the fan of %s stops it gets %s at the top, and everything is sized for %s. Have it watched: a thermostat that tells the controller, and a date for changing the filter."
            .formatted(cabinet.name(), stopped, limit),
        trail,
        List.of());
  }
}
