package nelvar.core.analysis.motion;

import java.util.Optional;
import nelvar.core.formula.Axis;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// Pulses of one unit and what follows: the size of a step, the rate at the speed that is wanted,
/// the speed at the rate that is possible.
///
/// `k = N · m · i/s` with `N` full steps a turn, `m` microsteps, `i` turns of the motor for one of
/// what moves the load, `s` its travel a turn. Common practice; any one of them follows from the
/// others.
public final class AxisSteps {
  private AxisSteps() {}

  /// Pulses of one of the axis' own units, with microsteps as set on the drive, and as a measured
  /// travel corrects them; empty where the mechanics or the microsteps are not known.
  public static Optional<Explained<Double>> computed(MotionAxis axis) {
    var made =
        axis.settings()
            .microsteps()
            .flatMap(AxisSettings.Entered::value)
            .flatMap(micro -> computed(axis, micro));
    var measured = AxisMeasured.of(axis).filter(AxisMeasured::corrects);
    if (made.isEmpty() || measured.isEmpty()) return made;
    var w = Working.of("Steps of " + axis.name());
    w.use(made.get());
    for (var point : measured.get().points())
      w.given(
          "told " + plain(point.told()),
          "%s %s".formatted(typed(point.went()), axis.mechanics().unit().sign()),
          "measured, with " + words(axis, point.steps()));
    measured
        .get()
        .offset()
        .ifPresent(off ->
            w.given(
                "offset",
                Significant.plain(off, axis.mechanics().unit().sign()),
                "the same each time, no matter of steps"));
    var k = made.get().value() * measured.get().factor();
    w.result("k", "k · told/gone", words(axis, k));
    return Optional.of(w.explain(k));
  }

  /// The same with other microsteps.
  public static Optional<Explained<Double>> computed(MotionAxis axis, double micro) {
    var mechanics = axis.mechanics();
    return mechanics
        .perTurn()
        .map(travel -> {
          var w = Working.of("Steps of " + axis.name());
          var full = (double) axis.fullSteps();
          if (axis.servo().isPresent()) w.given("N", plain(full), "turn of a servo");
          else if (axis.stated().fullSteps().isPresent())
            w.given("N", plain(full), "full steps a turn, " + axis.motor().designation());
          else w.assumed("N", plain(full), "full steps a turn, the commonest: 1.8° a step");
          w.given(
              "m",
              plain(micro),
              axis.divides().toLowerCase(java.util.Locale.ROOT)
                  + ", "
                  + axis.drive().designation());
          w.given("i", plain(mechanics.ratio()), "turns of the motor for one");
          w.given(
              "s",
              Significant.plain(travel, mechanics.unit() == Mechanics.Unit.DEGREE ? "°" : "mm"),
              String.join(", ", mechanics.words()));
          var own = mechanics.unit().own();
          var k = Axis.perUnit(full, micro, mechanics.ratio(), travel) * own;
          w.result("k", own == 1 ? "N · m · i/s" : "N · m · i/s · 25.4", words(axis, k));
          return w.explain(k);
        });
  }

  /// `40 steps/mm`, with as many digits as are typed.
  public static String words(MotionAxis axis, double perUnit) {
    return "%s steps/%s".formatted(typed(perUnit), axis.mechanics().unit().sign());
  }

  /// As it is to be typed: enough digits that nothing is lost over the longest travel.
  public static String typed(double steps) {
    return java.math.BigDecimal.valueOf(steps)
        .round(new java.math.MathContext(9))
        .stripTrailingZeros()
        .toPlainString();
  }

  private static String plain(double value) {
    return Significant.digits(value);
  }

  /// What one pulse moves, in mm or degrees.
  public static Optional<Double> step(MotionAxis axis, double micro) {
    return axis.mechanics()
        .perTurn()
        .map(travel -> 1 / Axis.perUnit(axis.fullSteps(), micro, axis.mechanics().ratio(), travel));
  }

  /// Pulses a second at a speed of the load; a speed of turning is one of what moves it.
  public static Optional<Frequency> rate(MotionAxis axis, double micro, Measure speed) {
    return turns(axis, speed).map(rpm -> new Frequency(rpm / 60 * axis.fullSteps() * micro));
  }

  /// Speed of the motor, rpm, at a speed of the load.
  public static Optional<Double> turns(MotionAxis axis, Measure speed) {
    var mechanics = axis.mechanics();
    if (speed.unit() == Measure.Unit.ROTATION)
      return Optional.of(speed.value() * mechanics.ratio());
    if (speed.unit() != Measure.Unit.FEED || mechanics.unit() == Mechanics.Unit.DEGREE)
      return Optional.empty();
    return mechanics.perMotorTurn().map(travel -> speed.value() / travel);
  }

  /// Speed of the load at a speed of the motor, in mm/min or °/min.
  public static Optional<Double> speed(MotionAxis axis, double rpm) {
    return axis.mechanics().perMotorTurn().map(travel -> rpm * travel);
  }

  /// The rate that is used at most.
  public static Optional<Frequency> usable(MotionAxis axis) {
    return axis.greatestRate().map(Axis::usableRate);
  }

  /// The fastest the pulses allow, in mm/min or °/min.
  public static Optional<Double> fastest(MotionAxis axis, double micro) {
    return usable(axis)
        .flatMap(rate -> speed(axis, rate.hertz() * 60 / (axis.fullSteps() * micro)));
  }

  /// The fewest microsteps of the drive that reach the wanted resolution, with a doubling kept in
  /// reserve where it has one; empty where nothing is wanted or the drive states none.
  ///
  /// @param needed what would just do; @param next of the drive; @param reserve twice that, if any
  public record Wanted(double needed, Optional<Integer> next, Optional<Integer> reserve) {}

  public static Optional<Wanted> wanted(MotionAxis axis) {
    var resolution = axis.wants().resolution().map(Length::metres).map(m -> m * 1000);
    var whole = step(axis, 1);
    if (axis.servo().isPresent()
        || resolution.isEmpty()
        || whole.isEmpty()
        || axis.mechanics().unit() == Mechanics.Unit.DEGREE) return Optional.empty();
    var needed = Math.max(1, whole.get() / resolution.get());
    var next = axis.settable().atLeast(needed);
    var reserve = next.flatMap(n -> axis.settable().atLeast(2.0 * n));
    return Optional.of(new Wanted(needed, next, reserve));
  }
}
