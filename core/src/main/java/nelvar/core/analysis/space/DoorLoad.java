package nelvar.core.analysis.space;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;

/// A door carries what is mounted in it. What a hinge bears says its maker; 15 kg for each square
/// metre of a steel door is taken (assumed, no published source), half of that for plastic and
/// wood.
public final class DoorLoad implements Rule {
  private static final Reason HEAVY = Reason.of("The door carries much");
  private static final double STEEL = 15;

  @Override
  public String id() {
    return "space.door-load";
  }

  @Override
  public String asks() {
    return "The door carries what is mounted in it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().hinge().isPresent())
        .filter(cabinet -> !onDoor(cabinet, study).isEmpty())
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static List<Body> onDoor(Cabinet cabinet, Study study) {
    return Bodies.of(study).in(cabinet).stream()
        .filter(body -> body.surface() == Surface.DOOR)
        .toList();
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var w = Working.of("Load of the door of " + cabinet.name());
    var sum = 0.0;
    for (var body : onDoor(cabinet, study)) {
      var mass = body.part().article().mass();
      if (mass.isEmpty())
        return new Verdict.NotChecked(
            cabinet.id(), "the mass of %s is not known".formatted(body.name()));
      sum += w.given("m" + body.name(), mass.get(), body.part().name()).value();
    }
    var shell = cabinet.shell();
    var area = shell.width().metres() * shell.height().metres();
    var bears = STEEL * area * (shell.housing().metal() ? 1 : 0.5);
    var mass = w.result("m", "sum", new Measure(sum, Measure.Unit.MASS));
    w.assumed("bears", new Measure(bears, Measure.Unit.MASS), "by its area; ask its maker");
    var trail = w.explain(mass).trail();
    if (sum <= bears) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.ADVICE,
        HEAVY,
        "The door of %s carries %s; a door of its size bears about %s. Ask its maker, or mount the heavy things inside."
            .formatted(cabinet.name(), mass, new Measure(bears, Measure.Unit.MASS)),
        trail,
        List.of());
  }
}
