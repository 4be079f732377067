package nelvar.core.units;

import java.util.regex.Pattern;

/// The voltage system of an alternating supply.
///
/// Written `230 V` (single-phase), `3x400 V` (three-phase, between lines), `120/240 V`
/// (split-phase). `between` is the voltage between two lines; for single-phase it is the voltage
/// between line and neutral.
public record MainsVoltage(Phases phases, Voltage between) {
  public enum Phases {
    SINGLE,
    SPLIT,
    THREE
  }

  private static final Pattern THREE =
      Pattern.compile("3\\s*[x×~]\\s*(.+)", Pattern.CASE_INSENSITIVE);
  private static final Pattern SPLIT =
      Pattern.compile(
          "([0-9]+(?:[.,][0-9]+)?)\\s*/\\s*([0-9]+(?:[.,][0-9]+)?)\\s*V?",
          Pattern.CASE_INSENSITIVE);

  /// Line to earth: `U0`. For three-phase, the voltage between lines divided by √3.
  public Voltage toNeutral() {
    return switch (phases) {
      case SINGLE -> between;
      case SPLIT -> between.times(0.5);
      case THREE -> between.times(1 / Math.sqrt(3));
    };
  }

  public static Reading<MainsVoltage> read(String text) {
    var trimmed = text.strip();
    var three = THREE.matcher(trimmed);
    if (three.matches()) return of(Phases.THREE, String.valueOf(three.group(1)), text);
    var split = SPLIT.matcher(trimmed);
    if (split.matches()) {
      var low = Double.parseDouble(String.valueOf(split.group(1)).replace(',', '.'));
      var high = Double.parseDouble(String.valueOf(split.group(2)).replace(',', '.'));
      if (Math.abs(high - 2 * low) < 1) return of(Phases.SPLIT, high + " V", text);
      if (Math.abs(high / low - Math.sqrt(3)) < 0.02) return of(Phases.THREE, high + " V", text);
      if (Math.abs(low / high - Math.sqrt(3)) < 0.02) return of(Phases.THREE, low + " V", text);
      return wrong(text);
    }
    return of(Phases.SINGLE, trimmed, text);
  }

  private static Reading<MainsVoltage> of(Phases phases, String voltage, String text) {
    return switch (Kind.VOLTAGE.read(voltage)) {
      case Reading.Value<Voltage>(var volts) when volts.volts() > 0 ->
          new Reading.Value<>(new MainsVoltage(phases, volts));
      default -> wrong(text);
    };
  }

  private static Reading<MainsVoltage> wrong(String text) {
    return new Reading.Misread<>(
        "'" + text + "' is not a mains voltage: write 230 V, 3x400 V or 120/240 V");
  }

  /// With every digit it has, so that reading gives the same voltage back.
  public String exact() {
    var volts = Significant.exact(between.volts());
    return switch (phases) {
      case SINGLE -> volts + " V";
      case SPLIT -> Significant.exact(toNeutral().volts()) + "/" + volts + " V";
      case THREE -> "3x" + volts + " V";
    };
  }

  @Override
  public String toString() {
    return switch (phases) {
      case SINGLE -> between.toString();
      case SPLIT -> Significant.digits(toNeutral().volts()) + "/" + between;
      case THREE -> "3x" + between;
    };
  }
}
