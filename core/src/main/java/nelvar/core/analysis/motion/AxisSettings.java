package nelvar.core.analysis.motion;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.model.Device;
import nelvar.core.model.Project;

/// What has been entered for an axis, in drive and controller.
///
/// *Microsteps* is a setting of the drive, of a servo *Pulses a turn*; *Steps =AX2*, *Fastest =AX2*
/// and *Ramp =AX2* are settings of the controller, named for the axis. A value that ends in *test*
/// is one to try the axis with, and not what it is handed over with.
///
/// @param steps entered for one unit
public record AxisSettings(
    Optional<Entered> microsteps,
    Optional<Entered> steps,
    Optional<Entered> fastest,
    Optional<Entered> ramp) {
  /// Names of the settings.
  public static final String MICROSTEPS = "Microsteps";

  public static final String PULSES = "Pulses a turn";
  public static final String STEPS = "Steps ";
  public static final String FASTEST = "Fastest ";
  public static final String RAMP = "Ramp ";

  private static final Pattern NUMBER =
      Pattern.compile("(?i)\\s*([0-9]+(?:[.,][0-9]+)?)\\s*([^0-9\\s].*?)??\\s*(\\btest\\b)?\\s*");

  /// A value as somebody wrote it.
  ///
  /// @param value its number; empty where there is none in it
  /// @param perInch whether it counts inches
  public record Entered(
      Device device,
      String name,
      String text,
      Optional<Double> value,
      boolean perInch,
      boolean test) {}

  /// @param divides what the drive's own setting is called
  static AxisSettings of(String axis, String divides, Device drive, Device board, Project project) {
    return new AxisSettings(
        entered(drive, divides, project),
        entered(board, STEPS + axis, project),
        entered(board, FASTEST + axis, project),
        entered(board, RAMP + axis, project));
  }

  private static Optional<Entered> entered(Device device, String name, Project project) {
    return project.setting(device.id(), name).map(text -> read(device, name, text));
  }

  /// The number a text begins with.
  public static Optional<Double> number(String text) {
    var number = NUMBER.matcher(text);
    return number.matches()
        ? Optional.of(Double.parseDouble(String.valueOf(number.group(1)).replace(',', '.')))
            .filter(Double::isFinite)
        : Optional.empty();
  }

  static Entered read(Device device, String name, String text) {
    var number = NUMBER.matcher(text);
    if (!number.matches()) return new Entered(device, name, text, Optional.empty(), false, false);
    var unit = String.valueOf(number.group(2)).toLowerCase(Locale.ROOT);
    return new Entered(
        device,
        name,
        text,
        number(text),
        unit.contains("inch") || unit.endsWith("/in") || unit.contains("in/"),
        number.group(3) != null);
  }
}
