package nelvar.core.compose.pattern;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Optional;
import nelvar.core.catalogue.Appliance;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.SignalLamp;
import nelvar.core.catalogue.Solenoid;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Parts with the nameplate that was stated, where the catalogue has none like it: loads whose
/// whole behaviour follows from two numbers. They have no price.
final class Made {
  private static final Article UNKNOWN = Article.UNKNOWN;

  private Made() {}

  static Solenoid valve(double volts, double watts) {
    return new Solenoid(
        id("valve", volts, watts, "w"),
        name("Solenoid valve", volts, watts, "W"),
        UNKNOWN,
        coil(volts, watts));
  }

  static Solenoid brake(double volts, double watts) {
    return new Solenoid(
        id("brake", volts, watts, "w"),
        name("Holding brake", volts, watts, "W"),
        UNKNOWN,
        coil(volts, watts));
  }

  private static Coil coil(double volts, double watts) {
    return new Coil(
        new Voltage(volts),
        new Power(rounded(watts)),
        new Percent(90),
        new Percent(110),
        Optional.empty(),
        Optional.empty());
  }

  /// Starts with four times its current (common practice for small motors).
  static DcMotor motor(double volts, double amperes) {
    return new DcMotor(
        id("dc-motor", volts, amperes, "a"),
        name("Direct-current motor", volts, amperes, "A"),
        UNKNOWN,
        around(volts, 0.88, 1.15),
        new Current(rounded(amperes)),
        4);
  }

  static Heater heater(double volts, double watts) {
    return new Heater(
        id("heater", volts, watts, "w"),
        name("Heater", volts, watts, "W"),
        UNKNOWN,
        new Power(rounded(watts)),
        new Voltage(volts));
  }

  static SignalLamp lamp(double volts, double watts) {
    return new SignalLamp(
        id("lamp", volts, watts, "w"),
        name("Lamp", volts, watts, "W"),
        UNKNOWN,
        around(volts, 0.85, 1.15),
        new Current(rounded(watts / volts)),
        Optional.empty());
  }

  /// Double insulated, power factor 0.95 (common for tools with a commutator).
  static Appliance appliance(double volts, double watts) {
    return new Appliance(
        id("appliance", volts, watts, "w"),
        name("Appliance on its cord", volts, watts, "W"),
        UNKNOWN,
        around(volts, 0.9, 1.1),
        new Power(rounded(watts)),
        0.95,
        Optional.empty(),
        false,
        Optional.empty());
  }

  private static VoltageRange around(double volts, double least, double most) {
    return new VoltageRange(
        new Voltage(rounded(volts * least)), new Voltage(rounded(volts * most)));
  }

  /// To what a nameplate has: four digits.
  private static double rounded(double value) {
    return new BigDecimal(value).round(new MathContext(4, RoundingMode.HALF_EVEN)).doubleValue();
  }

  private static String id(String what, double volts, double number, String unit) {
    return "stated-%s-%sv-%s%s".formatted(what, plain(volts), plain(number), unit);
  }

  private static String plain(double number) {
    return Significant.exact(rounded(number)).replace('.', 'p');
  }

  private static String name(String what, double volts, double number, String unit) {
    return "%s, %s V, %s %s, as stated"
        .formatted(what, Significant.digits(volts), Significant.digits(number), unit);
  }
}
