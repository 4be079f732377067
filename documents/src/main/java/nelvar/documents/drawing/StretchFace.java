package nelvar.documents.drawing;

import java.util.Optional;
import nelvar.core.analysis.motion.AxisStretch;
import nelvar.core.units.Significant;

/// An axis along its travel: hard stops, where its switch trips, how far it runs on from there, its
/// target, and where soft limits hold it. To scale where the far stop is known; else its low end.
final class StretchFace {
  /// What it needs of a picture's height.
  static final double HEIGHT = 74;

  private static final double SMALL = MotionSheet.SMALL;

  /// Shown beyond the switch where the far stop is not known, mm.
  private static final double BEYOND = 60;

  private final AxisStretch stretch;
  private final MotionSheet sheet;
  private double left;
  private double right;
  private double from;
  private double to;

  StretchFace(AxisStretch stretch, MotionSheet sheet) {
    this.stretch = stretch;
    this.sheet = sheet;
  }

  void draw(double x, double y, double end) {
    left = x;
    right = end;
    from = Math.min(stretch.low().orElse(stretch.trip()), stretch.trip()) - 1;
    to =
        stretch
            .high()
            .or(() -> stretch.soft().map(s -> s.greatest() + 5))
            .orElse(stretch.trip() + BEYOND);
    var middle = y + 36;
    sheet.text(
        x,
        y + 10,
        "Its travel, mm from zero"
            + stretch
                .stopping()
                .map(s -> ": stops within " + Significant.plain(s, "mm") + " of its switch")
                .orElse(""),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        end - x);
    sheet.add(Shape.line(at(from), middle, at(to), middle, Shape.Pen.of(Ink.TEXT_SOFT, 1.5)));
    stretch
        .soft()
        .ifPresent(soft ->
            sheet.add(
                Shape.rectangle(
                    at(soft.least()),
                    middle - 7,
                    at(soft.greatest()) - at(soft.least()),
                    14,
                    Optional.of(Ink.MOTOR_SOFT),
                    Optional.empty())));
    stretch.target().ifPresent(length -> target(length, middle));
    stretch.low().ifPresent(stop -> stop(stop, middle, -8));
    stretch.high().ifPresent(stop -> stop(stop, middle, 0));
    stretch
        .stopping()
        .ifPresent(s ->
            sheet.add(
                Shape.line(
                    at(stretch.trip()),
                    middle,
                    at(Math.max(from, stretch.trip() - s)),
                    middle,
                    Shape.Pen.of(Ink.ACCENT, 3))));
    sheet.add(
        Shape.line(
            at(stretch.trip()),
            middle - 13,
            at(stretch.trip()),
            middle + 13,
            Shape.Pen.of(Ink.ACCENT, 2)));
    labels(middle);
  }

  /// Metal before the switch, on the side it runs on to.
  private void target(double length, double middle) {
    var begins = at(Math.max(from, stretch.trip() - length));
    sheet.add(
        Shape.rectangle(
            begins,
            middle - 13,
            at(stretch.trip()) - begins,
            5,
            Optional.of(Ink.TEXT_FAINT),
            Optional.empty()));
  }

  private void stop(double where, double middle, double shift) {
    sheet.add(
        Shape.rectangle(
            at(where) + shift, middle - 13, 8, 26, Optional.of(Ink.TEXT), Optional.empty()));
  }

  private void labels(double middle) {
    var y = middle + 28;
    var last = at(stretch.trip());
    sheet.middle(
        last, y, "trips " + Significant.digits(stretch.trip()), Face.TEXT, SMALL, Ink.TEXT, 90);
    stretch
        .soft()
        .ifPresent(soft ->
            sheet.middle(
                (at(soft.least()) + at(soft.greatest())) / 2,
                y,
                "soft limits %s to %s"
                    .formatted(
                        Significant.digits(soft.least()), Significant.digits(soft.greatest())),
                Face.TEXT,
                SMALL,
                Ink.TEXT,
                200));
    stretch
        .high()
        .ifPresent(stop ->
            sheet.add(
                Shape.text(
                    right,
                    y,
                    "stop " + Significant.digits(stop),
                    Face.TEXT,
                    SMALL,
                    Ink.TEXT_SOFT,
                    Shape.Anchor.END)));
  }

  private double at(double millimetres) {
    return left + 8 + (right - left - 8) * (millimetres - from) / Math.max(1e-9, to - from);
  }
}
