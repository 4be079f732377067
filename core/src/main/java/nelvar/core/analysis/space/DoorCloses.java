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
/// the door does not meet what stands behind it, nor the frame as it swings out.
public final class DoorCloses implements Rule {
  private static final Reason DEEP = Reason.of("The door does not close over it");

  /// Seal and stiffeners of a door, mm (common practice).
  private static final double DOOR = 20;

  private static final Reason CATCHES = Reason.of("What is in the door catches the frame");

  /// What the frame takes of the opening opposite the hinge, mm (common practice).
  private static final double FRAME = 20;

  /// Between what stands in the door and what stands on the plate, mm (common practice).
  private static final double AIR = 10;

  @Override
  public String id() {
    return "space.door-closes";
  }

  @Override
  public String asks() {
    return "The door opens, and closes over everything.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Stream.concat(
        Placed.each(this, study, body -> body.surface() == Surface.PLATE, DoorCloses::judge),
        Placed.each(this, study, body -> body.surface() == Surface.DOOR, DoorCloses::swings));
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

  /// The far corner of what is mounted in a door runs on a circle about the hinge: where that is
  /// wider than the opening, it catches the frame before it is out.
  private static Verdict swings(Placed placed) {
    var body = placed.body();
    var shell = placed.cabinet().shell();
    if (shell.hinge().isEmpty())
      return new Verdict.NotChecked(body.id(), "the cabinet has no door");
    if (body.depth().isEmpty())
      return new Verdict.NotChecked(body.id(), "how deep it is is not known");
    var w = Working.of("Swing of " + body.name());
    var from = w.given("x", Length.ofMillimetres(far(body, shell)), "from hinge to far edge");
    var depth = w.given("d", Length.ofMillimetres(body.depth().get()), body.part().name());
    var radius = radius(body, shell);
    w.result("r", "√(x² + d²)", Length.ofMillimetres(radius));
    var opening = opening(shell);
    w.given("opening", Length.ofMillimetres(opening), "20 mm of frame opposite the hinge");
    var trail = w.explain(body.name()).trail();
    if (radius <= opening) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        placed.unlessAssumed(false),
        CATCHES,
        "%s in the door ends %.0f mm from the hinge and is %.0f mm deep: its corner swings to %.0f mm, and the frame leaves %.0f. It catches as the door opens."
                .formatted(body.name(), Box.mm(from), Box.mm(depth), radius, opening)
            + placed.measures(),
        trail,
        placed.moved(there -> opens(there, shell) && clear(there, placed)));
  }

  /// Whether something in the door passes the frame as it swings out.
  public static boolean opens(Body there, Shell shell) {
    return shell.hinge().isEmpty() || radius(there, shell) <= opening(shell);
  }

  /// Of the circle on which the far corner of something in the door swings about the hinge, mm.
  public static double radius(Body body, Shell shell) {
    return Math.hypot(far(body, shell), body.depth().orElse(0.0));
  }

  /// From the hinge to the far edge of something in the door, mm.
  private static double far(Body body, Shell shell) {
    return switch (shell.hinge().orElse(Shell.Side.LEFT)) {
      case LEFT -> body.box().right();
      case RIGHT -> Box.mm(shell.width()) - body.box().left();
      case TOP, BOTTOM -> body.box().bottom();
    };
  }

  /// From the hinge to the frame opposite, mm.
  private static double opening(Shell shell) {
    var whole =
        shell.hinge().filter(side -> side == Shell.Side.TOP).isPresent()
            ? shell.height()
            : shell.width();
    return Box.mm(whole) - FRAME;
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
