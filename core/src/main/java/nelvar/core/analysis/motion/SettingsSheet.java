package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Trimmer;
import nelvar.core.formula.Axis;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;

/// What is to be set for an axis, in drive and controller, each with what the computation gives,
/// what has been entered, and why.
public final class SettingsSheet {
  /// Microsteps with which a motor runs quietly, where nothing finer is wanted; common practice.
  private static final int QUIET = 8;

  /// Of values that carry their unit.
  private static final List<Kind<? extends Quantity>> KINDS =
      List.of(Kind.CURRENT, Kind.VOLTAGE, Kind.FREQUENCY, Kind.DURATION);

  private SettingsSheet() {}

  /// How a value stands.
  public enum Standing {
    /// Nothing is entered.
    TO_ENTER,
    /// What is entered is what was computed, or is not computed at all.
    ENTERED,
    /// Another one is entered.
    DIFFERS,
    /// One to try with is entered.
    TO_TRY,
    /// It cannot be computed; why says what is missing.
    UNKNOWN
  }

  /// @param value to be set, as it is typed; empty where it cannot be computed
  /// @param entered as it stands
  /// @param enters what writes it down as entered; empty where it cannot be
  public record Row(
      Device device,
      String name,
      String unit,
      Optional<String> value,
      Optional<String> entered,
      String why,
      Standing standing,
      Optional<Edit> enters) {}

  /// Of all axes and all drives of a machine, each value once.
  public static List<Row> all(Study study) {
    return java.util.stream.Stream.of(
            MotionAxes.of(study).stream().flatMap(axis -> of(axis, study).stream()),
            DrivenMotor.all(study).stream()
                .flatMap(driven -> DriveSheet.of(driven, study).stream())
                .map(DriveSheet.Line::row),
            DialedMotor.all(study).stream().map(DialedMotor::row))
        .flatMap(rows -> rows)
        .collect(
            java.util.stream.Collectors.toMap(
                row -> row.device().id().text() + "\n" + row.name(),
                row -> row,
                (first, _) -> first,
                java.util.LinkedHashMap::new))
        .values()
        .stream()
        .toList();
  }

  /// With the papers that say it.
  static Row cited(Row row, Study study) {
    var papers = PapersAgree.cited(row.device(), row.name(), study);
    return papers.isEmpty()
        ? row
        : new Row(
            row.device(),
            row.name(),
            row.unit(),
            row.value(),
            row.entered(),
            row.why() + " (" + papers + ")",
            row.standing(),
            row.enters());
  }

  /// The same with where its soft limits may lie.
  public static List<Row> of(MotionAxis axis, Study study) {
    var all = new ArrayList<>(of(axis));
    var stretch = AxisStretch.of(axis, study);
    var name = AxisStretch.SOFT + axis.name();
    var entered = AxisStretch.said(axis, AxisStretch.SOFT);
    var allowed = stretch.allowed();
    if (allowed.isEmpty() && entered.isEmpty())
      return all.stream().map(row -> cited(row, study)).toList();
    var within =
        stretch
            .soft()
            .filter(soft ->
                allowed
                    .filter(a -> soft.least() >= a.least() && soft.greatest() <= a.greatest())
                    .isPresent())
            .flatMap(_ -> entered);
    all.add(
        row(
            axis.board(),
            name,
            "mm",
            within.or(() -> allowed.map(AxisEnds::words)),
            entered,
            "from its zero, with as much room at the far stop as behind its switch",
            false));
    return all.stream().map(row -> cited(row, study)).toList();
  }

  static List<Row> of(MotionAxis axis) {
    var all = new ArrayList<Row>();
    if (axis.servo().isPresent()) {
      all.add(pulses(axis));
      axis.servo().get().stated().encoderLines().ifPresent(lines -> all.add(gear(axis, lines)));
      FollowsWithin.limit(axis).ifPresent(limit -> all.add(following(axis, limit)));
    } else {
      all.add(microsteps(axis));
      all.add(current(axis));
      axis.settable().trimmer().ifPresent(trimmer -> all.add(trimmer(axis, trimmer)));
    }
    axis.settable().idle().ifPresent(idle -> all.add(rest(axis, idle)));
    all.add(steps(axis));
    all.add(fastest(axis));
    ramp(axis).ifPresent(all::add);
    axis.input()
        .ifPresent(input -> {
          // Drives that have others come with this one, or do not turn as they are wired.
          if (!axis.drive().id().equals(axis.board().id()) && input.logicHigh().isEmpty())
            all.add(
                row(
                    axis.drive(),
                    "Pulse interface",
                    "",
                    Optional.of("step and direction"),
                    entered(axis, axis.drive(), "Pulse interface"),
                    "as it is wired; two pulse trains or two phases, where it has them, do not fit",
                    false));
          all.add(timing(axis, "Pulse width", input.pulse(), "the drive sees none shorter"));
          input
              .setUp()
              .ifPresent(setUp ->
                  all.add(
                      timing(axis, "Direction before step", setUp, "the drive wants it first")));
        });
    return all;
  }

  private static Row microsteps(MotionAxis axis) {
    var entered = axis.settings().microsteps();
    var proposed = MicrostepsSet.proposed(axis);
    var wanted = AxisSteps.wanted(axis);
    var set = entered.flatMap(AxisSettings.Entered::value);
    var enough =
        set.isPresent()
            && axis.settable().microsteps().stream().anyMatch(m -> m.doubleValue() == set.get())
            && wanted.filter(w -> set.get() < w.needed() - 1e-9).isEmpty();
    var value =
        enough
            ? set.map(Significant::digits)
            : proposed
                .map(String::valueOf)
                .or(() -> set.map(Significant::digits))
                .or(() -> axis.settable().atLeast(QUIET).map(String::valueOf));
    return row(
        axis.drive(),
        AxisSettings.MICROSTEPS,
        "",
        value,
        entered.map(AxisSettings.Entered::text),
        wanted
            .map(w ->
                "%s do for %s%s"
                    .formatted(
                        Significant.digits(w.needed()),
                        axis.wants().resolution().orElseThrow(),
                        w.reserve().isPresent() ? "; the doubling is kept in reserve" : ""))
            .orElse("8 run quietly, common practice; a resolution said with the function decides"),
        false);
  }

  /// Pulses of one turn of a servo: as many as the wanted resolution needs, doubled.
  private static Row pulses(MotionAxis axis) {
    var entered = axis.settings().microsteps();
    var needed =
        axis.wants()
            .resolution()
            .flatMap(
                r -> axis.mechanics().perMotorTurn().map(travel -> travel / (r.metres() * 1000)));
    return row(
        axis.drive(),
        AxisSettings.PULSES,
        "",
        entered
            .flatMap(AxisSettings.Entered::value)
            .filter(set -> needed.filter(n -> set < n).isEmpty())
            .or(() -> needed.map(n -> 2 * Math.ceil(n)))
            .map(AxisSteps::typed),
        entered.map(AxisSettings.Entered::text),
        needed
            .map(n ->
                "%s do for %s; the doubling is kept in reserve"
                    .formatted(
                        AxisSteps.typed(Math.ceil(n)), axis.wants().resolution().orElseThrow()))
            .orElse("as fine as wanted: say a resolution with the function"),
        false);
  }

  /// Twice what it lags; what somebody entered and that is more than the lag does as well.
  private static Row following(MotionAxis axis, double limit) {
    var entered = entered(axis, axis.drive(), FollowsWithin.LIMIT);
    return row(
        axis.drive(),
        FollowsWithin.LIMIT,
        "mm",
        entered
            .filter(text -> FollowsWithin.enough(axis, text))
            .or(() -> Optional.of(AxisSteps.typed(limit))),
        entered,
        "it lags %s at its fastest, with a gain of %s"
            .formatted(
                Significant.plain(FollowsWithin.lag(axis).orElse(0.0), "mm"),
                Significant.plain(FollowsWithin.gain(axis), "1/s")),
        false);
  }

  /// Counts of the encoder for the pulses of a turn.
  private static Row gear(MotionAxis axis, int lines) {
    var pulses = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    return row(
        axis.drive(),
        "Electronic gear",
        "",
        pulses
            .filter(p -> p >= 1 && p == Math.rint(p) && p < 1e8)
            .map(p -> Axis.electronicGear(4 * lines, p.intValue()).toString()),
        entered(axis, axis.drive(), "Electronic gear"),
        "%d lines are %d counts a turn".formatted(lines, 4 * lines),
        false);
  }

  private static Row current(MotionAxis axis) {
    // Motors side by side share it.
    var rated = axis.rated().times(axis.company().parallel());
    var possible = axis.settable().atMost(rated).orElse(rated);
    var entered = axis.set();
    var high = entered.filter(set -> set.compareTo(rated.times(1.05)) > 0).isPresent();
    // Of switches the next below what somebody wants.
    var nearest = entered.flatMap(axis.settable()::atMost);
    var between = nearest.filter(n -> entered.filter(n::equals).isEmpty()).isPresent();
    var value = high ? possible : nearest.or(() -> entered).orElse(possible);
    return new Row(
        axis.drive(),
        "Phase current",
        "",
        Optional.of(value.toString()),
        entered.map(Current::toString),
        between
            ? "the drive has no %s".formatted(entered.orElseThrow())
            : "%s is rated for %s, effective: %s peak"
                .formatted(
                    axis.motor().designation(), axis.rated(), axis.rated().times(Math.sqrt(2))),
        entered.isEmpty()
            ? Standing.TO_ENTER
            : high || between ? Standing.DIFFERS : Standing.ENTERED,
        Optional.of(Edits.trip(axis.drive(), Optional.of(value))));
  }

  /// What is measured at the trimmer, power on and its motor plugged in.
  private static Row trimmer(MotionAxis axis, Trimmer trimmer) {
    var current = axis.set().orElse(axis.rated().times(axis.company().parallel()));
    return row(
        axis.drive(),
        "Trimmer",
        "",
        Optional.of(trimmer.reference(current).toString()),
        entered(axis, axis.drive(), "Trimmer"),
        "measured against 0 V for %s%s; never plug or unplug its motor with power on"
            .formatted(current, trimmer.turns().map(t -> ", " + t).orElse("")),
        false);
  }

  private static Row rest(MotionAxis axis, Percent idle) {
    return row(
        axis.drive(),
        "At rest",
        "",
        Optional.of("half"),
        entered(axis, axis.drive(), "At rest"),
        "%s of the current, a quarter of the heat; full where it must hold a load".formatted(idle),
        false);
  }

  private static Row steps(MotionAxis axis) {
    var entered = axis.settings().steps();
    var computed = AxisSteps.computed(axis);
    return row(
        axis.board(),
        AxisSettings.STEPS + axis.name(),
        "steps/" + axis.mechanics().unit().sign(),
        computed.map(k -> AxisSteps.typed(k.value())),
        entered.map(AxisSettings.Entered::text),
        computed
            .map(_ -> String.join(", ", axis.mechanics().words()))
            .orElseGet(() -> StepsEntered.lacks(axis).orElse("")),
        entered.filter(AxisSettings.Entered::test).isPresent());
  }

  private static Row fastest(MotionAxis axis) {
    var unit = axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°/min" : "mm/min";
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    var possible = micro.flatMap(m -> AxisSteps.fastest(axis, m));
    var wanted =
        axis.wants().speed().filter(v -> v.unit() == Measure.Unit.FEED).map(Measure::value);
    return row(
        axis.board(),
        AxisSettings.FASTEST + axis.name(),
        unit,
        wanted.map(SettingsSheet::whole),
        axis.settings().fastest().map(AxisSettings.Entered::text),
        wanted.isPresent()
            ? "as wanted"
            : possible
                .map(v ->
                    "say a speed with the function; the pulses allow %s %s, the motor less"
                        .formatted(whole(v), unit))
                .orElse("say a speed with the function"),
        false);
  }

  private static Optional<Row> ramp(MotionAxis axis) {
    return axis.mechanics()
        .ramp()
        .map(a ->
            row(
                axis.board(),
                AxisSettings.RAMP + axis.name(),
                axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°/s²" : "mm/s²",
                Optional.of(whole(a)),
                axis.settings().ramp().map(AxisSettings.Entered::text),
                "as wanted",
                false));
  }

  private static Row timing(MotionAxis axis, String what, Duration least, String why) {
    var name = what + " " + axis.name();
    return row(
        axis.board(),
        name,
        "",
        Optional.of(least.toString()),
        entered(axis, axis.board(), name),
        why,
        false);
  }

  private static Optional<String> entered(MotionAxis axis, Device device, String name) {
    return axis.others().stream()
        .filter(s -> s.device().equals(device.id()) && s.name().equalsIgnoreCase(name))
        .map(nelvar.core.model.Setting::value)
        .findFirst();
  }

  static Row row(
      Device device,
      String name,
      String unit,
      Optional<String> value,
      Optional<String> entered,
      String why,
      boolean test) {
    var standing =
        test
            ? Standing.TO_TRY
            : entered.isEmpty()
                ? value.isEmpty() ? Standing.UNKNOWN : Standing.TO_ENTER
                : value.isEmpty() || same(value.get(), entered.get())
                    ? Standing.ENTERED
                    : Standing.DIFFERS;
    return new Row(
        device,
        name,
        unit,
        value,
        entered,
        why,
        standing,
        value.map(text -> PinEdits.say(device, name, text)));
  }

  /// As numbers where both are; a value with its unit is the same as one without.
  static boolean same(String value, String entered) {
    if (value.strip().equalsIgnoreCase(entered.strip())) return true;
    if (value.contains("/")) return value.equals(entered.replace(" ", ""));
    for (var kind : KINDS) {
      var one = kind.readStrict(value);
      var other = kind.readStrict(entered);
      if (one instanceof Reading.Value<? extends Quantity>(var a)
          && other instanceof Reading.Value<? extends Quantity>(var b))
        return a.equals(b) || a.toString().equals(b.toString());
    }
    var one = AxisSettings.number(value);
    var other = AxisSettings.number(entered);
    if (one.isPresent() && other.isPresent()) return Math.abs(one.get() / other.get() - 1) < 5e-4;
    return false;
  }

  private static String whole(double value) {
    return AxisSteps.typed(value >= 100 ? Math.round(value) : value);
  }
}
