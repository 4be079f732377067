package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.formula.SpeedCommand;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;

/// From a command of 0–10 V to a speed: as the drive is set, and as somebody measured it.
///
/// 10 V command its greatest frequency; a command below what starts it commands nothing, and one
/// below its least frequency commands that (common practice; drives differ, its manual decides).
/// The speed is that of the field: slip, 2 to 6 % at load, is left out. Measured points are
/// settings of the drive: *Measured 2 V* with the value `2850 rpm`; two of them make a line, which
/// tells a wrong scale from an offset.
///
/// @param atTen speed of the field at 10 V
/// @param least speed of the least frequency
/// @param full volts that its command reaches
/// @param startsFrom what starts it; empty where it is not known
/// @param points as measured, by rising volts
/// @param line through the first and the last of those above its least speed
public record SpeedMap(
    Measure atTen,
    Measure least,
    Frequency greatest,
    int poles,
    boolean usualPoles,
    Voltage full,
    Optional<Voltage> startsFrom,
    List<Point> points,
    Optional<SpeedCommand.Line> line) {
  /// The commonest.
  private static final int USUAL_POLES = 4;

  private static final double FULL = 10;
  private static final Pattern MEASURED = Pattern.compile("(?i)measured\\s+(.+)");

  /// What the names of measured points begin with.
  public static final String MEASURED_AT = "Measured ";

  /// A speed somebody measured.
  public record Point(Voltage command, Measure speed) {}

  public SpeedMap {
    points = List.copyOf(points);
  }

  public static SpeedMap of(DrivenMotor driven, Study study) {
    var poles = driven.motor().poles();
    var count = poles.orElse(USUAL_POLES);
    var greatest = driven.frequency(Role.GREATEST_FREQUENCY).orElse(driven.wound(study));
    var least = driven.frequency(Role.LEAST_FREQUENCY).orElse(new Frequency(0));
    var points = points(driven);
    // Where the least frequency holds it, a point tells nothing of the line.
    var straight =
        points.stream()
            .filter(p ->
                speed(greatest, count).value() * p.command().volts() / FULL
                    > speed(least, count).value())
            .toList();
    return new SpeedMap(
        speed(greatest, count),
        speed(least, count),
        greatest,
        count,
        poles.isEmpty(),
        driven.commandReaches(),
        driven.quantity(Role.STARTS_FROM, Kind.VOLTAGE),
        points,
        straight.size() < 2
            ? Optional.empty()
            : SpeedCommand.calibrate(
                straight.getFirst().command(),
                straight.getFirst().speed(),
                straight.getLast().command(),
                straight.getLast().speed()));
  }

  private static Measure speed(Frequency frequency, int poles) {
    return MotorFormulas.speed(frequency, poles, 0, 1);
  }

  private static List<Point> points(DrivenMotor driven) {
    var all = new ArrayList<Point>();
    for (var setting : driven.settings()) {
      var name = MEASURED.matcher(setting.name());
      if (name.matches()
          && Kind.VOLTAGE.read(String.valueOf(name.group(1)))
              instanceof Reading.Value<Voltage>(var volts))
        AxisSettings.number(setting.value())
            .map(n -> new Point(volts, new Measure(n, Measure.Unit.ROTATION)))
            .ifPresent(all::add);
    }
    all.sort(Comparator.comparing(Point::command));
    return all;
  }

  /// As the drive is set; nothing below what starts it.
  public Measure at(Voltage command) {
    if (startsFrom.filter(from -> command.compareTo(from) < 0).isPresent() || command.volts() <= 0)
      return rotation(0);
    return rotation(
        Math.min(atTen.value(), Math.max(least.value(), atTen.value() * command.volts() / FULL)));
  }

  /// The command for a speed; empty where no command reaches it.
  public Optional<Voltage> command(Measure speed) {
    return SpeedCommand.volts(speed, rotation(0), atTen)
        .filter(volts -> startsFrom.filter(from -> volts.compareTo(from) < 0).isEmpty())
        .filter(volts -> volts.compareTo(full) <= 0)
        .filter(_ -> speed.value() >= least.value());
  }

  /// The fastest speed that its command reaches.
  public Measure fastest() {
    return at(full);
  }

  /// Whether anything is known of how slowly it can turn.
  public boolean slowestKnown() {
    return startsFrom.isPresent() || least.value() > 0;
  }

  /// The slowest speed that a command can bring about.
  public Measure slowest() {
    return startsFrom.map(this::at).orElse(least);
  }

  /// How much more a volt commands than it should, as measured.
  public Optional<Percent> scaleOff() {
    return line.map(l -> Percent.ofFraction(l.gain().value() * FULL / atTen.value() - 1));
  }

  /// What is measured at no command, by the line.
  public Optional<Measure> offset() {
    return line.map(l -> rotation(l.speedAtZero()));
  }

  private static Measure rotation(double rpm) {
    return new Measure(rpm, Measure.Unit.ROTATION);
  }
}
