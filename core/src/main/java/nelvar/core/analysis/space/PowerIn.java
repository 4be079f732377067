package nelvar.core.analysis.space;

import java.util.Comparator;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Power enters at one end and the machine leaves at another: the mains inlet stands at an edge of
/// the plate, and 100 mm from terminals that cables of the machine land on (common practice).
public final class PowerIn implements Rule {
  private static final Reason AMONG = Reason.of("The mains enters among the machine's terminals");

  /// From edge to edge, mm.
  public static final double APART = 100;

  @Override
  public String id() {
    return "space.power-in";
  }

  @Override
  public String asks() {
    return "Power comes in at one end, the machine leaves at another.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(
        this,
        study,
        body -> body.part().mainsInlet() && body.surface() == Surface.PLATE,
        PowerIn::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Place of " + body.name());
    var nearest =
        placed
            .others()
            .filter(other -> other.surface() == Surface.PLATE && field(other, placed.study()))
            .min(Comparator.comparingDouble(other -> other.box().gap(body.box())));
    if (nearest.isEmpty()) {
      w.given("terminals", "none", "of the machine in this cabinet");
      return new Verdict.Pass(body.id(), w.explain(body.name()).trail());
    }
    var gap = nearest.get().box().gap(body.box());
    w.given("gap", Length.ofMillimetres(gap), "to " + nearest.get().name());
    w.given("at least", Length.ofMillimetres(APART), "common practice");
    var trail = w.explain(body.name()).trail();
    if (gap >= APART) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.ADVICE,
        AMONG,
        "%s brings the mains in %.0f mm from %s, where cables of the machine land: whoever works on those has live terminals beside the hand. Let power in at one end and the machine out at another."
            .formatted(body.name(), gap, nearest.get().name()),
        trail,
        placed.moved(there ->
            placed
                .others()
                .filter(o -> o.surface() == Surface.PLATE && field(o, placed.study()))
                .allMatch(o -> o.box().gap(there.box()) >= APART)));
  }

  /// Terminals and blocks of extra-low volts that cables of the machine land on.
  public static boolean field(Body body, Study study) {
    return body.device().filter(device -> field(device, body.part(), study)).isPresent();
  }

  /// The same of a device that is placed nowhere yet.
  public static boolean field(Device device, Part part, Study study) {
    if (part.links().stream().anyMatch(link -> link.kind() != Link.Kind.JOINED)) return false;
    if (!part.intakes(device.windings()).isEmpty() || !part.outputs().isEmpty()) return false;
    if (OnMains.of(study).devices().contains(device.id())) return false;
    return study.at(device.id()).stream()
        .anyMatch(wire ->
            Stream.of(wire.from(), wire.to())
                .filter(end -> !end.device().equals(device.id()))
                .flatMap(end -> study.device(end.device()).stream())
                .anyMatch(d -> d.place() == Place.MACHINE));
  }
}
