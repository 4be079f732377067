package nelvar.core.units;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/// Numbers written with sensible digits: three significant ones, prefixes by thousands, a point as
/// decimal mark.
public final class Significant {
  private static final MathContext THREE = new MathContext(3, RoundingMode.HALF_EVEN);

  private Significant() {}

  /// `value` with three significant digits and no unit: `0.0133`, `4.2`, `1450`.
  public static String digits(double value) {
    if (value == 0) return "0";
    var exact = new BigDecimal(value);
    var rounded =
        Math.abs(value) >= 1000 ? exact.setScale(0, RoundingMode.HALF_EVEN) : exact.round(THREE);
    var plain = rounded.stripTrailingZeros();
    return (plain.scale() < 0 ? plain.setScale(0) : plain).toPlainString();
  }

  /// `value` with every digit it has and no exponent.
  public static String exact(double value) {
    var plain = BigDecimal.valueOf(value).stripTrailingZeros();
    return (plain.scale() < 0 ? plain.setScale(0) : plain).toPlainString();
  }

  /// With the unit and the prefix that keeps the number between 1 and 1000: `13.3 mΩ/m`, `1.45 kW`.
  static String withPrefix(double value, String unit) {
    var size = Math.abs(value);
    if (size >= 999_500) return digits(value / 1e6) + " M" + unit;
    if (size >= 999.5 && !unit.equals("A") && !unit.equals("V") && !unit.equals("s"))
      return digits(value / 1e3) + " k" + unit;
    if (size >= 9_999.5) return digits(value / 1e3) + " k" + unit;
    if (size == 0 || size >= 0.0995 || (unit.equals("A") && size >= 0.00995))
      return digits(value) + " " + unit;
    if (unit.equals("F") && size < 1e-9) return digits(value * 1e12) + " p" + unit;
    if (size >= 0.995e-3 || size < 1e-9) return digits(value * 1e3) + " m" + unit;
    return digits(value * 1e6) + " µ" + unit;
  }

  public static String plain(double value, String unit) {
    return digits(value) + " " + unit;
  }

  static String length(double metres) {
    return metres != 0 && Math.abs(metres) < 0.0995
        ? digits(metres * 1000) + " mm"
        : digits(metres) + " m";
  }
}
