package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Trimmer;
import nelvar.core.formula.Axis;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Significant;

/// What is computed to be set for one axis, value by value: in its drive how it divides a turn and
/// what current it gives, in its controller steps, speed, ramp and the timing of pulses.
final class AxisValues {
  /// Microsteps with which a motor runs quietly, where nothing finer is wanted; common practice.
  private static final int QUIET = 8;

  private AxisValues() {}

  static List<SettingsSheet.Row> of(MotionAxis axis) {
    var all = new ArrayList<SettingsSheet.Row>();
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
                SettingsSheet.row(
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

  private static SettingsSheet.Row microsteps(MotionAxis axis) {
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
    return SettingsSheet.row(
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
  private static SettingsSheet.Row pulses(MotionAxis axis) {
    var entered = axis.settings().microsteps();
    var needed =
        axis.wants()
            .resolution()
            .flatMap(
                r -> axis.mechanics().perMotorTurn().map(travel -> travel / (r.metres() * 1000)));
    return SettingsSheet.row(
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
  private static SettingsSheet.Row following(MotionAxis axis, double limit) {
    var entered = entered(axis, axis.drive(), FollowsWithin.LIMIT);
    return SettingsSheet.row(
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
  private static SettingsSheet.Row gear(MotionAxis axis, int lines) {
    var pulses = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    return SettingsSheet.row(
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

  private static SettingsSheet.Row current(MotionAxis axis) {
    // Motors side by side share it.
    var rated = axis.rated().times(axis.company().parallel());
    var possible = axis.settable().atMost(rated).orElse(rated);
    var entered = axis.set();
    var high = entered.filter(set -> set.compareTo(rated.times(1.05)) > 0).isPresent();
    // Of switches the next below what somebody wants.
    var nearest = entered.flatMap(axis.settable()::atMost);
    var between = nearest.filter(n -> entered.filter(n::equals).isEmpty()).isPresent();
    var value = high ? possible : nearest.or(() -> entered).orElse(possible);
    return new SettingsSheet.Row(
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
            ? SettingsSheet.Standing.TO_ENTER
            : high || between ? SettingsSheet.Standing.DIFFERS : SettingsSheet.Standing.ENTERED,
        Optional.of(Edits.trip(axis.drive(), Optional.of(value))));
  }

  /// What is measured at the trimmer, power on and its motor plugged in.
  private static SettingsSheet.Row trimmer(MotionAxis axis, Trimmer trimmer) {
    var current = axis.set().orElse(axis.rated().times(axis.company().parallel()));
    return SettingsSheet.row(
        axis.drive(),
        "Trimmer",
        "",
        Optional.of(trimmer.reference(current).toString()),
        entered(axis, axis.drive(), "Trimmer"),
        "measured against 0 V for %s%s; never plug or unplug its motor with power on"
            .formatted(current, trimmer.turns().map(t -> ", " + t).orElse("")),
        false);
  }

  private static SettingsSheet.Row rest(MotionAxis axis, Percent idle) {
    return SettingsSheet.row(
        axis.drive(),
        "At rest",
        "",
        Optional.of("half"),
        entered(axis, axis.drive(), "At rest"),
        "%s of the current, a quarter of the heat; full where it must hold a load".formatted(idle),
        false);
  }

  /// With what is set on its drive; where nothing is, with what is to be set there.
  private static SettingsSheet.Row steps(MotionAxis axis) {
    var entered = axis.settings().steps();
    var divides =
        axis.settings().microsteps().isEmpty() ? proposed(axis) : Optional.<Double>empty();
    var computed =
        AxisSteps.computed(axis).or(() -> divides.flatMap(m -> AxisSteps.computed(axis, m)));
    return SettingsSheet.row(
        axis.board(),
        AxisSettings.STEPS + axis.name(),
        "steps/" + axis.mechanics().unit().sign(),
        computed.map(k -> AxisSteps.typed(k.value())),
        entered.map(AxisSettings.Entered::text),
        computed
            .map(_ -> String.join(", ", axis.mechanics().words()))
            .map(words ->
                divides
                    .map(m ->
                        "%s, with %s %s"
                            .formatted(
                                words,
                                AxisSteps.typed(m),
                                axis.divides().toLowerCase(java.util.Locale.ROOT)))
                    .orElse(words))
            .orElseGet(() -> StepsEntered.lacks(axis).orElse("")),
        entered.filter(AxisSettings.Entered::test).isPresent());
  }

  /// What its drive is to divide a step or a turn by.
  private static Optional<Double> proposed(MotionAxis axis) {
    var row = axis.servo().isPresent() ? pulses(axis) : microsteps(axis);
    return row.value().flatMap(AxisSettings::number);
  }

  private static SettingsSheet.Row fastest(MotionAxis axis) {
    var unit = axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°/min" : "mm/min";
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value);
    var possible = micro.flatMap(m -> AxisSteps.fastest(axis, m));
    var wanted =
        axis.wants().speed().filter(v -> v.unit() == Measure.Unit.FEED).map(Measure::value);
    return SettingsSheet.row(
        axis.board(),
        AxisSettings.FASTEST + axis.name(),
        unit,
        wanted.map(AxisValues::whole),
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

  private static Optional<SettingsSheet.Row> ramp(MotionAxis axis) {
    return axis.mechanics()
        .ramp()
        .map(a ->
            SettingsSheet.row(
                axis.board(),
                AxisSettings.RAMP + axis.name(),
                axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°/s²" : "mm/s²",
                Optional.of(whole(a)),
                axis.settings().ramp().map(AxisSettings.Entered::text),
                "as wanted",
                false));
  }

  private static SettingsSheet.Row timing(
      MotionAxis axis, String what, Duration least, String why) {
    var name = what + " " + axis.name();
    return SettingsSheet.row(
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

  private static String whole(double value) {
    return AxisSteps.typed(value >= 100 ? Math.round(value) : value);
  }
}
