package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;

/// In which order one wires, so that nothing laid earlier is in the way: what stays on the plate
/// while that still lies on the bench, then to door and walls, cables last. Within that protective
/// conductors and thick ones first: they are stiff and lie on the floor of the ducts; then from the
/// upper left of the plate to the lower right. Common practice.
public final class WiringOrder {
  /// Where a wire is laid.
  public enum Stage {
    PLATE("on the plate"),
    DOOR("to door and walls"),
    MACHINE("on the machine"),
    OUTSIDE("cables and what leaves");

    private final String words;

    Stage(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// A wire, or a cable with all its cores at once.
  ///
  /// @param wires one; of a cable its cores
  public record Step(Stage stage, Id id, Designation label, List<Conductor> wires, boolean done) {
    public Step {
      wires = List.copyOf(wires);
    }

    public boolean cable() {
      return wires.getFirst().cable().isPresent();
    }
  }

  private WiringOrder() {}

  public static List<Step> of(Study study) {
    return study.once(WiringOrder.class, () -> computed(study));
  }

  private static List<Step> computed(Study study) {
    var all = new ArrayList<Step>();
    var cables = new HashSet<Id>();
    for (var wire : study.project().conductors()) {
      if (wire.plugged()) continue;
      var cable = study.cable(wire);
      if (cable.isEmpty())
        all.add(
            new Step(
                stage(wire, study),
                wire.id(),
                wire.label(),
                List.of(wire),
                wire.done().isPresent()));
      else if (cables.add(cable.get().id()))
        all.add(
            new Step(
                Stage.OUTSIDE,
                cable.get().id(),
                cable.get().label(),
                study.cores(cable.get().id()),
                cable.get().done().isPresent()));
    }
    all.sort(
        Comparator.comparing(Step::stage)
            .thenComparing(step -> step.wires().getFirst().carriesWork())
            .thenComparing((Step step) ->
                step.wires().getFirst().section().map(a -> -a.squareMillimetres()).orElse(0.0))
            .thenComparingDouble(step -> place(step, study, true))
            .thenComparingDouble(step -> place(step, study, false))
            .thenComparing(Step::label));
    return List.copyOf(all);
  }

  private static Stage stage(Conductor wire, Study study) {
    var from = inside(wire.from(), study);
    var to = inside(wire.to(), study);
    if (!from && !to) return Stage.MACHINE;
    if (from != to) return Stage.OUTSIDE;
    return onPlate(wire.from(), study) && onPlate(wire.to(), study) ? Stage.PLATE : Stage.DOOR;
  }

  /// Where nothing is laid out, what is meant for the door is there.
  private static boolean onPlate(TerminalRef end, Study study) {
    return at(end, study)
        .map(body -> body.surface() == Surface.PLATE)
        .orElseGet(() -> study.device(end.device()).filter(d -> d.place() == Place.DOOR).isEmpty());
  }

  private static boolean inside(TerminalRef end, Study study) {
    return study.device(end.device()).filter(d -> d.place() != Place.MACHINE).isPresent();
  }

  private static Optional<Body> at(TerminalRef end, Study study) {
    return Bodies.of(study).of(end.device());
  }

  private static double place(Step step, Study study, boolean top) {
    return at(step.wires().getFirst().from(), study)
        .map(body -> top ? body.box().top() : body.box().left())
        .orElse(Double.MAX_VALUE);
  }
}
