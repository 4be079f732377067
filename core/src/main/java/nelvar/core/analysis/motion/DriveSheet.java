package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DriveParameter;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;

/// What is to be entered in a frequency converter, in the order it is entered: the motor first, its
/// limits, what its terminals mean, and last what makes it run. So a drive that is half entered
/// does not run by itself.
public final class DriveSheet {
  /// What names of read-back values begin with: *Read Run source*.
  public static final String READ = "Read ";

  /// Key presses of one value on a small keypad: to it, into it, and to keep it, with its digits on
  /// a dial; common practice, its manual decides.
  public static final int KEYS = 4;

  /// Of what a motor is wound for, where its own fan still cools it; common practice.
  private static final double SLOWEST = 0.4;

  /// Of an air-cooled spindle.
  private static final double SLOWEST_SPINDLE = 1.0 / 3;

  /// What starts a drive stays this many times above what is left on its command.
  private static final double ABOVE_LEFT = 2;

  private static final double LEAST_START = 0.3;

  private DriveSheet() {}

  /// @param row what it is to be, with what was entered
  /// @param read what its display showed afterwards
  public record Line(DriveParameter parameter, SettingsSheet.Row row, Optional<String> read) {
    /// Whether what was read back is not what is to be there.
    public boolean readOtherwise() {
      return read.isPresent()
          && row.value()
              .or(row::entered)
              .filter(v -> !SettingsSheet.same(v, read.get()))
              .isPresent();
    }

    /// What came with it is what is to be there.
    public boolean asShipped() {
      return row.value().filter(v -> SettingsSheet.same(v, parameter.original())).isPresent();
    }
  }

  public static List<Line> of(DrivenMotor driven, Study study) {
    var all = new ArrayList<Line>();
    for (var parameter : driven.converter().keeps()) {
      var wanted = wanted(parameter.role(), driven, study);
      if (wanted.isEmpty()) continue;
      var name = parameter.role().title();
      var entered = driven.entered(parameter.role());
      // What somebody entered and that does as well stays.
      var value = entered.filter(wanted.get().does()).or(() -> wanted.get().value());
      all.add(
          new Line(
              parameter,
              SettingsSheet.cited(
                  SettingsSheet.row(
                      driven.drive(), name, "", value, entered, wanted.get().why(), false),
                  study),
              driven.said(READ + name)));
    }
    return all;
  }

  /// @param does whether another value does as well
  private record Wanted(
      Optional<String> value, java.util.function.Predicate<String> does, String why) {}

  private static Optional<Wanted> one(String value, String why) {
    return Optional.of(new Wanted(Optional.of(value), _ -> false, why));
  }

  private static <Q extends Quantity & Comparable<Q>> Optional<Wanted> atLeast(
      Kind<Q> kind, Q value, Q most, String why) {
    return Optional.of(
        new Wanted(
            Optional.of(value.toString()),
            text ->
                kind.read(text) instanceof Reading.Value<Q>(var said)
                    && said.compareTo(value) >= 0
                    && said.compareTo(most) <= 0,
            why));
  }

  private static Optional<Wanted> wanted(Role role, DrivenMotor driven, Study study) {
    var linkage = driven.linkage();
    var motor = driven.motor();
    return switch (role) {
      case MOTOR_VOLTS ->
          one(motor.nameplateVolts(linkage).toString(), "nameplate, " + words(linkage));
      case BASE_FREQUENCY ->
          one(
              driven.wound(study).toString(),
              "where it has its volts: below it too much current flows, above it torque falls");
      case MOTOR_CURRENT ->
          one(
              driven.current().toString(),
              driven.motors().size() == 1
                  ? "nameplate, " + words(linkage) + ": its overload protection"
                  : "%d motors together: each wants an overload relay of its own"
                      .formatted(driven.motors().size()));
      case GREATEST_FREQUENCY -> greatest(driven, study);
      case LEAST_FREQUENCY -> least(driven, study);
      case RAMP_UP -> ramp("5 s", "a shorter one trips it or loses the load; as wanted");
      case RAMP_DOWN ->
          ramp("5 s", "a shorter one lifts its bus until it trips, where no resistor takes it");
      case STOPS_BY ->
          Optional.of(
              new Wanted(
                  Optional.of("ramp"),
                  text -> text.equalsIgnoreCase("coast"),
                  "coast where nothing but friction may stop it"));
      case TURNS ->
          driven.oneWay()
              ? one("forward only", "turning the other way unscrews, sucks or does nothing")
              : Optional.of(
                  new Wanted(
                      Optional.of("both ways"),
                      text -> text.equalsIgnoreCase("forward only"),
                      "lock the way back where it could do harm"));
      case INPUT_PHASE_LOSS ->
          driven.converter().phases() == 1
              ? Optional.empty()
              : driven.converter().onTwoLines(driven.drive().spare())
                  ? one("off", "it is fed by two of three lines and would trip")
                  : one("on", "a lost line overloads the others");
      case CONTACT ->
          driven.contactWired()
              ? one("ready", "its contact stands in a circuit")
              : Optional.empty();
      case STARTS_FROM -> starts(driven);
      case SPEED_SOURCE ->
          driven.commandWired()
              ? one("command", "0–10 V on AI")
              : one("keypad", "nothing is wired to AI: one speed, set on it");
      case RUN_INPUT ->
          driven.runWired() ? one("closed runs", "a broken wire stops it") : Optional.empty();
      case RUN_SOURCE ->
          driven.runWired()
              ? one("terminals", "else its run wire, and what opens it, does nothing")
              : one("keypad", "nothing is wired to RUN");
    };
  }

  private static String words(nelvar.core.catalogue.Linkage linkage) {
    return linkage.name().toLowerCase(java.util.Locale.ROOT);
  }

  /// As fast as is wanted, no faster than it is wound for unless somebody says so.
  private static Optional<Wanted> greatest(DrivenMotor driven, Study study) {
    var most =
        driven
            .converter()
            .greatestFrequency()
            .filter(f -> f.compareTo(driven.wound(study)) > 0)
            .orElse(driven.wound(study));
    // Up to a fifth above what a motor is wound for is common; a spindle is wound for its limit.
    var above =
        driven.motor().frequency().isPresent()
            ? driven.wound(study)
            : new Frequency(1.2 * driven.wound(study).hertz());
    var limit = above.compareTo(most) < 0 ? above : most;
    return Optional.of(
        new Wanted(
            Optional.of(driven.wound(study).toString()),
            text ->
                Kind.FREQUENCY.read(text) instanceof Reading.Value<Frequency>(var said)
                    && said.hertz() > 0
                    && said.compareTo(limit) <= 0,
            "no more than its motor is made for"));
  }

  private static Optional<Wanted> least(DrivenMotor driven, Study study) {
    var liquid = driven.motor().cooling().filter(InductionMotor.Cooling.LIQUID::equals).isPresent();
    var share = liquid ? 0 : driven.motor().frequency().isPresent() ? SLOWEST_SPINDLE : SLOWEST;
    var slowest = new Frequency(Math.floor(share * driven.wound(study).hertz()));
    return atLeast(
        Kind.FREQUENCY,
        slowest,
        new Frequency(1000),
        liquid
            ? "its pump cools it at any speed"
            : "slower for long, its own fan cools it too little");
  }

  private static Optional<Wanted> ramp(String usual, String why) {
    return Optional.of(
        new Wanted(
            Optional.of(usual),
            text ->
                Kind.DURATION.read(text)
                        instanceof Reading.Value<nelvar.core.units.Duration>(var said)
                    && said.seconds() > 0,
            why));
  }

  /// Twice what may be left on its command, and no more than a fifth of it.
  private static Optional<Wanted> starts(DrivenMotor driven) {
    if (!driven.commandWired()) return Optional.empty();
    var left = driven.command().flatMap(SpeedStarts::left);
    var value =
        new Voltage(
            Math.max(
                LEAST_START,
                Math.ceil(10 * ABOVE_LEFT * left.map(Voltage::volts).orElse(0.0)) / 10));
    return atLeast(
        Kind.VOLTAGE,
        value,
        new Voltage(2),
        left.map(v -> v + " may be left on its command when nothing is meant")
            .orElse("what may be left on its command is not known"));
  }
}
