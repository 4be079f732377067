package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.AxisMeasured;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.AxisStretch;
import nelvar.core.analysis.motion.Mechanics;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.model.Device;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// One axis: its chain from pulse to load, the sum that makes one unit one, the switches of its
/// drive as one sees them, what each microstep gives, and torque against speed. Units are pixels.
public final class MotionPicture {
  private static final double GAP = MotionSheet.EDGE;
  private static final double BOX = ChainRow.BOX;
  private static final double SMALL = MotionSheet.SMALL;

  /// Share of the width that switches and microsteps have; where they begin.
  private static final double LEFT = 0.37;

  private static final double LOWER = 152;

  /// What a servo drive is usually set to, for comparison.
  private static final List<Integer> PULSES =
      List.of(500, 1000, 2000, 2500, 4000, 5000, 8000, 10_000);

  private final MotionAxis axis;
  private final double width;
  private final double height;
  private final MotionSheet sheet = new MotionSheet();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private MotionPicture(MotionAxis axis, double width, double height) {
    this.axis = axis;
    this.width = width;
    this.height = height;
  }

  /// @param stretch its ends, drawn below where they are known
  public static Drawing of(MotionAxis axis, AxisStretch stretch, double width, double height) {
    var picture = new MotionPicture(axis, width, height);
    picture.chain();
    picture.sum();
    var switches = new SwitchFace(axis, picture.sheet, width * LEFT);
    switches.draw(GAP, LOWER);
    picture.microsteps(GAP, LOWER + switches.height());
    var below = stretch.known() ? StretchFace.HEIGHT : 0;
    TorqueChart.draw(axis, picture.sheet, width * 0.40, LOWER, width, height - below);
    if (stretch.known())
      new StretchFace(stretch, picture.sheet).draw(width * 0.40, height - below, width - GAP - 12);
    return new Drawing(width, height, picture.sheet.shapes(), picture.spots);
  }

  private void chain() {
    ChainRow.draw(sheet, spots, links(), width);
  }

  private List<ChainRow.Link> links() {
    var all = new ArrayList<ChainRow.Link>();
    var micro = axis.settings().microsteps().map(AxisSettings.Entered::text);
    var speed = axis.wants().speed();
    var rate =
        axis.settings()
            .microsteps()
            .flatMap(AxisSettings.Entered::value)
            .flatMap(m -> speed.flatMap(v -> AxisSteps.rate(axis, m, v)));
    if (!axis.board().id().equals(axis.drive().id()))
      all.add(
          device(
              axis.board(),
              axis.step().map(link -> ":" + link.pin().name()).orElse(""),
              rate.map(f -> f + " asked").orElse("pulses"),
              axis.greatestRate().map(f -> "of " + f + " at most").orElse("greatest not stated"),
              Ink.DC_LOW));
    all.add(
        device(
            axis.drive(),
            "",
            micro
                .map(m -> m + (axis.servo().isPresent() ? " pulses a turn" : " microsteps"))
                .orElse(axis.divides().toLowerCase(java.util.Locale.ROOT) + " not set"),
            axis.servo().isPresent()
                ? ""
                : axis.set().map(i -> i + " set").orElse("current not set"),
            Ink.DC_LOW));
    all.add(
        device(
            axis.motor(),
            "",
            axis.servo().isPresent()
                ? axis.servo()
                    .flatMap(m -> m.stated().encoderLines())
                    .map(n -> 4 * n + " counts a turn")
                    .orElse("servo")
                : axis.fullSteps() + " steps a turn",
            axis.rated()
                + axis.servo()
                    .flatMap(m -> m.torque())
                    .or(() -> axis.stated().holding())
                    .map(t -> ", " + t)
                    .orElse(""),
            Ink.MOTOR));
    for (var words : axis.mechanics().words()) {
      var cut = words.split("[,:] ", 2);
      all.add(
          new ChainRow.Link(
              Optional.empty(), cut[0], cut.length > 1 ? cut[1] : "", travel(words), Ink.MOTOR));
    }
    if (axis.mechanics().perTurn().isEmpty())
      all.add(
          new ChainRow.Link(
              axis.function().map(f -> f.id()),
              "what it moves",
              "is not said",
              "screw, belt, rack, drum …",
              Ink.WARNING));
    else
      all.add(
          new ChainRow.Link(
              axis.function().map(f -> f.id()),
              axis.name(),
              speed.map(Measure::toString).orElse("speed not said"),
              axis.mass().map(m -> m + " moved").orElse(""),
              Ink.MOTOR));
    return all;
  }

  private String travel(String words) {
    return words.startsWith("gear")
        ? ""
        : axis.mechanics()
            .perTurn()
            .filter(_ -> axis.mechanics().unit() != Mechanics.Unit.DEGREE)
            .map(s -> Significant.plain(s, "mm") + " a turn")
            .orElse("");
  }

  private static ChainRow.Link device(
      Device device, String more, String first, String second, Ink ink) {
    return new ChainRow.Link(
        Optional.of(device.id()), device.designation().text() + more, first, second, ink);
  }

  /// `200 · 8 · 3/120 mm = 40 steps/mm`.
  private void sum() {
    var y = GAP + BOX + 10;
    var computed = AxisSteps.computed(axis);
    sheet.add(
        Shape.rectangle(
            GAP,
            y,
            width - 2 * GAP,
            34,
            Optional.of(computed.isPresent() ? Ink.DC_HIGH_SOFT : Ink.WARNING_SOFT),
            Optional.empty()));
    if (computed.isEmpty()) {
      sheet.text(
          GAP + 12,
          y + 22,
          axis.mechanics().perTurn().isEmpty()
              ? "What one turn moves is not said: say it below, " + Mechanics.ACCEPTED
              : "Set the %s of %s to know its steps."
                  .formatted(
                      axis.divides().toLowerCase(java.util.Locale.ROOT),
                      axis.drive().designation()),
          Face.TEXT,
          13,
          Ink.TEXT,
          width - 2 * GAP - 24);
      return;
    }
    var k = computed.get().value();
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value).orElseThrow();
    var mechanics = axis.mechanics();
    var sum =
        "%s%s%s ÷ %s%s%s = %s"
            .formatted(
                axis.servo().isPresent() ? "" : axis.fullSteps() + " · ",
                Significant.digits(micro),
                mechanics.ratio() == 1 ? "" : " · " + Significant.digits(mechanics.ratio()),
                Significant.plain(
                    mechanics.perTurn().orElseThrow(),
                    mechanics.unit() == Mechanics.Unit.DEGREE ? "°" : "mm"),
                mechanics.unit() == Mechanics.Unit.INCH ? " · 25.4" : "",
                AxisMeasured.of(axis)
                    .filter(AxisMeasured::corrects)
                    .map(m ->
                        " · " + AxisSteps.typed(Math.round(m.factor() * 1e4) / 1e4) + " measured")
                    .orElse(""),
                AxisSteps.words(axis, k));
    sheet.text(GAP + 12, y + 22, sum, Face.BOLD, 14, Ink.TEXT, width * 0.55);
    var step = AxisSteps.step(axis, micro).orElseThrow();
    var says =
        "one pulse %s%s"
            .formatted(
                Significant.plain(step, mechanics.unit() == Mechanics.Unit.DEGREE ? "°" : "mm"),
                axis.wants().resolution().map(r -> "; " + r + " wanted").orElse(""));
    sheet.add(
        Shape.text(
            width - GAP - 12,
            y + 22,
            Faces.fit(says, Face.TEXT, 13, width * 0.36),
            Face.TEXT,
            13,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
  }

  /// What each setting of the drive gives.
  private void microsteps(double x, double y) {
    var most = width * LEFT;
    var servo = axis.servo().isPresent();
    var has = servo ? PULSES : axis.settable().microsteps();
    if (has.isEmpty() || axis.mechanics().perTurn().isEmpty()) return;
    var unit = axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°" : "mm";
    var columns = new double[] {x + 4, x + most * 0.30, x + most * 0.62};
    sheet.text(
        columns[0], y, servo ? "pulses a turn" : "microsteps", Face.TEXT, SMALL, Ink.TEXT_SOFT, 90);
    sheet.text(columns[1], y, "one pulse, " + unit, Face.TEXT, SMALL, Ink.TEXT_SOFT, 120);
    sheet.text(columns[2], y, "pulses at speed", Face.TEXT, SMALL, Ink.TEXT_SOFT, 120);
    var now = axis.settings().microsteps().flatMap(AxisSettings.Entered::value).orElse(0.0);
    var row = y;
    for (var micro : has) {
      row += 18;
      if (row > height - 4) break;
      if (micro.doubleValue() == now)
        sheet.add(
            Shape.rectangle(
                x - 4, row - 14, most, 18, Optional.of(Ink.ACCENT_SOFT), Optional.empty()));
      var face = micro.doubleValue() == now ? Face.BOLD : Face.TEXT;
      sheet.text(columns[0], row, String.valueOf(micro), face, 13, Ink.TEXT, 60);
      sheet.text(
          columns[1],
          row,
          AxisSteps.step(axis, micro).map(Significant::digits).orElse(""),
          face,
          13,
          Ink.TEXT,
          120);
      var rate = axis.wants().speed().flatMap(v -> AxisSteps.rate(axis, micro, v));
      var tooFast =
          rate.isPresent()
              && axis.greatestRate().filter(f -> rate.get().compareTo(f) > 0).isPresent();
      sheet.text(
          columns[2],
          row,
          rate.map(f -> f + (tooFast ? ", too fast" : "")).orElse("speed not said"),
          face,
          13,
          tooFast ? Ink.ERROR : Ink.TEXT,
          140);
    }
  }
}
