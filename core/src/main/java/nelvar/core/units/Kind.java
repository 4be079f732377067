package nelvar.core.units;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.DoubleFunction;
import java.util.regex.Pattern;

/// A kind of quantity that people write: its units, its name in a message, an example, and its
/// reader.
///
/// Reads `1.5 kW`, `0,75 mm²`, `16 AWG`, `2 hp`, `24V`; a decimal comma or point, any spacing. A
/// bare number is taken in the kind's own unit by [#read], and refused by [#readStrict].
public final class Kind<Q extends Quantity> {
  private static final Pattern WRITTEN =
      Pattern.compile(
          "([+-]?[0-9]+(?:[.,][0-9]+)?(?:[eE][+-]?[0-9]{1,3})?|[+-]?[.,][0-9]+)\\s*(.*)");
  private static final Pattern GAUGE =
      Pattern.compile("(?:#|AWG\\s*)?([1-4]/0|[0-9]{1,2})\\s*(?:AWG)?", Pattern.CASE_INSENSITIVE);

  private static final Pattern KCMIL =
      Pattern.compile("([0-9]{2,4})\\s*(?:kcmil|mcm)", Pattern.CASE_INSENSITIVE);

  public static final Kind<Current> CURRENT =
      kind(
          "a current",
          "2.5 A or 800 mA",
          Current.RANGE,
          Current::new,
          "A",
          1,
          "mA",
          1e-3,
          "kA",
          1e3,
          "µA",
          1e-6,
          "uA",
          1e-6,
          "amp",
          1,
          "amps",
          1,
          "MA",
          1e6);
  public static final Kind<Voltage> VOLTAGE =
      kind(
          "a voltage",
          "24 V or 400 V",
          Voltage.RANGE,
          Voltage::new,
          "V",
          1,
          "mV",
          1e-3,
          "kV",
          1e3,
          "VDC",
          1,
          "VAC",
          1,
          "V DC",
          1,
          "V AC",
          1,
          "volt",
          1,
          "volts",
          1,
          "MV",
          1e6,
          "µV",
          1e-6,
          "uV",
          1e-6);
  public static final Kind<Power> POWER =
      kind(
          "a power",
          "1.5 kW, 30 W or 2 hp",
          Power.RANGE,
          Power::new,
          "W",
          1,
          "mW",
          1e-3,
          "kW",
          1e3,
          "MW",
          1e6,
          "hp",
          745.699872,
          "VA",
          1,
          "kVA",
          1e3,
          "GW",
          1e9,
          "µW",
          1e-6,
          "uW",
          1e-6,
          "MVA",
          1e6);
  public static final Kind<Length> LENGTH =
      kind(
          "a length",
          "3.2 m, 850 mm, 12 ft or 4 ft 6 1/2 in",
          Length.RANGE,
          Length::new,
          "m",
          1,
          "mm",
          1e-3,
          "cm",
          1e-2,
          "km",
          1e3,
          "ft",
          0.3048,
          "'",
          0.3048,
          "in",
          0.0254,
          "\"",
          0.0254,
          "µm",
          1e-6,
          "um",
          1e-6);
  public static final Kind<CrossSection> CROSS_SECTION =
      kind(
          "a cross-section",
          "0.75 mm² or 16 AWG",
          CrossSection.RANGE,
          CrossSection::new,
          "mm²",
          1,
          "mm2",
          1,
          "mm^2",
          1,
          "sqmm",
          1,
          "qmm",
          1);
  public static final Kind<Resistance> RESISTANCE =
      kind(
          "a resistance",
          "0.45 Ω or 10 mΩ",
          Resistance.RANGE,
          Resistance::new,
          "Ω",
          1,
          "ohm",
          1,
          "ohms",
          1,
          "mΩ",
          1e-3,
          "mohm",
          1e-3,
          "kΩ",
          1e3,
          "kohm",
          1e3,
          "MΩ",
          1e6,
          "Mohm",
          1e6,
          "µΩ",
          1e-6,
          "uohm",
          1e-6,
          "GΩ",
          1e9,
          "Gohm",
          1e9);
  public static final Kind<Capacitance> CAPACITANCE =
      kind(
          "a capacitance",
          "470 µF or 22 mF",
          Capacitance.RANGE,
          Capacitance::new,
          "F",
          1,
          "mF",
          1e-3,
          "µF",
          1e-6,
          "uF",
          1e-6,
          "nF",
          1e-9,
          "pF",
          1e-12);
  public static final Kind<ResistancePerLength> RESISTANCE_PER_LENGTH =
      kind(
          "a resistance per length",
          "13.3 mΩ/m",
          ResistancePerLength.RANGE,
          ResistancePerLength::new,
          "Ω/m",
          1,
          "ohm/m",
          1,
          "mΩ/m",
          1e-3,
          "Ω/km",
          1e-3,
          "ohm/km",
          1e-3,
          "µΩ/m",
          1e-6,
          "kΩ/m",
          1e3);
  public static final Kind<Temperature> TEMPERATURE =
      kind(
          "a temperature",
          "40 °C or 104 °F",
          Temperature.RANGE,
          Temperature::new,
          "°C",
          1,
          "C",
          1,
          "degC",
          1);
  public static final Kind<Percent> PERCENT =
      kind("a share", "80 %", Percent.RANGE, Percent::new, "%", 1, "percent", 1);
  public static final Kind<Duration> DURATION =
      kind(
          "a time",
          "20 ms or 5 s",
          Duration.RANGE,
          Duration::new,
          "s",
          1,
          "ms",
          1e-3,
          "µs",
          1e-6,
          "us",
          1e-6,
          "ns",
          1e-9,
          "min",
          60,
          "h",
          3600);
  public static final Kind<Frequency> FREQUENCY =
      kind(
          "a frequency",
          "50 Hz",
          Frequency.RANGE,
          Frequency::new,
          "Hz",
          1,
          "kHz",
          1e3,
          "MHz",
          1e6,
          "GHz",
          1e9,
          "mHz",
          1e-3,
          "µHz",
          1e-6);

  public static final Kind<Energy> ENERGY =
      kind(
          "an energy",
          "494 J",
          Energy.RANGE,
          Energy::new,
          "J",
          1,
          "mJ",
          1e-3,
          "kJ",
          1e3,
          "Ws",
          1,
          "Wh",
          3600,
          "kWh",
          3.6e6,
          "MJ",
          1e6,
          "µJ",
          1e-6);

  private static final Map<Measure.Unit, Kind<Measure>> MEASURES = measures();

  private final String name;
  private final String example;
  private final Range range;
  private final DoubleFunction<Q> make;
  private final Map<String, Double> factors;
  private final String ownUnit;

  private Kind(
      String name,
      String example,
      Range range,
      DoubleFunction<Q> make,
      Map<String, Double> factors) {
    this.range = range;
    this.name = name;
    this.example = example;
    this.make = make;
    this.factors = factors;
    this.ownUnit = factors.keySet().iterator().next();
  }

  private static <Q extends Quantity> Kind<Q> kind(
      String name, String example, Range range, DoubleFunction<Q> make, Object... unitsAndFactors) {
    var factors = new LinkedHashMap<String, Double>();
    for (var i = 0; i < unitsAndFactors.length; i += 2) {
      factors.put((String) unitsAndFactors[i], ((Number) unitsAndFactors[i + 1]).doubleValue());
    }
    return new Kind<>(name, example, range, make, factors);
  }

  /// Of one of the rarer units.
  public static Kind<Measure> of(Measure.Unit unit) {
    return Objects.requireNonNull(MEASURES.get(unit));
  }

  private static Map<Measure.Unit, Kind<Measure>> measures() {
    var all = new EnumMap<Measure.Unit, Kind<Measure>>(Measure.Unit.class);
    for (var unit : Measure.Unit.values()) {
      var factors = new LinkedHashMap<String, Double>();
      var plain =
          unit.sign().replace("·", "").replace("½", "0.5").replace('²', '2').replace('³', '3');
      factors.put(unit.sign(), 1.0);
      factors.put(plain, 1.0);
      if (unit.prefixed())
        Map.of("m", 1e-3, "µ", 1e-6, "u", 1e-6, "n", 1e-9, "k", 1e3, "M", 1e6).entrySet().stream()
            .sorted(Map.Entry.comparingByKey())
            .forEach(prefix -> {
              factors.put(prefix.getKey() + plain, prefix.getValue());
              factors.put(prefix.getKey() + unit.sign(), prefix.getValue());
            });
      factors.putAll(alsoWritten(unit));
      all.put(
          unit,
          new Kind<>(
              unit.noun(),
              unit.example(),
              unit.range(),
              value -> new Measure(value, unit),
              factors));
    }
    return all;
  }

  /// Units that people write besides.
  private static Map<String, Double> alsoWritten(Measure.Unit unit) {
    return switch (unit) {
      case FEED ->
          Map.of("mm/s", 60.0, "m/min", 1000.0, "m/s", 60_000.0, "inch/min", 25.4, "in/min", 25.4);
      case ROTATION -> Map.of("/min", 1.0, "1/min", 1.0);
      case MASS -> Map.of("g", 1e-3, "lb", 0.45359237);
      case INERTIA -> Map.of("kgcm2", 1e-4, "kg·cm²", 1e-4, "gcm2", 1e-7, "g·cm²", 1e-7);
      default -> Map.of();
    };
  }

  /// A quantity of this kind, in its own unit.
  public Q of(double value) {
    return make.apply(value);
  }

  /// From where to where it may be written.
  public Range range() {
    return range;
  }

  /// The unit a bare number is taken in.
  public String ownUnit() {
    return ownUnit;
  }

  public String example() {
    return example;
  }

  /// Reads what a person typed into a field that shows its unit: a bare number is taken in that
  /// unit.
  public Reading<Q> read(String text) {
    return read(text, false);
  }

  /// Reads a text that must name its unit, such as a value in a file.
  public Reading<Q> readStrict(String text) {
    return read(text, true);
  }

  private Reading<Q> read(String text, boolean unitRequired) {
    var trimmed = text.strip().replace('\u00a0', ' ').replace('\u2212', '-').replace('μ', 'µ');
    if (trimmed.isEmpty()) return misread("nothing is written here");
    if (this == (Object) CROSS_SECTION
        && trimmed.toUpperCase(Locale.ROOT).matches(".*(AWG|#|/0|MCM|KCMIL).*"))
      return gauge(trimmed);
    if (this == (Object) LENGTH) {
      var inches = FeetInches.read(trimmed);
      if (inches.isPresent()) return make(inches.getAsDouble() * 0.0254);
    }
    var match = WRITTEN.matcher(trimmed);
    if (!match.matches()) return misread("'" + text + "' is not " + name);
    var unit = Objects.requireNonNull(match.group(2)).strip();
    if (unit.matches("[.,0-9].*"))
      return misread("'" + text + "' has two decimal marks; write no thousands separators");
    if (unit.isEmpty() && unitRequired) return misread("'" + text + "' has no unit");
    return build(
        text, Double.parseDouble(Objects.requireNonNull(match.group(1)).replace(',', '.')), unit);
  }

  private Reading<Q> build(String text, double number, String unit) {
    if (this == (Object) TEMPERATURE && unit.matches("°?F")) return make((number - 32) / 1.8);
    var factor = unit.isEmpty() ? Double.valueOf(1) : factor(unit);
    if (factor == null) return misread("'" + unit + "' in '" + text + "' is not a unit of " + name);
    return make(number * factor);
  }

  private @org.jspecify.annotations.Nullable Double factor(String unit) {
    var exact = factors.get(unit);
    if (exact != null) return exact;
    // Between milli and mega case is the only difference: it must be right. Elsewhere people write
    // kw, Kw, HZ.
    Double found = null;
    var same = false;
    for (var entry : factors.entrySet()) {
      if (!entry.getKey().equalsIgnoreCase(unit)) continue;
      if (found != null && !found.equals(entry.getValue())) return null;
      found = entry.getValue();
      same = prefix(entry.getKey()) == prefix(unit);
    }
    return same ? found : null;
  }

  /// `m` or `M` where a unit begins with one before another letter; else nothing.
  private static char prefix(String unit) {
    var first = unit.charAt(0);
    return (first == 'm' || first == 'M') && unit.length() > 1 ? first : ' ';
  }

  private Reading<Q> gauge(String text) {
    var kcmil = KCMIL.matcher(text);
    if (kcmil.matches())
      return make(
          CrossSection.ofKcmil(Double.parseDouble(Objects.requireNonNull(kcmil.group(1))))
              .squareMillimetres());
    var match = GAUGE.matcher(text);
    if (!match.matches()) return misread("'" + text + "' is not a wire gauge");
    var number = Objects.requireNonNull(match.group(1));
    var n = number.endsWith("/0") ? 1 - (number.charAt(0) - '0') : Integer.parseInt(number);
    try {
      return make(CrossSection.ofGauge(n).squareMillimetres());
    } catch (ImpossibleQuantity impossible) {
      return new Reading.Misread<>(String.valueOf(impossible.getMessage()));
    }
  }

  private Reading<Q> make(double value) {
    try {
      return new Reading.Value<>(make.apply(range.written(value)));
    } catch (ImpossibleQuantity impossible) {
      return new Reading.Misread<>(String.valueOf(impossible.getMessage()));
    }
  }

  private Reading<Q> misread(String why) {
    return new Reading.Misread<>(why + ": write " + name + " such as " + example);
  }
}
