package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.runs.Carriers;
import nelvar.core.model.Bundle;
import nelvar.core.units.Length;

/// A carrier from its side, to scale: where it is fixed, and its loop with the moving end at both
/// ends of the travel, the nearer one drawn through. Lying, whichever way it is built in; its words
/// say which. Units are pixels.
public final class CarrierPicture {
  private static final double MARGIN = 14;
  private static final double SMALL = 11;

  /// Of its loop with the room around it, at the most.
  private static final double HIGHEST = 90;

  /// Of a quarter of a circle by one curve.
  private static final double ROUND = 0.5523;

  private final Bundle.Carrier carrier;
  private final double travel;
  private final double radius;
  private final double thick;
  private final double off;
  private final double pitch;
  private double scale = 1;
  private double middle;
  private double floor;
  private final List<Shape> shapes = new ArrayList<>();

  private CarrierPicture(Bundle.Carrier carrier) {
    this.carrier = carrier;
    travel = mm(carrier.travel());
    radius = mm(carrier.bendRadius());
    thick = Math.max(2, mm(carrier.outerHeight()));
    off = mm(carrier.fixedOff());
    pitch = mm(carrier.pitch());
  }

  private static double mm(Length length) {
    return length.metres() * 1000;
  }

  /// Empty for what is no carrier whose movement is said.
  public static Optional<Drawing> of(Bundle bundle, double width) {
    return Carriers.of(bundle).map(carrier -> new CarrierPicture(carrier).draw(width));
  }

  private Drawing draw(double width) {
    var left = Math.max(travel / 2, off) + thick;
    var right = bend(travel / 2) + radius + thick / 2;
    var high =
        Math.max(
            mm(Carriers.rest(carrier).value()), carrier.room().map(CarrierPicture::mm).orElse(0.0));
    scale = Math.min(HIGHEST / high, (width - 2 * MARGIN) / (left + right));
    middle = MARGIN + left * scale;
    floor = MARGIN + 14 + high * scale + thick / 2 * scale;
    carrier
        .room()
        .ifPresent(room -> {
          var struck = Carriers.rest(carrier).value().compareTo(room) > 0;
          var y = floor - (mm(room) - thick / 2) * scale;
          shapes.add(
              Shape.line(
                  MARGIN,
                  y,
                  MARGIN + (left + right) * scale,
                  y,
                  new Shape.Pen(struck ? Ink.ERROR : Ink.TEXT_SOFT, 1, 4)));
          shapes.add(
              Shape.text(
                  MARGIN,
                  y - 3,
                  "free to here, " + room,
                  Face.TEXT,
                  SMALL,
                  struck ? Ink.ERROR : Ink.TEXT_SOFT));
        });
    loop(-travel / 2, new Shape.Pen(Ink.LINE, Math.max(1.5, thick * scale * 0.5), 5));
    loop(travel / 2, Shape.Pen.of(Ink.FILLED, Math.max(2, thick * scale * 0.8)));
    end(travel / 2, 2 * radius, Ink.ACCENT);
    end(-off, 0, Ink.TEXT);
    var y = floor + thick * scale + 14;
    shapes.add(
        Shape.text(x(-off), y, "fixed", Face.TEXT, SMALL, Ink.TEXT_SOFT, Shape.Anchor.MIDDLE));
    shapes.add(
        Shape.line(x(-travel / 2), y + 8, x(travel / 2), y + 8, Shape.Pen.of(Ink.ACCENT, 1.4)));
    for (var at : new double[] {-travel / 2, travel / 2})
      shapes.add(Shape.line(x(at), y + 4, x(at), y + 12, Shape.Pen.of(Ink.ACCENT, 1.4)));
    shapes.add(
        Shape.text(
            x(0),
            y + 24,
            "travel " + carrier.travel(),
            Face.TEXT,
            SMALL,
            Ink.TEXT_SOFT,
            Shape.Anchor.MIDDLE));
    return new Drawing(
        Math.min(width, 2 * MARGIN + (left + right) * scale), y + 32, shapes, List.of());
  }

  private double x(double along) {
    return middle + along * scale;
  }

  private double y(double up) {
    return floor - up * scale;
  }

  /// The middle of the bend while the moving end is there: what the chain is longer than its bend
  /// is shared by both runs.
  double bend(double moving) {
    return (travel / 2 + off + 2 * pitch - off + moving) / 2;
  }

  private void loop(double moving, Shape.Pen pen) {
    var at = bend(moving);
    var r = radius;
    var k = ROUND * r;
    shapes.add(
        new Shape.Path(
            List.of(
                new Shape.Step.Move(x(-off), y(0)),
                new Shape.Step.Line(x(at), y(0)),
                new Shape.Step.Curve(x(at + k), y(0), x(at + r), y(r - k), x(at + r), y(r)),
                new Shape.Step.Curve(x(at + r), y(r + k), x(at + k), y(2 * r), x(at), y(2 * r)),
                new Shape.Step.Line(x(moving), y(2 * r))),
            Optional.empty(),
            Optional.of(pen)));
  }

  private void end(double along, double up, Ink ink) {
    shapes.add(
        Shape.circle(
            x(along), y(up), Math.max(3, thick * scale * 0.5), Optional.of(ink), Optional.empty()));
  }
}
