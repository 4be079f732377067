package nelvar.core.units;

import java.util.Objects;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Lengths as a tape in feet and inches has them: `4 ft 6 in`, `4' 6 1/2"`, `7/8 in`.
final class FeetInches {
  private static final String FEET = "(?:(?<feet>[0-9]+)\\s*(?:ft|feet|foot|'))";
  private static final String INCHES =
      "(?:(?:(?<whole>[0-9]+(?:[.,][0-9]+)?)(?:[\\s-]+(?<over>[0-9]+)/(?<under>[0-9]+))?|(?<only>[0-9]+)/(?<of>[0-9]+))\\s*(?:in|inch|inches|\"|''))";

  private static final Pattern BOTH =
      Pattern.compile(FEET + "[\\s,-]*" + INCHES, Pattern.CASE_INSENSITIVE);
  private static final Pattern FRACTION =
      Pattern.compile(
          INCHES.replace("?<whole>[0-9]+(?:[.,][0-9]+)?", "?<whole>[0-9]+"),
          Pattern.CASE_INSENSITIVE);

  private FeetInches() {}

  /// Inches; empty for what is not written so, or in one plain number and unit.
  static OptionalDouble read(String text) {
    var both = BOTH.matcher(text);
    if (both.matches())
      return whole(12.0 * Double.parseDouble(Objects.requireNonNull(both.group("feet"))), both);
    var alone = FRACTION.matcher(text);
    return alone.matches() && (alone.group("over") != null || alone.group("only") != null)
        ? whole(0, alone)
        : OptionalDouble.empty();
  }

  /// Up to whole inches: what is cut by it is never too short.
  static String words(double metres) {
    var inches = (long) Math.ceil(metres / 0.0254 - 1e-6);
    var feet = inches / 12;
    var rest = inches % 12;
    if (feet == 0) return rest + " in";
    return rest == 0 ? feet + " ft" : feet + " ft " + rest + " in";
  }

  private static OptionalDouble whole(double feet, Matcher inches) {
    var sum = feet;
    var number = inches.group("whole");
    if (number != null) sum += Double.parseDouble(number.replace(',', '.'));
    sum += share(inches.group("over"), inches.group("under"));
    sum += share(inches.group("only"), inches.group("of"));
    return Double.isFinite(sum) ? OptionalDouble.of(sum) : OptionalDouble.empty();
  }

  private static double share(
      @org.jspecify.annotations.Nullable String over,
      @org.jspecify.annotations.Nullable String under) {
    return over == null || under == null ? 0 : Double.parseDouble(over) / Double.parseDouble(under);
  }
}
