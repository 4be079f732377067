package nelvar.core.compose.need;

import java.util.Locale;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/// A number with its unit as it stands in a name or is typed, in the unit others are compared in:
/// `0,75 kW` and `750 W` are the same.
record Amount(double value, String unit) {
  static final String NUMBER = "([0-9]+(?:[.,][0-9]+)?)";
  static final String UNIT = "(kW|W|VA|V|mA|A|Hz|mm²|mm2|mm|AWG|N·m|mF|m)(?![\\p{L}0-9])";

  /// A number counts with the unit behind it and only as a whole.
  static final Pattern PATTERN =
      Pattern.compile("(?<![\\p{L}0-9.,])" + NUMBER + "\\s*" + UNIT, Pattern.CASE_INSENSITIVE);

  /// Of what multiplying leaves behind the sixth decimal nothing was typed.
  private static final double DECIMALS = 1e6;

  Amount {
    value = Math.round(value * DECIMALS) / DECIMALS;
  }

  static Amount of(@Nullable String number, @Nullable String unit) {
    var value = Double.parseDouble(Objects.requireNonNull(number).replace(',', '.'));
    var plain = Objects.requireNonNull(unit).toLowerCase(Locale.ROOT);
    return switch (plain) {
      case "kw" -> new Amount(value * 1000, "w");
      case "ma" -> new Amount(value / 1000, "a");
      case "mm2" -> new Amount(value, "mm²");
      case "m" -> new Amount(value * 1000, "mm");
      default -> new Amount(value, plain);
    };
  }

  static Stream<Amount> in(String text) {
    return PATTERN.matcher(text).results().map(match -> of(match.group(1), match.group(2)));
  }
}
