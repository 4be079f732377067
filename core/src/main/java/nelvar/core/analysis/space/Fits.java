package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// Whether something has room where it stands: over nothing else, within its surface, with what it
/// wants free around it. One home for rules, the search for a free place, and dragging.
public final class Fits {
  private final Cabinet cabinet;
  private final List<Body> bodies;
  private final List<Obstacle> obstacles;
  private final List<Inside> solids;
  private final List<Standing> standing;

  /// What is in the way.
  ///
  /// @param name of what is there: `-K1`, `a duct`, `the edge of the plate`
  /// @param missing how much too little room there is, mm
  /// @param assumed whether the measures of what is in the way are assumed
  public record InTheWay(String name, Optional<Body> body, double missing, boolean assumed) {}

  private Fits(Cabinet cabinet, List<Body> bodies) {
    this.cabinet = cabinet;
    this.bodies = List.copyOf(bodies);
    this.obstacles =
        cabinet.ducts().stream().map(duct -> new Obstacle(duct.surface(), box(duct))).toList();
    this.standing =
        bodies.stream()
            .map(body -> new Standing(body.id(), body.surface(), body.box(), body.wanted()))
            .toList();
    var shell = cabinet.shell();
    this.solids =
        java.util.stream.Stream.concat(
                bodies.stream()
                    .flatMap(b -> Solid.of(b, shell).map(s -> new Inside(b.surface(), s)).stream()),
                cabinet.ducts().stream()
                    .flatMap(d -> Solid.of(d, shell).map(s -> new Inside(d.surface(), s)).stream()))
            .toList();
  }

  public static Fits in(Cabinet cabinet, Study study) {
    return new Fits(cabinet, Bodies.of(study).in(cabinet));
  }

  public static Fits in(Cabinet cabinet, List<Body> bodies) {
    return new Fits(cabinet, bodies);
  }

  public static Box surface(Cabinet cabinet, Surface surface) {
    var size = cabinet.shell().size(surface);
    return new Box(0, 0, Box.mm(size.width()), Box.mm(size.height()));
  }

  /// Where its air may be: over the edge of the plate, too.
  static Box air(Cabinet cabinet, Surface surface) {
    var box = surface(cabinet, surface);
    var around = surface == Surface.PLATE ? Box.mm(Shell.AROUND_PLATE) / 2 : 0;
    return box.grown(around, around, around, around);
  }

  public static Box box(Cabinet.Duct duct) {
    return new Box(
        Box.mm(duct.left()),
        Box.mm(duct.top()),
        Box.mm(duct.vertical() ? duct.width() : duct.length()),
        Box.mm(duct.vertical() ? duct.length() : duct.width()));
  }

  static Box box(Cabinet.Kept kept) {
    return Box.of(kept.left(), kept.top(), kept.width(), kept.height());
  }

  /// What it stands on, or beyond whose edge.
  public List<InTheWay> over(Body body) {
    var all = new ArrayList<InTheWay>();
    if (body.surface() == Surface.OUTSIDE) return all;
    if (!body.box().within(surface(cabinet, body.surface())))
      all.add(
          new InTheWay("the edge of the " + body.surface().words(), Optional.empty(), 0, false));
    for (var other : bodies)
      if (!other.id().equals(body.id())
          && other.surface() == body.surface()
          && other.box().overlaps(body.box()))
        all.add(
            new InTheWay(
                other.name() + (other.later() ? ", which comes later" : ""),
                Optional.of(other),
                Math.min(other.box().across(body.box()), other.box().along(body.box())),
                other.assumed()));
    for (var duct : cabinet.ducts())
      if (duct.surface() == body.surface() && box(duct).overlaps(body.box()))
        all.add(
            new InTheWay(
                "a duct",
                Optional.empty(),
                Math.min(box(duct).across(body.box()), box(duct).along(body.box())),
                false));
    for (var kept : cabinet.kept())
      if (kept.surface() == body.surface() && box(kept).overlaps(body.box()))
        all.add(new InTheWay("room kept for " + kept.name(), Optional.empty(), 0, false));
    elsewhere(body, all);
    return all;
  }

  /// What is mounted on another surface and comes as far.
  private void elsewhere(Body body, List<InTheWay> all) {
    var own = Solid.of(body, cabinet.shell());
    if (own.isEmpty()) return;
    for (var other : bodies)
      if (besides(body.surface(), other.surface())
          && Solid.of(other, cabinet.shell()).filter(own.get()::meets).isPresent())
        all.add(
            new InTheWay(
                other.name() + " on the " + other.surface().words(),
                Optional.of(other),
                0,
                other.assumed()));
    for (var duct : cabinet.ducts())
      if (besides(body.surface(), duct.surface())
          && Solid.of(duct, cabinet.shell()).filter(own.get()::meets).isPresent())
        all.add(
            new InTheWay("a duct on the " + duct.surface().words(), Optional.empty(), 0, false));
  }

  /// Surfaces whose things may meet; what is in the door meets what stands on the plate by a rule
  /// of its own, with air between them.
  private static boolean besides(Surface one, Surface other) {
    return one != other
        && !(one == Surface.PLATE && other == Surface.DOOR)
        && !(one == Surface.DOOR && other == Surface.PLATE);
  }

  /// What stands in the room it wants free, or lacks.
  public List<InTheWay> crowds(Body body) {
    var all = new ArrayList<InTheWay>();
    if (body.surface() == Surface.OUTSIDE) return all;
    var wanted = body.wanted();
    var air = air(cabinet, body.surface());
    if (body.box().within(surface(cabinet, body.surface())) && !wanted.within(air))
      all.add(
          new InTheWay(
              "the wall of the cabinet",
              Optional.empty(),
              Math.max(
                  Math.max(air.left() - wanted.left(), wanted.right() - air.right()),
                  Math.max(air.top() - wanted.top(), wanted.bottom() - air.bottom())),
              false));
    for (var other : bodies)
      if (!other.id().equals(body.id())
          && other.surface() == body.surface()
          && other.box().overlaps(wanted)
          && !other.box().overlaps(body.box()))
        all.add(
            new InTheWay(
                other.name(), Optional.of(other), missing(other.box(), wanted), other.assumed()));
    for (var duct : cabinet.ducts())
      if (duct.surface() == body.surface()
          && box(duct).overlaps(wanted)
          && !box(duct).overlaps(body.box()))
        all.add(new InTheWay("a duct", Optional.empty(), missing(box(duct), wanted), false));
    return all;
  }

  private static double missing(Box other, Box wanted) {
    return Math.min(other.across(wanted), other.along(wanted));
  }

  /// Whether nothing is in its way, it crowds nothing, and nothing crowds it.
  public boolean free(Body body) {
    return past(body, body.box().left(), body.box().top()) == body.box().left();
  }

  /// From where on, to the right of a place on its surface, what is first in the way there is in
  /// the way no more: the place itself where it is free, infinite where the row has none. Asked for
  /// thousands of places, it says nothing of what is in the way.
  double past(Body body, double left, double top) {
    if (body.surface() == Surface.OUTSIDE) return left;
    var box = body.box().movedTo(left, top);
    var wanted = body.room().around(box);
    var surface = surface(cabinet, body.surface());
    var air = air(cabinet, body.surface());
    if (!box.within(surface) || !wanted.within(air))
      return left < surface.left() || wanted.left() < air.left()
          ? Math.nextUp(left)
          : Double.POSITIVE_INFINITY;
    var aside = left - wanted.left();
    for (var other : standing)
      if (other.surface() == body.surface() && !other.id().equals(body.id())) {
        if (other.box().overlaps(wanted)) return beyond(left, other.box().right() + aside);
        if (other.wanted().overlaps(box)) return beyond(left, other.wanted().right());
      }
    for (var duct : obstacles)
      if (duct.surface() == body.surface() && duct.box().overlaps(wanted))
        return beyond(left, duct.box().right() + aside);
    for (var kept : cabinet.kept())
      if (kept.surface() == body.surface() && box(kept).overlaps(box))
        return beyond(left, box(kept).right());
    var own = Solid.of(body.movedTo(left, top), cabinet.shell());
    if (own.isPresent())
      for (var solid : solids)
        if (besides(body.surface(), solid.surface()) && solid.solid().meets(own.get()))
          return Math.nextUp(left);
    return left;
  }

  /// Edges may touch a little.
  private static double beyond(double left, double edge) {
    return Math.max(Math.nextUp(left), edge - Box.TOUCH);
  }

  private record Standing(Id id, Surface surface, Box box, Box wanted) {}

  private record Inside(Surface surface, Solid solid) {}

  private record Obstacle(Surface surface, Box box) {}
}
