package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.DialedMotor;
import nelvar.core.units.Current;

/// A motor on the mains with the dial of what protects it, drawn as one sees it: its range, where
/// it has to stand, and where it stands. Units are pixels.
public final class DialPicture {
  private static final double GAP = MotionSheet.EDGE;

  /// A dial turns over three quarters of a circle, its gap below.
  private static final double FROM = 225;

  private static final double OVER = 270;
  private static final double RADIUS = 92;
  private static final int MARKS = 10;

  private final DialedMotor dialed;
  private final MotionSheet sheet = new MotionSheet();
  private final double x;
  private final double y;

  private DialPicture(DialedMotor dialed, double x, double y) {
    this.dialed = dialed;
    this.x = x;
    this.y = y;
  }

  public static Drawing of(DialedMotor dialed, double width, double height) {
    var picture = new DialPicture(dialed, width * 0.26, 290);
    var spots = new ArrayList<Drawing.Spot>();
    ChainRow.draw(picture.sheet, spots, picture.links(), width);
    picture.dial();
    picture.words(width * 0.5, width - GAP);
    return new Drawing(width, height, picture.sheet.shapes(), spots);
  }

  private List<ChainRow.Link> links() {
    var motor = dialed.motor();
    return List.of(
        new ChainRow.Link(
            Optional.of(dialed.protector().id()),
            dialed.protector().designation().text(),
            dialed.dial().least() + " to " + dialed.dial().greatest(),
            dialed.protector().trip().map(i -> i + " set").orElse("not said what it is set to"),
            Ink.MAINS),
        new ChainRow.Link(
            Optional.of(motor.id()),
            motor.designation().text(),
            dialed.part().power().toString(),
            dialed.current() + ", " + motor.windings().name().toLowerCase(java.util.Locale.ROOT),
            Ink.MOTOR),
        new ChainRow.Link(
            dialed.function().map(f -> f.id()),
            dialed.name(),
            "on the mains",
            "one speed",
            Ink.MOTOR));
  }

  private void dial() {
    sheet.text(
        GAP,
        152,
        dialed.protector().designation() + ": its dial as one sees it",
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        320);
    sheet.add(
        Shape.circle(
            x, y, RADIUS, Optional.of(Ink.TEXT_SOFT), Optional.of(Shape.Pen.of(Ink.TEXT, 2))));
    sheet.add(Shape.circle(x, y, RADIUS * 0.55, Optional.of(Ink.CARD), Optional.empty()));
    for (var n = 0; n <= MARKS; n++) {
      var share = (double) n / MARKS;
      mark(share, RADIUS * 0.86, RADIUS, Ink.CARD, n % 5 == 0 ? 3 : 1.5);
    }
    mark(share(dialed.current()), RADIUS * 0.6, RADIUS + 10, Ink.SETTLED, 3);
    dialed.protector().trip().ifPresent(set -> mark(share(set), 0, RADIUS * 0.55, Ink.TEXT, 5));
    label(0, dialed.dial().least().toString());
    label(1, dialed.dial().greatest().toString());
  }

  private double share(Current current) {
    var least = dialed.dial().least().amperes();
    var greatest = dialed.dial().greatest().amperes();
    return Math.max(0, Math.min(1, (current.amperes() - least) / (greatest - least)));
  }

  private static double radians(double share) {
    return Math.toRadians(FROM - OVER * share);
  }

  private void mark(double share, double from, double to, Ink ink, double wide) {
    var angle = radians(share);
    sheet.add(
        Shape.line(
            x + from * Math.cos(angle),
            y - from * Math.sin(angle),
            x + to * Math.cos(angle),
            y - to * Math.sin(angle),
            Shape.Pen.of(ink, wide)));
  }

  private void label(double share, String text) {
    var angle = radians(share);
    sheet.middle(
        x + (RADIUS + 22) * Math.cos(angle),
        y - (RADIUS + 22) * Math.sin(angle) + 12,
        text,
        Face.TEXT,
        13,
        Ink.TEXT,
        80);
  }

  private void words(double left, double right) {
    var set = dialed.protector().trip();
    var within = dialed.dial().contains(dialed.current());
    var lines =
        List.of(
            "To stand at %s, the nameplate of %s (green)"
                .formatted(dialed.current(), dialed.motor().designation()),
            set.map(i -> "Stands at " + i + " (black)").orElse("Where it stands is not said"),
            within
                ? "Its range holds that current."
                : "Its range does not hold that current: another is needed.",
            "After it tripped: let the motor cool, find out why, then by hand.",
            "The linking of the motor decides its current: star and delta differ by 1.73.");
    for (var n = 0; n < lines.size(); n++)
      sheet.text(
          left,
          200 + n * 24,
          lines.get(n),
          n == 0 ? Face.BOLD : Face.TEXT,
          n == 0 ? 14 : 13,
          n == 2 && !within ? Ink.ERROR : Ink.TEXT,
          right - left);
  }
}
