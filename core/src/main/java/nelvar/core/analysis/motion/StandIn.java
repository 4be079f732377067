package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// A controller that is not there: takes a few commands in plain words, gives the pulses that its
/// settings make of them, and lets each axis go where its wiring and mechanics take it.
///
/// `=AX2 go 40`, `=AX2 go -10 at 3000`, `=AX2 home`, `=AX2 turn` (one turn of the motor), `wait 2`;
/// of a motor on a frequency converter `=SPN run at 12000`, `=SPN run`, `=SPN stop` ([SpindleRun]).
/// Units are those of the axis. What one unit is to be, and what it becomes, stand side by side.
public final class StandIn {
  private static final Pattern GO =
      Pattern.compile(
          "(?i)(\\S+)\\s+go\\s+([-+]?[0-9]{1,9}(?:[.,][0-9]{1,9})?)\\s*(?:mm|inch|°|deg)?(?:\\s+at\\s+([0-9]{1,9}(?:[.,][0-9]{1,9})?)\\s*(?:mm/min|°/min|inch/min)?)?");
  private static final Pattern HOME = Pattern.compile("(?i)(\\S+)\\s+home");
  private static final Pattern TURN = Pattern.compile("(?i)(\\S+)\\s+turn");
  private static final Pattern WAIT =
      Pattern.compile("(?i)wait\\s+([0-9]{1,6}(?:[.,][0-9]{1,6})?)\\s*s?");

  public static final String ACCEPTED =
      "=AX2 go 40; =AX2 go -10 at 3000; =AX2 turn; =AX2 home; =SPN run at 12000; =SPN stop; wait 2";

  /// Where a speed is neither said nor wanted, units a minute.
  private static final double SLOWLY = 600;

  private static final double WHOLE_TURN = 360;

  private final Map<String, MotionAxis> axes = new HashMap<>();
  private final Map<String, Double> commanded = new HashMap<>();
  private final Map<String, Double> stands = new HashMap<>();
  private final Study study;
  private final SpindleRun spindles;
  private double now;

  private StandIn(Study study, WhatIf trial) {
    // Other parts, wires and settings make another machine: its axes go by those.
    var machine =
        trial.equals(trial.besides()) ? study : study.tried(trial.machine(study.project()));
    this.study = machine;
    this.spindles = new SpindleRun(study, machine, trial.besides());
    for (var axis : MotionAxes.of(machine)) axes.put(axis.name().toUpperCase(Locale.ROOT), axis);
  }

  /// What one command does.
  ///
  /// @param at when it begins, s; @param lasts s
  /// @param pulses given on `pin`, negative backwards; @param hertz while it lasts
  /// @param meant where the axis is to stand after it; @param stands where it does, in its unit
  /// @param says what is to be said of it
  public record Moved(
      String command,
      String axis,
      double at,
      double lasts,
      String pin,
      long pulses,
      double hertz,
      double meant,
      double stands,
      String unit,
      String says) {
    /// Whether it stands where it is to stand, to half a pulse and what ten digits lose.
    public boolean right() {
      return Math.abs(meant - stands) <= 1e-3 * Math.max(1, Math.abs(meant));
    }
  }

  /// A command that cannot be done.
  public static final class Refused extends Exception {
    private static final long serialVersionUID = 1;

    Refused(String why) {
      super(why);
    }
  }

  public static List<Moved> run(List<String> commands, Study study) throws Refused {
    return run(commands, study, WhatIf.AS_DESIGNED);
  }

  /// The same on a machine in which something is otherwise.
  public static List<Moved> run(List<String> commands, Study study, WhatIf trial) throws Refused {
    var standIn = new StandIn(study, trial);
    var all = new ArrayList<Moved>();
    for (var command : commands) {
      if (command.isBlank()) continue;
      standIn.one(command.strip()).ifPresent(all::add);
    }
    return all;
  }

  private Optional<Moved> one(String command) throws Refused {
    var wait = WAIT.matcher(command);
    if (wait.matches()) {
      now += number(wait.group(1));
      return Optional.empty();
    }
    var go = GO.matcher(command);
    if (go.matches()) {
      var axis = axis(String.valueOf(go.group(1)));
      return Optional.of(
          go(
              command,
              axis,
              number(go.group(2)),
              go.group(3) == null ? Optional.empty() : Optional.of(number(go.group(3)))));
    }
    var turn = TURN.matcher(command);
    if (turn.matches()) {
      var axis = axis(String.valueOf(turn.group(1)));
      var travel =
          axis.mechanics()
              .perMotorTurn()
              .orElseThrow(() ->
                  new Refused(
                      "what one turn of %s moves is not said"
                          .formatted(axis.motor().designation())));
      return Optional.of(
          go(command, axis, travel / axis.mechanics().unit().own(), Optional.empty()));
    }
    var home = HOME.matcher(command);
    if (home.matches()) {
      var axis = axis(String.valueOf(home.group(1)));
      commanded.put(axis.name(), 0.0);
      stands.put(axis.name(), 0.0);
      return Optional.of(
          new Moved(
              command,
              axis.name(),
              now,
              0,
              pin(axis),
              0,
              0,
              0,
              0,
              axis.mechanics().unit().sign(),
              "it counts from here"));
    }
    var turned = spindles.one(command, now);
    if (turned.isPresent()) {
      now += spindles.waits(turned.get());
      return turned;
    }
    throw new Refused("'%s' is no command: write it such as %s".formatted(command, ACCEPTED));
  }

  private MotionAxis axis(String name) throws Refused {
    var found = axes.get(name.toUpperCase(Locale.ROOT));
    if (found == null) found = axes.get("=" + name.toUpperCase(Locale.ROOT));
    if (found == null)
      throw new Refused(
          axes.isEmpty()
              ? "no motor of this machine turns by pulses"
              : "there is no axis '%s'; there are %s"
                  .formatted(name, String.join(", ", axes.keySet().stream().sorted().toList())));
    return found;
  }

  private Moved go(String command, MotionAxis axis, double by, Optional<Double> speed)
      throws Refused {
    var steps =
        axis.settings()
            .steps()
            .flatMap(AxisSettings.Entered::value)
            .orElseThrow(() ->
                new Refused(
                    "no steps are entered for %s in %s"
                        .formatted(axis.name(), axis.board().designation())));
    var entered = axis.settings().steps().orElseThrow();
    var perUnit =
        entered.perInch() && axis.mechanics().unit() == Mechanics.Unit.MILLIMETRE
            ? steps / Mechanics.Unit.INCH.own()
            : steps;
    var actual =
        AxisSteps.computed(axis)
            .map(k -> k.value())
            .orElseThrow(() -> new Refused(StepsEntered.lacks(axis).orElse("")));
    var meant = commanded.merge(axis.name(), by, Double::sum);
    var before = stands.getOrDefault(axis.name(), 0.0);
    var pulses = Math.round(by * perUnit);
    var way = Direction.of(axis, study).right().orElse(true) ? 1 : -1;
    var after = before + way * pulses / actual;
    stands.put(axis.name(), after);
    var fastest =
        speed
            .or(() -> axis.settings().fastest().flatMap(AxisSettings.Entered::value))
            .or(() -> wanted(axis))
            .orElse(SLOWLY);
    var hertz = fastest / 60 / unitsInSpeed(axis) * perUnit;
    var lasts = hertz > 0 ? Math.abs(pulses) / hertz : 0;
    var at = now;
    now += lasts;
    return new Moved(
        command,
        axis.name(),
        at,
        lasts,
        pin(axis),
        pulses,
        hertz,
        meant,
        after,
        axis.mechanics().unit().sign(),
        spindles.early(at).orElseGet(() -> says(axis, hertz, way)));
  }

  private static Optional<Double> wanted(MotionAxis axis) {
    var degrees = axis.mechanics().unit() == Mechanics.Unit.DEGREE;
    return axis.wants()
        .speed()
        .filter(v -> degrees == (v.unit() == Measure.Unit.ROTATION))
        .map(v -> degrees ? v.value() * WHOLE_TURN : v.value());
  }

  /// Speeds are in millimetres a minute, whatever the axis counts.
  private static double unitsInSpeed(MotionAxis axis) {
    return axis.mechanics().unit().own();
  }

  private static String says(MotionAxis axis, double hertz, int way) {
    if (way < 0) return "it runs the wrong way";
    return axis.greatestRate().filter(f -> hertz > f.hertz()).isPresent()
        ? "%s Hz are more than they can do: it loses steps".formatted(Significant.digits(hertz))
        : "";
  }

  private static String pin(MotionAxis axis) {
    return axis.step()
        .map(link -> axis.board().designation() + ":" + link.pin().name())
        .orElse(axis.board().designation().text());
  }

  private static double number(@org.jspecify.annotations.Nullable String text) {
    return Double.parseDouble(String.valueOf(text).replace(',', '.'));
  }
}
