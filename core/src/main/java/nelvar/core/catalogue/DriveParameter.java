package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;

/// One value that a frequency converter keeps.
///
/// @param code as its manual and its display name it
/// @param original as it comes from its maker, and as it is after a reset
/// @param takes what it can be set to, in words; a choice has its answers between commas
/// @param stoppedOnly whether it can be changed only while the motor stands
public record DriveParameter(
    String code, Role role, String original, String takes, boolean stoppedOnly) {
  /// What a value is for. Every kind of drive has these, whatever it calls them.
  public enum Role {
    MOTOR_VOLTS("Motor volts"),
    BASE_FREQUENCY("Base frequency"),
    MOTOR_CURRENT("Motor current"),
    GREATEST_FREQUENCY("Greatest frequency"),
    LEAST_FREQUENCY("Least frequency"),
    RAMP_UP("Ramp up"),
    RAMP_DOWN("Ramp down"),
    STOPS_BY("Stops by"),
    TURNS("Turns"),
    INPUT_PHASE_LOSS("Input phase loss"),
    CONTACT("Contact"),
    STARTS_FROM("Starts from"),
    SPEED_SOURCE("Speed source"),
    RUN_INPUT("Run input"),
    RUN_SOURCE("Run source");

    private final String title;

    Role(String title) {
      this.title = title;
    }

    /// The name of the setting of a device that says what was entered.
    public String title() {
      return title;
    }
  }

  /// What every generic kind has, in the order it is entered: the motor first, its limits, what its
  /// terminals mean, and last of all what may make it run. Ranges and originals are such as are
  /// common, without a published source; the manual of the drive at hand decides.
  ///
  /// @param drive whose ratings are the originals
  static List<DriveParameter> usual(FrequencyConverter drive) {
    return List.of(
        of("1", Role.MOTOR_VOLTS, drive.output().toString(), "0–500 V", true),
        of("2", Role.BASE_FREQUENCY, "50 Hz", "1–1000 Hz", true),
        of("3", Role.MOTOR_CURRENT, drive.rating().toString(), "0.1 A to its rating", true),
        of("4", Role.GREATEST_FREQUENCY, "50 Hz", "1–1000 Hz", true),
        of("5", Role.LEAST_FREQUENCY, "0 Hz", "0 Hz to the greatest", false),
        of("6", Role.RAMP_UP, "10 s", "0.1–600 s", false),
        of("7", Role.RAMP_DOWN, "10 s", "0.1–600 s", false),
        of("8", Role.STOPS_BY, "ramp", "ramp, coast", false),
        of("9", Role.TURNS, "both ways", "both ways, forward only", true),
        of("10", Role.INPUT_PHASE_LOSS, "on", "on, off", true),
        of("11", Role.CONTACT, "fault", "ready, fault, running, at speed", true),
        of("12", Role.STARTS_FROM, "1 V", "0–5 V", false),
        of("13", Role.SPEED_SOURCE, "keypad", "keypad, command, line", true),
        of("14", Role.RUN_INPUT, "closed runs", "closed runs, open runs", true),
        of("15", Role.RUN_SOURCE, "keypad", "keypad, terminals, command, line", true));
  }

  private static DriveParameter of(
      String code, Role role, String original, String takes, boolean stoppedOnly) {
    return new DriveParameter(code, role, original, takes, stoppedOnly);
  }

  private static final List<Kind<? extends Quantity>> KINDS =
      List.of(Kind.VOLTAGE, Kind.CURRENT, Kind.FREQUENCY, Kind.DURATION);

  /// Whether a text says a value for it: one of its answers, or a quantity of the kind it came
  /// with.
  public boolean reads(String text) {
    if (!choices().isEmpty())
      return choices().stream().anyMatch(c -> c.equalsIgnoreCase(text.strip()));
    return KINDS.stream()
        .filter(kind -> kind.readStrict(original) instanceof Reading.Value<?>)
        .anyMatch(kind -> kind.read(text) instanceof Reading.Value<?>);
  }

  /// The answers of a choice; none where it takes a number.
  public List<String> choices() {
    return takes.contains(",") ? List.of(takes.split(", *")) : List.of();
  }
}
