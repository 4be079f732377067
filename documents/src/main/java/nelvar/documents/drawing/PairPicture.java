package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Lays;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Shielding;
import nelvar.core.analysis.interference.WayIn;
import nelvar.core.model.Cable.Ending;

/// The cut through what disturbs and what hears it where the most gets in: how far apart, how high
/// over metal, in what, with which shields. Where they lie nowhere together, what joins them
/// instead.
///
/// Distances are to one scale; what is thinner than can be seen is drawn as thick as can be.
public final class PairPicture {
  /// px.
  public static final double HIGH = 92;

  private static final double FLOOR = HIGH - 14;
  private static final double TOP = 30;
  private static final double LEAST = 4.5;
  private static final double MOST = 12;
  private static final double SMALL = 11;

  private final Pair pair;
  private final boolean shielded;
  private final double width;
  private final List<Shape> shapes = new ArrayList<>();

  private PairPicture(Pair pair, boolean shielded, double width) {
    this.pair = pair;
    this.shielded = shielded;
    this.width = width;
  }

  public static Drawing of(Pair pair, Study study, double width) {
    var picture = new PairPicture(pair, pair.emitter().shielded(study), width);
    pair.apart().ifPresentOrElse(picture::cut, picture::chain);
    return new Drawing(width, HIGH, picture.shapes, List.of());
  }

  private void cut(Pair.Place place) {
    var a = place.emitter();
    var b = place.receiver();
    var highest = Math.max(a.height() + a.thick() / 2, b.height() + b.thick() / 2);
    var scale =
        Math.min((width - 260) / place.apart(), (FLOOR - TOP - MOST) / Math.max(highest, 1e-3));
    var apart = Math.max(place.apart() * scale, radius(a, scale) + radius(b, scale) + 1);
    var left = (width - apart) / 2;
    var before = Math.max(42, beside(pair.emitter().label()));
    var behind = Math.max(42, beside(pair.receiver().label()));
    if (a.bundle().id().equals(b.bundle().id()))
      box(
          left - before,
          before + apart + behind,
          a.bundle().name(),
          pair.fixed() ? left + apart / 2 : -1);
    else {
      box(left - before, before + 30, a.bundle().name(), -1);
      box(left + apart - 30, 30 + behind, b.bundle().name(), -1);
    }
    metal();
    wire(left, a, scale, Ink.MOTOR, Optional.empty(), pair.emitter().label(), Shape.Anchor.END);
    wire(
        left + apart,
        b,
        scale,
        Ink.DC_LOW,
        Optional.of(pair.receiver().shield()),
        pair.receiver().label(),
        Shape.Anchor.START);
    measure(left, left + apart, place);
    label(
        4,
        FLOOR - 4,
        "%s over metal".formatted(millimetres(b.height())),
        Ink.TEXT_SOFT,
        Shape.Anchor.START);
    label(
        width - 4,
        FLOOR - 4,
        String.format(Locale.ROOT, "%.2f m long", pair.beside()),
        Ink.TEXT_SOFT,
        Shape.Anchor.END);
  }

  /// What a name takes beside its wire.
  private static double beside(String name) {
    return Math.min(110, Faces.width(name, Face.MONO, 12)) + MOST + 14;
  }

  private static double radius(Lays.Lies of, double scale) {
    return Math.clamp(of.thick() / 2 * scale, LEAST, MOST);
  }

  private void box(double x, double wide, String name, double divider) {
    var left = Math.max(2, x);
    var right = Math.min(width - 2, x + wide);
    var pen = Shape.Pen.of(Ink.TEXT_FAINT, 1.2);
    shapes.add(Shape.line(left, TOP, left, FLOOR, pen));
    shapes.add(Shape.line(right, TOP, right, FLOOR, pen));
    shapes.add(Shape.line(left, FLOOR, right, FLOOR, pen));
    if (divider > 0) shapes.add(Shape.line(divider, TOP, divider, FLOOR, pen));
    label(
        (left + right) / 2,
        10,
        Faces.fit(name, Face.TEXT, SMALL, Math.max(90, right - left)),
        Ink.TEXT_SOFT,
        Shape.Anchor.MIDDLE);
  }

  private void metal() {
    var pen = Shape.Pen.of(Ink.TEXT_SOFT, 2);
    shapes.add(Shape.line(2, FLOOR + 6, width - 2, FLOOR + 6, pen));
    for (var x = 8.0; x < width - 4; x += 12)
      shapes.add(Shape.line(x, FLOOR + 7, x - 5, FLOOR + 12, Shape.Pen.of(Ink.TEXT_FAINT, 0.8)));
  }

  private void wire(
      double x,
      Lays.Lies lies,
      double scale,
      Ink ink,
      Optional<Shielding> shield,
      String name,
      Shape.Anchor anchor) {
    var r = radius(lies, scale);
    var y = Math.max(TOP + r, FLOOR - Math.max(lies.height() * scale, r));
    shapes.add(Shape.circle(x, y, r, Optional.of(ink.soft()), Optional.of(Shape.Pen.of(ink, 1.4))));
    var open =
        shield
            .filter(Shielding::there)
            .map(s -> s.from() == Ending.OPEN || s.to() == Ending.OPEN)
            .orElse(pair.emitter().outside() >= 1);
    if (shield.map(Shielding::there).orElse(shielded))
      shapes.add(
          Shape.circle(
              x,
              y,
              r + 3,
              Optional.empty(),
              Optional.of(open ? new Shape.Pen(ink, 1.4, 3) : Shape.Pen.of(ink, 1.4))));
    if (lies.turns() > 0) {
      shapes.add(Shape.circle(x - r / 2.4, y, r / 2.6, Optional.of(ink), Optional.empty()));
      shapes.add(Shape.circle(x + r / 2.4, y, r / 2.6, Optional.of(ink), Optional.empty()));
    }
    var side = anchor == Shape.Anchor.END ? -1 : 1;
    shapes.add(
        Shape.text(
            x + side * (r + 7),
            y + 4,
            Faces.fit(name, Face.MONO, 12, 110),
            Face.MONO,
            12,
            Ink.TEXT,
            anchor));
  }

  private void measure(double from, double to, Pair.Place place) {
    var guessed =
        !pair.fixed() && place.emitter().bundle().id().equals(place.receiver().bundle().id());
    var y = TOP - 6;
    var pen = Shape.Pen.of(Ink.ACCENT, 1);
    shapes.add(Shape.line(from, y, to, y, pen));
    for (var x : new double[] {from, to}) shapes.add(Shape.line(x, y - 3, x, y + 4, pen));
    label(
        to + 8,
        y + 4,
        millimetres(place.apart()) + (guessed ? ", taken as touching" : ""),
        Ink.ACCENT,
        Shape.Anchor.START);
  }

  private static String millimetres(double metres) {
    return String.format(Locale.ROOT, "%.0f mm", metres * 1000);
  }

  /// What disturbs, what both share, what hears.
  private void chain() {
    var between =
        pair.volts().containsKey(WayIn.SHARED)
            ? "shared way back"
            : pair.volts().containsKey(WayIn.EARTH) ? "earth and shield" : "nothing";
    var wide = (width - 60) / 3;
    var names = List.of(pair.emitter().label(), between, pair.receiver().label());
    for (var n = 0; n < names.size(); n++) {
      var x = 4 + n * (wide + 26);
      shapes.add(
          Shape.rounded(
              x,
              34,
              wide,
              26,
              4,
              Optional.of(Ink.CARD),
              Optional.of(
                  n == 1 ? new Shape.Pen(Ink.ERROR, 1.4, 4) : Shape.Pen.of(Ink.TEXT_FAINT, 1.2))));
      var face = n == 1 ? Face.TEXT : Face.MONO;
      shapes.add(
          Shape.text(
              x + wide / 2,
              51,
              Faces.fit(names.get(n), face, 12, wide - 8),
              face,
              12,
              Ink.TEXT,
              Shape.Anchor.MIDDLE));
      if (n > 0) shapes.add(Shape.line(x - 26, 47, x, 47, Shape.Pen.of(Ink.TEXT_FAINT, 1.2)));
    }
    label(4, 16, "They lie nowhere beside each other.", Ink.TEXT_SOFT, Shape.Anchor.START);
  }

  private void label(double x, double y, String words, Ink ink, Shape.Anchor anchor) {
    shapes.add(Shape.text(x, y, words, Face.TEXT, SMALL, ink, anchor));
  }
}
