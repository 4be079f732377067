package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// The door closes: what stands on the plate is not deeper than the cabinet, and what is mounted in
/// the door does not meet what stands behind it.
public final class DoorCloses implements Rule {
  private static final Reason DEEP = Reason.of("The door does not close over it");

  /// Seal and stiffeners of a door, mm (common practice).
  private static final double DOOR = 20;

  /// Between what stands in the door and what stands on the plate, mm (common practice).
  private static final double AIR = 10;

  @Override
  public String id() {
    return "space.door-closes";
  }

  @Override
  public String asks() {
    return "The door closes over everything.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, body -> body.surface() == Surface.PLATE, DoorCloses::judge);
  }

  /// From the plate to the inside of the door, mm.
  public static double deep(Shell shell) {
    return Box.mm(shell.depth()) - Box.mm(Shell.BEHIND_PLATE) - DOOR;
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    if (placed.cabinet().shell().closed() && body.depth().isEmpty())
      return new Verdict.NotChecked(body.id(), "how deep it is is not known");
    var w = Working.of("Depth at " + body.name());
    if (!placed.cabinet().shell().closed()) {
      w.given("door", "none", "an open shelf");
      return new Verdict.Pass(body.id(), w.explain(body.name()).trail());
    }
    var deep =
        w.given(
            "room",
            Length.ofMillimetres(Math.max(0, deep(placed.cabinet().shell()))),
            "plate to door");
    var own =
        w.given("depth", Length.ofMillimetres(body.depth().orElseThrow()), body.part().name());
    var opposite = opposite(placed);
    opposite.ifPresent(other ->
        w.given(
            "opposite",
            Length.ofMillimetres(other.depth().orElse(0.0)),
            other.name() + " in the door"));
    var needed = Box.mm(own) + opposite.flatMap(Body::depth).map(d -> d + AIR).orElse(0.0);
    w.result("needed", "depth + opposite + 10 mm of air", Length.ofMillimetres(needed));
    var trail = w.explain(own).trail();
    if (needed <= Box.mm(deep)) return new Verdict.Pass(body.id(), trail);
    var text =
        opposite
            .map(other ->
                "%s and %s in the door need %.0f mm together and have %.0f: the door does not close."
                    .formatted(body.name(), other.name(), needed, Box.mm(deep)))
            .orElseGet(() ->
                "%s is %.0f mm deep, and between plate and door there are %.0f: the door does not close."
                    .formatted(body.name(), Box.mm(own), Box.mm(deep)));
    return new Verdict.Finding(
        body.id(),
        placed.unlessAssumed(opposite.filter(Body::assumed).isPresent()),
        DEEP,
        text + placed.measures(),
        trail,
        opposite.isEmpty()
            ? java.util.List.of()
            : java.util.stream.Stream.concat(
                    placed.moved(opposite.get(), there -> clear(there, placed)).stream(),
                    placed.moved(there -> behind(there, opposite.get()) <= 0).stream())
                .toList());
  }

  private static boolean clear(Body there, Placed placed) {
    return clear(there, placed.cabinet(), Bodies.of(placed.study()).in(placed.cabinet()));
  }

  /// Whether something in the door meets nothing on the plate there.
  public static boolean clear(Body there, Cabinet cabinet, List<Body> bodies) {
    var deep = deep(cabinet.shell());
    return bodies.stream()
        .filter(other -> other.surface() == Surface.PLATE && behind(other, there) > 0)
        .allMatch(other -> other.depth().orElse(0.0) + there.depth().orElse(0.0) + AIR <= deep);
  }

  /// How far a body on the plate stands behind one in the door, sideways or up and down, whichever
  /// is less; none where they pass.
  private static double behind(Body onPlate, Body inDoor) {
    var aside = Box.mm(Shell.AROUND_PLATE) / 2;
    var seen = onPlate.box().movedTo(onPlate.box().left() + aside, onPlate.box().top() + aside);
    return Math.min(seen.across(inDoor.box()), seen.along(inDoor.box()));
  }

  private static Optional<Body> opposite(Placed placed) {
    return placed
        .others()
        .filter(other -> other.surface() == Surface.DOOR && other.depth().isPresent())
        .filter(other -> behind(placed.body(), other) > 0)
        .max(java.util.Comparator.comparingDouble(other -> other.depth().orElse(0.0)));
  }
}
