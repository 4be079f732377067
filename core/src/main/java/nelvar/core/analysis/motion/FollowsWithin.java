package nelvar.core.analysis.motion;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Driving;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// A servo may lag behind what it is told by more than it does at its fastest, else its drive gives
/// up in the middle of a rapid move.
///
/// `v/Kv`: without speed fed forward. *Position gain* (1/s) and *Following limit* (mm) are settings
/// of the drive; 30 1/s where no gain is said, common practice.
public final class FollowsWithin implements Rule {
  private static final Reason TRIPS = Reason.of("A servo gives up at its fastest");

  /// Names of the settings.
  public static final String GAIN = "Position gain";

  public static final String LIMIT = "Following limit";

  /// Of small servos as they are shipped, 1/s; common practice.
  private static final double USUAL_GAIN = 30;

  /// The limit against the lag; common practice.
  private static final double ROOM = 2;

  @Override
  public String id() {
    return "motion.following";
  }

  @Override
  public String asks() {
    return "Every servo may lag by more than it does at its fastest.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.servo().isPresent() && said(axis, LIMIT).isPresent())
        .flatMap(Contained.many(this, axis -> axis.motor().id(), axis -> judge(axis).stream()));
  }

  private static Optional<Double> said(MotionAxis axis, String name) {
    return axis.others().stream()
        .filter(s -> s.device().equals(axis.drive().id()) && s.name().equalsIgnoreCase(name))
        .findFirst()
        .flatMap(s -> AxisSettings.number(s.value()));
  }

  /// What it lags at its fastest, mm; empty where no speed is wanted.
  static Optional<Double> lag(MotionAxis axis) {
    return axis.wants()
        .speed()
        .filter(v -> v.unit() == Measure.Unit.FEED)
        .map(v -> Driving.lag(v.value() / 60, gain(axis)));
  }

  static double gain(MotionAxis axis) {
    return said(axis, GAIN).filter(k -> k > 0).orElse(USUAL_GAIN);
  }

  /// A limit that leaves room, mm.
  static Optional<Double> limit(MotionAxis axis) {
    return lag(axis).map(lag -> Math.ceil(ROOM * lag));
  }

  static boolean enough(MotionAxis axis, String entered) {
    return AxisSettings.number(entered).isPresent()
        && lag(axis).filter(lag -> AxisSettings.number(entered).get() > lag).isPresent();
  }

  private static Optional<Verdict> judge(MotionAxis axis) {
    var lag = lag(axis);
    if (lag.isEmpty()) return Optional.empty();
    var limit = said(axis, LIMIT).orElseThrow();
    var w = Working.of("Following error of " + axis.motor().designation());
    w.given("v", axis.wants().speed().orElseThrow(), "fastest");
    if (said(axis, GAIN).isPresent())
      w.given("Kv", Significant.plain(gain(axis), "1/s"), axis.drive().designation().text());
    else w.assumed("Kv", Significant.plain(gain(axis), "1/s"), "gain of its position loop");
    w.result("lag", "v/Kv", Significant.plain(lag.get(), "mm"));
    w.given("limit", Significant.plain(limit, "mm"), "entered");
    var trail = w.explain(lag.get()).trail();
    if (limit > lag.get()) return Optional.of(new Verdict.Pass(axis.motor().id(), trail));
    return Optional.of(
        new Verdict.Finding(
            axis.motor().id(),
            Severity.WARNING,
            TRIPS,
            "%s lags %s at its fastest and its drive gives up at %s: it stops in the middle of a rapid move."
                .formatted(
                    axis.name(),
                    Significant.plain(lag.get(), "mm"),
                    Significant.plain(limit, "mm")),
            trail,
            limit(axis)
                .map(l -> Repair.of(PinEdits.say(axis.drive(), LIMIT, AxisSteps.typed(l) + " mm")))
                .stream()
                .toList()));
  }
}
