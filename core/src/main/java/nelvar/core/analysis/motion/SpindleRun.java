package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.catalogue.Part;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// What motors on frequency converters do when a stand-in of the controller tells them to run and
/// to stop: its outputs are switched in the network, and what then stands at the motor decides
/// whether it turns; how fast follows from the command and what is entered in the drive, how soon
/// from its ramps.
final class SpindleRun {
  private static final Pattern RUN =
      Pattern.compile(
          "(?i)(\\S+)\\s+run(?:\\s+at\\s+([0-9]{1,6}(?:[.,][0-9]{1,6})?)\\s*(?:rpm)?)?");
  private static final Pattern STOP = Pattern.compile("(?i)(\\S+)\\s+stop");

  private final Study designed;
  private final Study study;
  private final WhatIf trial;
  private final Map<String, Ramp> ramps = new HashMap<>();
  private final Map<String, List<ActuatorRef>> pins = new HashMap<>();

  /// From one speed to another, beginning at a moment.
  private record Ramp(double from, double to, double at, double lasts, boolean spindle) {
    double speed(double now) {
      return lasts <= 0 || now >= at + lasts ? to : from + (to - from) * (now - at) / lasts;
    }
  }

  private double speed(DrivenMotor driven, double now) {
    var ramp = ramps.get(driven.name());
    return ramp == null ? 0 : ramp.speed(now);
  }

  private void ramp(DrivenMotor driven, double from, double to, double at, double lasts) {
    ramps.put(
        driven.name(),
        new Ramp(from, to, at, lasts, Spindles.is(driven.motors().getFirst(), study)));
  }

  /// @param designed whose outputs are known to run what; @param study the machine that is tried
  SpindleRun(Study designed, Study study, WhatIf trial) {
    this.designed = designed;
    this.study = study;
    this.trial = trial;
  }

  /// Empty where it is no command to run or to stop.
  Optional<StandIn.Moved> one(String command, double now) throws StandIn.Refused {
    var run = RUN.matcher(command);
    if (run.matches()) {
      var driven = driven(String.valueOf(run.group(1)));
      var wanted =
          run.group(2) == null
              ? Optional.<Double>empty()
              : Optional.of(Double.parseDouble(String.valueOf(run.group(2)).replace(',', '.')));
      return Optional.of(run(command, driven, wanted, now));
    }
    var stop = STOP.matcher(command);
    return stop.matches()
        ? Optional.of(stop(command, driven(String.valueOf(stop.group(1))), now))
        : Optional.empty();
  }

  private DrivenMotor driven(String name) throws StandIn.Refused {
    var all = DrivenMotor.all(study);
    var found =
        all.stream()
            .filter(d -> d.name().equalsIgnoreCase(name) || d.name().equalsIgnoreCase("=" + name))
            .findFirst();
    if (found.isPresent()) return found.get();
    throw new StandIn.Refused(
        all.isEmpty()
            ? "no motor of this machine hangs on a frequency converter"
            : "there is no '%s' to run; there are %s"
                .formatted(name, String.join(", ", all.stream().map(DrivenMotor::name).toList())));
  }

  private StandIn.Moved run(
      String command, DrivenMotor driven, Optional<Double> wanted, double now) {
    var map = SpeedMap.of(driven, study);
    var before = speed(driven, now);
    var meant = wanted.orElse(map.atTen().value());
    var turns = turns(driven, true);
    var reached = turns ? reached(driven, map, meant) : 0;
    var lasts = ramp(driven, Role.RAMP_UP, Math.abs(reached - before), map);
    ramp(driven, before, reached, now, lasts);
    return moved(
        command,
        driven,
        now,
        lasts,
        map,
        meant,
        reached,
        turns ? says(driven, map, meant, reached) : "it stands: nothing lets its drive give");
  }

  /// By its command, as the drive is set; without one it has one speed.
  private static double reached(DrivenMotor driven, SpeedMap map, double meant) {
    if (!driven.commandWired()
        || driven
            .entered(Role.SPEED_SOURCE)
            .filter(t -> !t.strip().equalsIgnoreCase("command"))
            .isPresent()) return map.atTen().value();
    var volts = Math.min(map.full().volts(), 10 * meant / map.atTen().value());
    return map.at(new Voltage(volts)).value();
  }

  private static String says(DrivenMotor driven, SpeedMap map, double meant, double reached) {
    if (Math.abs(reached - meant) < 0.5) return "";
    if (!driven.commandWired()) return "nothing is wired to its command: it has one speed";
    var source =
        driven.entered(Role.SPEED_SOURCE).filter(t -> !t.strip().equalsIgnoreCase("command"));
    if (source.isPresent())
      return "its speed is kept on its %s, not commanded: %s at the most"
          .formatted(source.get(), map.atTen());
    if (reached == 0)
      return "%s are commanded with less than starts it: it stands"
          .formatted(new Measure(meant, Measure.Unit.ROTATION));
    return reached < meant
        ? "%s are all there is: %s".formatted(map.full(), map.fastest())
        : "its least frequency holds it at %s".formatted(map.least());
  }

  private StandIn.Moved stop(String command, DrivenMotor driven, double now) {
    var map = SpeedMap.of(driven, study);
    var before = speed(driven, now);
    var turns = turns(driven, false);
    // What goes on goes on to where it was going.
    var going = ramps.get(driven.name());
    var after = turns ? going == null ? before : going.to() : 0;
    var coasts =
        driven.entered(Role.STOPS_BY).filter(t -> t.strip().equalsIgnoreCase("coast")).isPresent();
    var lasts = turns || coasts ? 0 : ramp(driven, Role.RAMP_DOWN, before, map);
    if (!turns) ramp(driven, before, after, now, lasts);
    return moved(
        command,
        driven,
        now,
        lasts,
        map,
        0,
        after,
        turns
            ? "it goes on: %s"
                .formatted(
                    pins(driven).isEmpty()
                        ? "no output of a controller stops it"
                        : "its drive runs by something else")
            : coasts && before > 0 ? "it coasts: how long is not known" : "");
  }

  private static double ramp(DrivenMotor driven, Role role, double change, SpeedMap map) {
    return driven.quantity(role, Kind.DURATION).map(t -> t.seconds()).orElse(0.0)
        * change
        / Math.max(1, map.atTen().value());
  }

  private StandIn.Moved moved(
      String command,
      DrivenMotor driven,
      double now,
      double lasts,
      SpeedMap map,
      double meant,
      double stands,
      String says) {
    return new StandIn.Moved(
        command,
        driven.name(),
        now,
        lasts,
        pins(driven).isEmpty()
            ? driven.drive().designation().text()
            : String.join(
                ", ",
                pins(driven).stream()
                    .map(ref -> study.label(ref.device()) + ":" + ref.name())
                    .toList()),
        0,
        MotorFormulas.frequency(new Measure(stands, Measure.Unit.ROTATION), map.poles()).hertz(),
        meant,
        stands,
        "rpm",
        says);
  }

  /// Whether its motor has volts with its outputs switched so.
  private boolean turns(DrivenMotor driven, boolean on) {
    var tried = trial;
    for (var pin : pins(driven)) tried = tried.holding(pin, on);
    return live(driven, tried, study);
  }

  private static boolean live(DrivenMotor driven, WhatIf tried, Study study) {
    var inside = study.project().brief().surroundings().inside();
    return study
        .engine()
        .solve(tried, Conditions.usual(inside))
        .live(new TerminalRef(driven.motors().getFirst().id(), "U"));
  }

  /// Outputs of controllers without which it stands, on the machine as designed.
  private List<ActuatorRef> pins(DrivenMotor driven) {
    return pins.computeIfAbsent(
        driven.name(),
        _ -> {
          var found = new ArrayList<ActuatorRef>();
          for (var device : study.project().devices()) {
            var part = study.part(device);
            if (part.flatMap(Part::logic).isEmpty()) continue;
            for (var actuator : part.get().actuators())
              if (actuator instanceof Actuator.Program) {
                var ref = new ActuatorRef(device.id(), actuator.name());
                if (serves(driven, ref)) found.add(ref);
              }
          }
          return List.copyOf(found);
        });
  }

  private boolean serves(DrivenMotor driven, ActuatorRef ref) {
    return live(driven, WhatIf.AS_DESIGNED, designed)
        && !live(driven, WhatIf.AS_DESIGNED.holding(ref, false), designed);
  }

  /// How long the program waits after it: until its drive or its pulses tell its speed, or as long
  /// as its dwell.
  double waits(StandIn.Moved moved) {
    if (moved.stands() == 0 || moved.meant() == 0) return 0;
    var motor =
        DrivenMotor.all(study).stream()
            .filter(d -> d.name().equals(moved.axis()))
            .map(d -> d.motors().getFirst())
            .findFirst();
    if (motor.flatMap(m -> Spindles.said(FeedsAtSpeed.AT_SPEED, m, study)).isPresent())
      return moved.lasts();
    return motor
        .flatMap(m -> Spindles.said(FeedsAtSpeed.DWELL, m, study))
        .flatMap(s -> Spindles.time(s.value()))
        .map(Duration::seconds)
        .orElse(0.0);
  }

  /// What is to be said of an axis that feeds at a moment when a spindle has not its speed.
  Optional<String> early(double at) {
    return ramps.entrySet().stream()
        .filter(e -> e.getValue().spindle() && e.getValue().to() > e.getValue().from())
        .filter(e -> at < e.getValue().at() + e.getValue().lasts() - 1e-9)
        .map(e ->
            "it feeds while %s still spins up, %s more"
                .formatted(
                    e.getKey(),
                    Significant.plain(e.getValue().at() + e.getValue().lasts() - at, "s")))
        .findFirst();
  }
}
