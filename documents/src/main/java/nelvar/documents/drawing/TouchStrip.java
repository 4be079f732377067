package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// The way of a current through a hand, from the line to earth, and beside it the protective
/// conductor that carries the rest.
final class TouchStrip {
  static final double HEIGHT = 148;

  private static final double BOX = 34;
  private static final double TOP = 30;
  private static final double UNDER = 84;
  private static final double GAP = 22;

  private final Touch touch;
  private final double width;
  private final double y;
  private final List<Shape> shapes;

  private TouchStrip(Touch touch, double width, double y, List<Shape> shapes) {
    this.touch = touch;
    this.width = width;
    this.y = y;
    this.shapes = shapes;
  }

  static void draw(Touch touch, double width, double y, List<Shape> shapes) {
    new TouchStrip(touch, width, y, shapes).draw();
  }

  private record Box(String head, String value, boolean bad) {}

  private void draw() {
    shapes.add(
        Shape.text(
            4,
            y + 14,
            "A hand on %s, a line against it inside".formatted(touch.name()),
            Face.SEMIBOLD,
            14,
            Ink.TEXT));
    var volts = touch.joined() ? touch.faultVolts() : Optional.of(touch.inside());
    var hand = touch.handWithFault();
    var bad = touch.faulty() == Touch.Grade.DEADLY;
    var chain =
        List.of(
            new Box("line", touch.known() ? touch.inside().toString() : "not known", false),
            new Box(
                "fault",
                (touch.joined() ? touch.fault() : hand).map(Current::toString).orElse("not known"),
                false),
            new Box(touch.name(), volts.map(Voltage::toString).orElse("not known"), bad),
            new Box("hand", hand.map(Current::toString).orElse("not known"), bad),
            new Box("earth", "0 V", false));
    var wide = (width - 8 - (chain.size() - 1) * GAP) / chain.size();
    for (var n = 0; n < chain.size(); n++) {
      var x = 4 + n * (wide + GAP);
      box(chain.get(n), x, y + TOP, wide);
      if (n > 0) arrow(x - GAP, y + TOP + BOX / 2, x, pen(n >= 3 ? bad : false));
    }
    under(wide);
    var says = new ArrayList<String>();
    says.add(
        touch.joined()
            ? touch.opens().map(t -> "off in " + t).orElse("nothing known switches it off")
            : "nothing switches it off: nobody sees the fault");
    says.add("of 5 people in 100, dry, hand to hand (IEC 60479-1, from memory)");
    shapes.add(
        Shape.text(
            4,
            y + HEIGHT - 10,
            Faces.fit(String.join("; ", says) + ".", Face.TEXT, 12, width - 8),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
  }

  /// From the body down and along to earth: the protective conductor, or the gap where there is
  /// none.
  private void under(double wide) {
    var from = 4 + 2 * (wide + GAP) + wide / 2;
    var to = 4 + 4 * (wide + GAP) + wide / 2;
    var low = y + UNDER + 14;
    var joined = touch.joined();
    var pen = new Shape.Pen(joined ? Ink.EARTH : Ink.ERROR, 2, joined ? 0 : 4);
    shapes.add(Shape.line(from, y + TOP + BOX, from, low, pen));
    shapes.add(Shape.line(from, low, to, low, pen));
    shapes.add(Shape.line(to, low, to, y + TOP + BOX, pen));
    var words =
        joined
            ? "protective conductor"
                + touch.way().map(r -> ", " + r).orElse("")
                + touch.fault().map(i -> ", carries " + i).orElse("")
            : "no protective conductor: all of it goes through the hand";
    shapes.add(
        Shape.text(
            from + 8,
            low + 16,
            Faces.fit(words, Face.TEXT, 12, width - from - 12),
            Face.TEXT,
            12,
            joined ? Ink.TEXT : Ink.ERROR));
  }

  private static Shape.Pen pen(boolean bad) {
    return new Shape.Pen(bad ? Ink.ERROR : Ink.TEXT_SOFT, 1.5, 0);
  }

  private void box(Box box, double x, double top, double wide) {
    shapes.add(
        Shape.rounded(
            x,
            top,
            wide,
            BOX,
            4,
            Optional.of(box.bad() ? Ink.ERROR_SOFT : Ink.CARD),
            Optional.of(new Shape.Pen(box.bad() ? Ink.ERROR : Ink.LINE, 1, 0))));
    shapes.add(
        Shape.text(
            x + 8,
            top + 14,
            Faces.fit(box.head(), Face.TEXT, 12, wide - 12),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            x + 8,
            top + 28,
            Faces.fit(box.value(), Face.SEMIBOLD, 13, wide - 12),
            Face.SEMIBOLD,
            13,
            box.bad() ? Ink.ERROR : Ink.TEXT));
  }

  private void arrow(double x1, double y1, double x2, Shape.Pen pen) {
    shapes.add(Shape.line(x1 + 2, y1, x2 - 2, y1, pen));
    shapes.add(
        Shape.polygon(
            Optional.of(pen.ink()), Optional.empty(), x2 - 2, y1, x2 - 8, y1 - 4, x2 - 8, y1 + 4));
  }
}
