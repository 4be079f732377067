package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.AxisForces;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.formula.StepperTorque;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// Torque against speed: of a stepper what current and bus allow, with half the volts beside it; of
/// a servo what it gives for ever and for a moment. The wanted speed stands in it with what is
/// asked.
final class TorqueChart {
  private static final double SMALL = MotionSheet.SMALL;
  private static final double GAP = MotionSheet.EDGE;

  private final MotionAxis axis;
  private final MotionSheet sheet;
  private final double width;
  private final double height;

  private TorqueChart(MotionAxis axis, MotionSheet sheet, double width, double height) {
    this.axis = axis;
    this.sheet = sheet;
    this.width = width;
    this.height = height;
  }

  /// From x and y to the right and lower edge of the picture.
  static void draw(
      MotionAxis axis, MotionSheet sheet, double x, double y, double width, double height) {
    var chart = new TorqueChart(axis, sheet, width, height);
    if (axis.servo().isPresent()) chart.servo(x, y);
    else chart.curve(x, y);
  }

  /// Torque against the speed of the motor, with what another bus would give.
  private void curve(double x, double y) {
    var motor = AxisForces.motor(axis);
    sheet.text(
        x,
        y,
        "Torque of " + axis.motor().designation() + axis.bus().map(u -> " on " + u).orElse(""),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        width - x - GAP);
    sheet.text(
        x,
        y + 17,
        motor.isEmpty() || axis.bus().isEmpty()
            ? "Not drawn: "
                + (motor.isEmpty()
                    ? "torque, ohms and henries of the motor are not stated."
                    : "the volts of the drive are not known.")
            : "an estimate, ± 30 %; a stepper gives no warning before it loses steps",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        width - x - GAP);
    if (motor.isEmpty() || axis.bus().isEmpty()) return;
    chart(
        motor.get(),
        AxisForces.own(axis, axis.bus().get()),
        x + 34,
        y + 28,
        width - GAP - 12,
        height - 44);
  }

  private void chart(
      StepperTorque.Motor motor,
      Voltage bus,
      double left,
      double top,
      double right,
      double bottom) {
    var current = AxisForces.current(axis);
    var turns = axis.wants().speed().flatMap(v -> AxisSteps.turns(axis, v));
    var corner = StepperTorque.corner(motor, current, bus).value();
    var most = ChartGrid.nice(Math.max(4 * corner, 1.6 * turns.orElse(0.0)));
    var flat = StepperTorque.at(motor, current, bus, 0).value();
    var highest = ChartGrid.nice(1.25 * flat);
    var wide = right - left;
    var tall = bottom - top;
    var ends = new double[] {left, top, right, bottom, most, highest};
    ChartGrid.draw(sheet, ends, "rpm", "N·m");
    sheet.add(area(motor, bus, ends));
    sheet.add(line(motor, bus, ends, Shape.Pen.of(Ink.MOTOR, 2.5)));
    var half = new Voltage(bus.volts() / 2);
    sheet.add(line(motor, half, ends, new Shape.Pen(Ink.TEXT_SOFT, 1.2, 4)));
    var halfAt = 0.62 * most;
    sheet.text(
        left + wide * 0.62,
        bottom - tall * StepperTorque.at(motor, current, half, halfAt).value() / highest + 16,
        half + " would give this",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        wide * 0.36);
    turns.ifPresent(n -> wanted(motor, bus, n, ends));
  }

  /// What a servo gives for ever, and for a moment, up to its rated speed.
  private void servo(double x, double y) {
    var motor = axis.servo().orElseThrow();
    var lasting = motor.torque();
    var peak = motor.stated().peakTorque();
    sheet.text(
        x,
        y,
        "Torque of " + axis.motor().designation(),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        width - x - GAP);
    var known = lasting.isPresent() && peak.isPresent();
    sheet.text(
        x,
        y + 17,
        known
            ? "filled: for ever; dashed: for a moment, while it speeds up"
            : "Not drawn: its rated speed and its peak torque are not stated.",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        width - x - GAP);
    if (!known) return;
    var left = x + 34;
    var top = y + 28;
    var right = width - GAP - 12;
    var bottom = height - 44;
    var rated = motor.stated().ratedSpeed().orElseThrow().value();
    var turns = axis.wants().speed().flatMap(v -> AxisSteps.turns(axis, v));
    var most = ChartGrid.nice(Math.max(1.2 * rated, 1.2 * turns.orElse(0.0)));
    var highest = ChartGrid.nice(1.2 * peak.get().value());
    ChartGrid.draw(sheet, new double[] {left, top, right, bottom, most, highest}, "rpm", "N·m");
    var end = left + (right - left) * rated / most;
    var tall = bottom - top;
    var level = bottom - tall * lasting.get().value() / highest;
    sheet.add(
        Shape.rectangle(
            left,
            level,
            end - left,
            bottom - level,
            Optional.of(Ink.MOTOR_SOFT),
            Optional.of(Shape.Pen.of(Ink.MOTOR, 2))));
    var above = bottom - tall * peak.get().value() / highest;
    sheet.add(
        Shape.rectangle(
            left,
            above,
            end - left,
            bottom - above,
            Optional.empty(),
            Optional.of(new Shape.Pen(Ink.MOTOR, 1.5, 4))));
    turns.ifPresent(n ->
        marked(
            n,
            AxisForces.asked(axis)
                .map(a ->
                    "asked %s, %s while it speeds up"
                        .formatted(
                            new Measure(a.steady(), Measure.Unit.TORQUE),
                            new Measure(a.asked(), Measure.Unit.TORQUE)))
                .orElse("what is moved is not said"),
            new double[] {left, top, right, bottom, most, highest}));
  }

  private void wanted(StepperTorque.Motor motor, Voltage bus, double turns, double[] ends) {
    var gives = StepperTorque.at(motor, AxisForces.current(axis), bus, turns).value();
    marked(
        turns,
        AxisForces.asked(axis)
            .map(a ->
                "asked %s, reserve %s"
                    .formatted(
                        new Measure(a.asked(), Measure.Unit.TORQUE),
                        Significant.digits(gives / Math.max(1e-9, a.asked()))))
            .orElse("what is moved is not said"),
        ends);
  }

  /// The wanted speed with what is asked there.
  private void marked(double turns, String words, double[] ends) {
    var px = ends[0] + (ends[2] - ends[0]) * turns / ends[4];
    sheet.add(Shape.line(px, ends[1], px, ends[3], new Shape.Pen(Ink.ACCENT, 1.2, 4)));
    var tall = ends[3] - ends[1];
    AxisForces.asked(axis)
        .ifPresent(a ->
            sheet.add(
                Shape.circle(
                    px,
                    ends[3] - tall * Math.min(1, a.asked() / ends[5]),
                    4,
                    Optional.of(Ink.ACCENT),
                    Optional.empty())));
    // Above the curve, where nothing else stands, on the side that has more room.
    var leftwards = px > (ends[0] + ends[2]) / 2;
    var room = Math.max(px - ends[0], ends[2] - px) - 12;
    var lines = Faces.wrap(Significant.digits(turns) + " rpm: " + words, Face.BOLD, SMALL, room);
    for (var n = 0; n < lines.size(); n++)
      sheet.add(
          Shape.text(
              px + (leftwards ? -8 : 8),
              ends[1] + 16 + n * 15,
              lines.get(n),
              Face.BOLD,
              SMALL,
              Ink.TEXT,
              leftwards ? Shape.Anchor.END : Shape.Anchor.START));
  }

  private List<double[]> points(StepperTorque.Motor motor, Voltage bus, double[] ends) {
    var all = new ArrayList<double[]>();
    for (var n = 0; n <= 120; n++) {
      var rpm = ends[4] * n / 120;
      var torque = StepperTorque.at(motor, AxisForces.current(axis), bus, rpm).value();
      all.add(
          new double[] {
            ends[0] + (ends[2] - ends[0]) * n / 120,
            ends[3] - (ends[3] - ends[1]) * Math.min(1, torque / ends[5])
          });
    }
    return all;
  }

  private Shape line(StepperTorque.Motor motor, Voltage bus, double[] ends, Shape.Pen pen) {
    var steps = new ArrayList<Shape.Step>();
    for (var point : points(motor, bus, ends))
      steps.add(
          steps.isEmpty()
              ? new Shape.Step.Move(point[0], point[1])
              : new Shape.Step.Line(point[0], point[1]));
    return new Shape.Path(steps, Optional.empty(), Optional.of(pen));
  }

  private Shape area(StepperTorque.Motor motor, Voltage bus, double[] ends) {
    var steps = new ArrayList<Shape.Step>();
    steps.add(new Shape.Step.Move(ends[0], ends[3]));
    for (var point : points(motor, bus, ends)) steps.add(new Shape.Step.Line(point[0], point[1]));
    steps.add(new Shape.Step.Line(ends[2], ends[3]));
    steps.add(new Shape.Step.Close());
    return new Shape.Path(steps, Optional.of(Ink.MOTOR_SOFT), Optional.empty());
  }
}
