package nelvar.core.compose.need;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Means;

/// The words builders use for what a machine must do, and what each means.
final class Words {
  /// @param word a singular; its plural is understood too
  record Meaning(String word, FunctionKind kind, Optional<Means> by) {
    Pattern pattern() {
      var plural = word.endsWith("s") ? word : word + "(?:e?s)?";
      return Pattern.compile(
          "(?<![\\p{L}\\p{N}-])" + plural.replace(" ", "[\\s-]+") + "(?![\\p{L}\\p{N}-])",
          Pattern.CASE_INSENSITIVE);
    }
  }

  private record Read(Meaning meaning, Pattern pattern) {}

  private static final List<Read> ALL =
      List.of(
              means(
                  FunctionKind.STOP,
                  Means.STOP_BUTTON,
                  "stop button",
                  "emergency stop",
                  "e-stop",
                  "stop"),
              means(FunctionKind.STOP, Means.GUARD, "guard switch", "guard", "door interlock"),
              means(
                  FunctionKind.MOVE,
                  Means.STEPPER,
                  "stepper motor",
                  "stepper",
                  "stepper axis",
                  "stepper axes"),
              means(
                  FunctionKind.MOVE,
                  Means.SERVO,
                  "servo motor",
                  "servo",
                  "servo axis",
                  "servo axes"),
              plain(FunctionKind.MOVE, "axis", "axes", "slide"),
              means(FunctionKind.TURN, Means.DRIVE, "spindle", "head", "motor on a drive"),
              means(FunctionKind.TURN, Means.MOTOR, "motor on the mains", "motor on a contactor"),
              means(FunctionKind.TURN, Means.APPLIANCE, "hand router", "router"),
              plain(
                  FunctionKind.TURN,
                  "motor",
                  "conveyor",
                  "roller",
                  "mixer",
                  "auger",
                  "saw",
                  "drill",
                  "grinder",
                  "stirrer",
                  "vibrator",
                  "winder",
                  "turntable",
                  "belt"),
              means(
                  FunctionKind.PUMP,
                  Means.APPLIANCE,
                  "dust extractor",
                  "extractor",
                  "vacuum cleaner",
                  "vacuum"),
              means(FunctionKind.PUMP, Means.FAN, "fan", "blower"),
              plain(FunctionKind.PUMP, "pump", "compressor"),
              means(
                  FunctionKind.OPEN,
                  Means.VALVE,
                  "solenoid valve",
                  "valve",
                  "cylinder",
                  "gripper",
                  "clamp",
                  "flap"),
              means(FunctionKind.HOLD, Means.BRAKE, "holding brake", "brake"),
              plain(
                  FunctionKind.HEAT,
                  "heater",
                  "heating",
                  "hot wire",
                  "heated bed",
                  "heating plate",
                  "heating rod"),
              means(FunctionKind.SHOW, Means.TOWER, "signal tower", "light tower", "tower"),
              means(FunctionKind.SHOW, Means.LAMP, "signal lamp", "pilot light", "indicator"),
              means(
                  FunctionKind.SHOW,
                  Means.PANEL,
                  "operator panel",
                  "touch panel",
                  "display",
                  "screen"),
              means(FunctionKind.LIGHT, Means.LAMP, "work light", "machine light", "light", "lamp"),
              means(FunctionKind.SENSE, Means.LIMIT_SWITCH, "limit switch", "end switch", "limit"),
              means(
                  FunctionKind.SENSE,
                  Means.BUTTON,
                  "push button",
                  "start button",
                  "button",
                  "foot switch"),
              means(
                  FunctionKind.SENSE,
                  Means.PHOTO_EYE,
                  "photo eye",
                  "light barrier",
                  "optical sensor"),
              means(
                  FunctionKind.SENSE,
                  Means.PROXIMITY,
                  "inductive sensor",
                  "proximity sensor",
                  "proximity switch",
                  "homing sensor",
                  "home sensor",
                  "home switch"),
              means(FunctionKind.SENSE, Means.CYLINDER_SENSOR, "cylinder sensor"),
              means(FunctionKind.SENSE, Means.FLOW_SWITCH, "flow switch", "flow proof"),
              means(FunctionKind.SENSE, Means.THERMAL_SWITCH, "thermal switch"),
              means(FunctionKind.SENSE, Means.TOOL_SETTER, "tool setter"),
              means(FunctionKind.SENSE, Means.PROBE, "touch probe", "probe"),
              means(FunctionKind.SHOW, Means.APPLIANCE, "monitor"),
              plain(FunctionKind.SENSE, "sensor"),
              means(
                  FunctionKind.COUNT,
                  Means.PULSES,
                  "pulse pick-up",
                  "counter",
                  "encoder",
                  "pulses"),
              plain(
                  FunctionKind.MEASURE,
                  "transmitter",
                  "load cell",
                  "thermometer",
                  "pressure gauge",
                  "scale",
                  "measurement"),
              means(FunctionKind.COMPUTE, Means.COMPUTER, "computer", "pc"),
              means(FunctionKind.COMPUTE, Means.CONTROLLER, "controller"),
              means(FunctionKind.FEED, Means.SOCKET, "socket", "outlet"),
              means(FunctionKind.FEED, Means.SUPPLY, "supply"))
          .stream()
          .flatMap(List::stream)
          .map(meaning -> new Read(meaning, meaning.pattern()))
          .toList();

  private Words() {}

  private static List<Meaning> means(FunctionKind kind, Means by, String... words) {
    return meanings(kind, Optional.of(by), words);
  }

  private static List<Meaning> plain(FunctionKind kind, String... words) {
    return meanings(kind, Optional.empty(), words);
  }

  private static List<Meaning> meanings(FunctionKind kind, Optional<Means> by, String... words) {
    return java.util.Arrays.stream(words).map(word -> new Meaning(word, kind, by)).toList();
  }

  /// What was found where.
  record Found(Meaning meaning, int from, int to) {}

  /// The word that says what it is: the one that ends last, as in `belt motor`; of several that end
  /// there the longest. What it is driven by may be said before it: `motor on the mains, stirrer`.
  static Optional<Found> in(String text) {
    var best = last(text, _ -> true);
    if (best.isEmpty() || best.get().meaning().by().isPresent()) return best;
    var kind = best.get().meaning().kind();
    if (kind != FunctionKind.TURN && kind != FunctionKind.PUMP) return best;
    var driven =
        last(text, meaning -> meaning.by().isPresent() && meaning.word().startsWith("motor on"));
    return best.map(found ->
        new Found(
            new Meaning(found.meaning().word(), kind, driven.flatMap(it -> it.meaning().by())),
            found.from(),
            found.to()));
  }

  private static Optional<Found> last(String text, java.util.function.Predicate<Meaning> which) {
    Optional<Found> best = Optional.empty();
    for (var read : ALL) {
      if (!which.test(read.meaning())) continue;
      var match = read.pattern().matcher(text);
      while (match.find()) {
        var found = new Found(read.meaning(), match.start(), match.end());
        if (best.isEmpty() || better(found, best.get())) best = Optional.of(found);
      }
    }
    return best;
  }

  private static boolean better(Found one, Found other) {
    return one.to() != other.to()
        ? one.to() > other.to()
        : one.to() - one.from() > other.to() - other.from();
  }

  /// Some of the words, for a message.
  static String examples() {
    return "motor, stepper, servo, spindle, pump, valve, brake, heater, light, sensor, limit switch, stop button, guard, operator panel, controller, computer, socket";
  }
}
