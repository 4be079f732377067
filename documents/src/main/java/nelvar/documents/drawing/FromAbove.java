package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.DoorCloses;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;

/// A cabinet seen from above, its door below: how deep everything is, what stands opposite what in
/// the door, and the circle the door's edge swings on.
final class FromAbove {
  private static final double SMALL = 11;

  private final Cabinet cabinet;
  private final List<Body> bodies;
  private final Optional<Id> selected;
  private final double x;
  private final double y;
  private final double scale;

  /// @param x of the left wall, px
  /// @param y of the back wall
  FromAbove(
      Cabinet cabinet,
      nelvar.core.analysis.Study study,
      Optional<Id> selected,
      double x,
      double y,
      double scale) {
    this.cabinet = cabinet;
    this.bodies = Bodies.of(study).in(cabinet);
    this.selected = selected;
    this.x = x;
    this.y = y;
    this.scale = scale;
  }

  /// How high it gets for each pixel of a millimetre: the cabinet, and the door half open.
  static double mm(Shell shell) {
    return Box.mm(shell.depth()) + 0.55 * Box.mm(shell.width());
  }

  List<Shape> draw() {
    var shapes = new ArrayList<Shape>();
    var shell = cabinet.shell();
    var width = Box.mm(shell.width()) * scale;
    var depth = Box.mm(shell.depth()) * scale;
    var plate = Box.mm(Shell.BEHIND_PLATE) * scale;
    shapes.add(
        Shape.rectangle(
            x,
            y,
            width,
            depth,
            Optional.of(Ink.CARD),
            Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, 1.2))));
    shapes.add(
        Shape.line(
            x + inset(),
            y + plate,
            x + width - inset(),
            y + plate,
            Shape.Pen.of(Ink.TEXT_SOFT, 2)));
    for (var body : bodies)
      if (body.surface() == Surface.PLATE && !body.later()) onPlate(body, shapes, plate);
    for (var body : bodies)
      if (body.surface() == Surface.DOOR && !body.later()) inDoor(body, shapes, depth);
    shapes.add(Shape.line(x, y + depth, x + width, y + depth, Shape.Pen.of(Ink.TEXT_SOFT, 2)));
    swing(shapes, width, depth);
    return shapes;
  }

  private double inset() {
    return Box.mm(Shell.AROUND_PLATE) / 2 * scale;
  }

  private void onPlate(Body body, List<Shape> shapes, double plate) {
    if (body.depth().isEmpty()) return;
    shapes.add(
        Shape.rectangle(
            x + inset() + body.box().left() * scale,
            y + plate,
            body.box().width() * scale,
            body.depth().get() * scale,
            Optional.of(fill(body, Ink.PAPER)),
            Optional.of(Shape.Pen.of(ink(body), 0.7))));
  }

  private void inDoor(Body body, List<Shape> shapes, double depth) {
    if (body.depth().isEmpty()) return;
    var high = body.depth().get() * scale;
    shapes.add(
        Shape.rectangle(
            x + body.box().left() * scale,
            y + depth - high,
            body.box().width() * scale,
            high,
            Optional.of(fill(body, Ink.DUCT)),
            Optional.of(Shape.Pen.of(ink(body), 1))));
  }

  private Ink fill(Body body, Ink usual) {
    return selected.filter(body.id()::equals).isPresent() ? Ink.ACCENT_SOFT : usual;
  }

  private Ink ink(Body body) {
    return selected.filter(body.id()::equals).isPresent() ? Ink.ACCENT : Ink.TEXT_SOFT;
  }

  /// The door on its way out, to half a right angle, and the ways of its edge and of the far corner
  /// of what is selected in it.
  private void swing(List<Shape> shapes, double width, double depth) {
    var hinge = cabinet.shell().hinge();
    if (hinge.isEmpty() || hinge.get() == Shell.Side.TOP) return;
    var left = hinge.get() == Shell.Side.LEFT;
    var from = left ? x : x + width;
    arc(shapes, from, y + depth, width, left, new Shape.Pen(Ink.TEXT_FAINT, 0.9, 3));
    shapes.add(Shape.circle(from, y + depth, 3, Optional.of(Ink.TEXT_SOFT), Optional.empty()));
    for (var body : bodies)
      if (body.surface() == Surface.DOOR
          && body.depth().isPresent()
          && selected.filter(body.id()::equals).isPresent()) {
        var radius = DoorCloses.radius(body, cabinet.shell());
        var inside = Math.asin(Math.min(1, body.depth().get() / radius));
        corner(shapes, from, y + depth, radius * scale, left, inside);
        shapes.add(
            Shape.text(
                x,
                y + depth + 14,
                "%s swings to %.0f mm".formatted(body.name(), radius),
                Face.TEXT,
                SMALL,
                Ink.TEXT));
      }
  }

  private static void arc(
      List<Shape> shapes, double cx, double cy, double radius, boolean left, Shape.Pen pen) {
    turn(shapes, cx, cy, radius, left, 0, Math.PI / 5, pen);
  }

  private static void corner(
      List<Shape> shapes, double cx, double cy, double radius, boolean left, double inside) {
    turn(shapes, cx, cy, radius, left, -inside, 0.12, Shape.Pen.of(Ink.ACCENT, 1.2));
  }

  private static void turn(
      List<Shape> shapes,
      double cx,
      double cy,
      double radius,
      boolean left,
      double from,
      double to,
      Shape.Pen pen) {
    var steps = 14;
    for (var i = 0; i < steps; i++) {
      var a = from + (to - from) * i / steps;
      var b = from + (to - from) * (i + 1) / steps;
      var side = left ? 1 : -1;
      shapes.add(
          Shape.line(
              cx + side * radius * Math.cos(a),
              cy + radius * Math.sin(a),
              cx + side * radius * Math.cos(b),
              cy + radius * Math.sin(b),
              pen));
    }
  }
}
