package nelvar.core.analysis.space;

import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;

/// Terminals stand near where their cables leave: in the half of the plate on that side (common
/// practice).
public final class FieldTerminals implements Rule {
  private static final Reason FAR = Reason.of("Terminals stand far from where their cables leave");

  @Override
  public String id() {
    return "space.field-terminals";
  }

  @Override
  public String asks() {
    return "Terminals stand near where their cables leave.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(
        this,
        study,
        body -> body.surface() == Surface.PLATE && PowerIn.field(body, study),
        FieldTerminals::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Place of " + body.name());
    var way = away(body, placed.cabinet());
    w.result(
        "away",
        "of the plate, from where cables leave (%s)"
            .formatted(placed.cabinet().shell().cables().words()),
        Percent.ofFraction(way));
    w.given("at most", Percent.ofFraction(HALF), "common practice");
    var trail = w.explain(body.name()).trail();
    if (way <= HALF) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.ADVICE,
        FAR,
        "Cables of the machine land on %s and leave at the %s: they cross the whole plate. Terminals belong beside where cables leave."
            .formatted(body.name(), placed.cabinet().shell().cables().words()),
        trail,
        placed.moved(there -> away(there, placed.cabinet()) <= HALF));
  }

  /// Of the plate, from the side cables leave at.
  public static final double HALF = 0.5;

  private static double away(Body body, Cabinet cabinet) {
    var plate = Fits.surface(cabinet, Surface.PLATE);
    return Math.clamp(
        switch (cabinet.shell().cables()) {
          case BOTTOM -> 1 - body.box().middleY() / plate.height();
          case TOP -> body.box().middleY() / plate.height();
          case LEFT -> body.box().middleX() / plate.width();
          case RIGHT -> 1 - body.box().middleX() / plate.width();
        },
        0,
        1);
  }
}
