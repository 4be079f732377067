package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.formula.Axis;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;

/// How far an axis went when it was told to go, as somebody measured it.
///
/// A setting of the controller for each length, *Measured =AX2 100* with the value `99.2 with 40
/// steps at 8`: what was entered then stands with it, so that it stays true when the steps are
/// changed. One length corrects the steps; two separate a wrong scale from an offset that is the
/// same each time (play, a worn edge of the rule). Common practice.
///
/// @param points by rising length
/// @param scale gone for one told, the offset left out
/// @param offset gone too far each time; not known of one length
/// @param factor on the steps its mechanics make
public record AxisMeasured(
    List<Point> points, double scale, Optional<Double> offset, double factor) {
  /// Beyond it the words about its mechanics are doubted, not corrected; common practice.
  public static final double MOST = 0.02;

  /// What names of measured lengths begin with, before the axis and the length.
  public static final String MEASURED = "Measured ";

  private static final Pattern VALUE =
      Pattern.compile(
          "(?i)([0-9]+(?:[.,][0-9]+)?)\\s*(?:mm|inch|in|°|deg)?\\s+with\\s+([0-9]+(?:[.,][0-9]+)?)\\s+steps\\s+at\\s+([0-9]+(?:[.,][0-9]+)?).*");

  /// @param told and @param went in the unit of the axis; @param steps and @param micro as entered
  public record Point(double told, double went, double steps, double micro) {}

  public AxisMeasured {
    points = List.copyOf(points);
  }

  /// Empty where nothing was measured, or what its mechanics make is not known.
  public static Optional<AxisMeasured> of(MotionAxis axis) {
    var points = points(axis);
    if (points.isEmpty()) return Optional.empty();
    var first = points.getFirst();
    var last = points.getLast();
    // Lengths measured with different steps are no line.
    var alike = first.steps() == last.steps() && first.micro() == last.micro();
    var line =
        alike
            ? Axis.line(first.told(), first.went(), last.told(), last.went())
            : Optional.<Axis.Line>empty();
    var scale = line.map(Axis.Line::scale).orElse(last.went() / last.told());
    return AxisSteps.computed(axis, last.micro())
        .map(made ->
            new AxisMeasured(
                points,
                scale,
                line.map(Axis.Line::offset),
                Axis.corrected(last.steps(), 1, scale) / made.value()));
  }

  private static List<Point> points(MotionAxis axis) {
    var all = new ArrayList<Point>();
    var begins = MEASURED + axis.name() + " ";
    for (var setting : axis.others()) {
      if (!setting.device().equals(axis.board().id())
          || !setting.name().regionMatches(true, 0, begins, 0, begins.length())) continue;
      var told = AxisSettings.number(setting.name().substring(begins.length()));
      var value = VALUE.matcher(setting.value().strip());
      if (told.isEmpty() || told.get() <= 0 || !value.matches()) continue;
      var point =
          new Point(
              told.get(), number(value.group(1)), number(value.group(2)), number(value.group(3)));
      if (point.went() > 0 && point.steps() > 0 && point.micro() > 0) all.add(point);
    }
    all.sort(Comparator.comparingDouble(Point::told));
    return all;
  }

  private static double number(@org.jspecify.annotations.Nullable String text) {
    return Double.parseDouble(String.valueOf(text).replace(',', '.'));
  }

  /// Whether it is near enough to what its mechanics make to be a correction of it.
  public boolean corrects() {
    return Math.abs(factor - 1) <= MOST;
  }

  /// Writes down how far it went; empty while its steps or microsteps are not entered.
  public static Optional<Edit> note(MotionAxis axis, double told, double went) {
    var steps = axis.settings().steps().flatMap(AxisSettings.Entered::value);
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    if (steps.isEmpty() || micro.isEmpty()) return Optional.empty();
    var perUnit =
        axis.settings().steps().filter(AxisSettings.Entered::perInch).isPresent()
                && axis.mechanics().unit() == Mechanics.Unit.MILLIMETRE
            ? steps.get() / Mechanics.Unit.INCH.own()
            : steps.get();
    return Optional.of(
        PinEdits.say(
            axis.board(),
            MEASURED + axis.name() + " " + AxisSteps.typed(told),
            "%s with %s steps at %s"
                .formatted(
                    AxisSteps.typed(went),
                    AxisSteps.typed(perUnit),
                    AxisSteps.typed(micro.get()))));
  }
}
