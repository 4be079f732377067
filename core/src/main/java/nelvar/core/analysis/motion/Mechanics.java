package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nelvar.core.units.Significant;

/// What stands between a motor and its load, as builders write it: `screw 10 mm`, `screw 2 start 4
/// mm`, `10 TPI 5 start`, `belt 5 mm 24 teeth gear 3:1`, `rack module 1 20 teeth`, `drum 120 mm`,
/// `turntable gear 60:1`; besides `friction 20 N`, `carrier drag 8 N`, `inertia 2.4 kgcm2`,
/// `vertical`, `ramp 2000 mm/s2`, `efficiency 80 %`, `overrun 12 mm`, `coasts 4 s`, `per inch`.
///
/// Read from the words of the function; what stands there besides is not its business.
///
/// @param ratio turns of the motor for one of what moves the load
/// @param perTurn what one turn of that moves, in mm or degrees; empty where it is not said
/// @param words of the kind of mechanics: `belt, 24 teeth of 5 mm`
/// @param friction against it, N, drags of hoses and carriers among it
/// @param inertia of what turns at the load, kg·m²
/// @param ramp acceleration of the load, mm/s² or °/s²
/// @param efficiency stated; else one as is usual is taken
/// @param overrun room behind the point where a switch trips, mm
/// @param coasts from its full speed until it stands, without torque, by a stop-watch, s
public record Mechanics(
    double ratio,
    Optional<Double> perTurn,
    Unit unit,
    List<String> words,
    Optional<Double> friction,
    Optional<Double> inertia,
    boolean vertical,
    Optional<Double> ramp,
    Optional<Double> efficiency,
    Optional<Double> overrun,
    Optional<Double> coasts) {
  /// In what its travel is counted.
  public enum Unit {
    MILLIMETRE("mm", 1),
    INCH("inch", 25.4),
    DEGREE("°", 1);

    private final String sign;
    private final double own;

    Unit(String sign, double own) {
      this.sign = sign;
      this.own = own;
    }

    public String sign() {
      return sign;
    }

    /// Millimetres, or degrees, of one.
    public double own() {
      return own;
    }
  }

  private static final double INCH = 25.4;
  private static final double WHOLE_TURN = 360;

  public static final String ACCEPTED =
      "such as screw 10 mm; screw 2 start 4 mm; 10 TPI 5 start; belt 5 mm 24 teeth; rack module 1 20 teeth; drum 120 mm; turntable; with gear 3:1";

  private static final String NUMBER = "([0-9]{1,9}(?:[.,][0-9]{1,9})?)";
  private static final String IN = "\\s*(mm|inch|in\\b|\")";

  private static final Pattern TPI =
      pattern("(?:([0-9]+)[ -]?starts?\\s+)?" + NUMBER + "\\s*TPI(?:[ ,]+([0-9]+)[ -]?starts?)?");
  private static final Pattern SCREW =
      pattern(
          "(?:([0-9]+)[ -]starts?\\s+)?(?:ball ?)?screw\\s+(?:([0-9]+)[ -]starts?\\s+(?:of\\s+)?)?(?:lead\\s+)?"
              + NUMBER
              + IN);
  private static final Pattern BELT =
      pattern("belt\\s+" + NUMBER + "\\s*mm\\s+([0-9]+)\\s*(?:teeth|tooth)");
  private static final Pattern TEETH =
      pattern("([0-9]+)\\s*(?:teeth|tooth)\\s+(?:of\\s+|x\\s+)?" + NUMBER + "\\s*mm");
  private static final Pattern MODULE =
      pattern("(?:rack|pinion)\\s+module\\s+" + NUMBER + "\\s+([0-9]+)\\s*(?:teeth|tooth)");
  private static final Pattern RACK =
      pattern("(?:rack|pinion)\\s+" + NUMBER + "\\s*mm\\s+([0-9]+)\\s*(?:teeth|tooth)");
  private static final Pattern DRUM = pattern("(?:drum|roller|wheel|capstan)\\s+" + NUMBER + IN);
  private static final Pattern ROUND =
      pattern("\\b(?:turntable|rotary|round table|turns round|degrees)\\b");
  private static final Pattern GEAR =
      pattern("(?:gear|gearbox|reduction)\\s+" + NUMBER + "(?:\\s*[:/]\\s*" + NUMBER + ")?");
  private static final Pattern DRAG = pattern("(?:friction|drag)\\s+" + NUMBER + "\\s*N\\b");
  private static final Pattern INERTIA =
      pattern("inertia\\s+" + NUMBER + "\\s*(kg\\s*cm2|kg·?cm²|g\\s*cm2|kg\\s*m2|kg·?m²)");
  private static final Pattern VERTICAL = pattern("\\b(?:vertical|hangs|suspended)\\b");
  private static final Pattern RAMP =
      pattern("ramp\\s+" + NUMBER + "\\s*(mm/s2|mm/s²|m/s2|m/s²|deg/s2|°/s²)");
  private static final Pattern EFFICIENCY = pattern("efficiency\\s+" + NUMBER + "\\s*%");
  private static final Pattern OVERRUN = pattern("overrun\\s+" + NUMBER + "\\s*mm");
  private static final Pattern COASTS = pattern("(?:coasts|runs down)\\s+" + NUMBER + "\\s*s\\b");
  private static final Pattern PER_INCH = pattern("\\bper inch\\b");

  /// Motors of another function that move along: `carries =SPN`.
  static final Pattern CARRIES = pattern("\\bcarries\\s+(=?[A-Za-z0-9]+)");

  /// Those with more words first, so that none takes a piece of another.
  private static final List<Pattern> PHRASES =
      List.of(
          TPI,
          MODULE,
          RACK,
          BELT,
          TEETH,
          SCREW,
          DRUM,
          GEAR,
          DRAG,
          INERTIA,
          RAMP,
          EFFICIENCY,
          OVERRUN,
          COASTS,
          CARRIES,
          PER_INCH,
          VERTICAL);

  public Mechanics {
    words = List.copyOf(words);
  }

  private static Pattern pattern(String text) {
    return Pattern.compile(text, Pattern.CASE_INSENSITIVE);
  }

  /// Travel of one turn of the motor, in mm or degrees.
  public Optional<Double> perMotorTurn() {
    return perTurn.map(travel -> travel / ratio);
  }

  /// Whether the load itself turns.
  public static boolean turnsRound(String text) {
    return ROUND.matcher(text).find();
  }

  /// The sentence without the words that say so.
  public static String withoutRound(String text) {
    return ROUND.matcher(text).replaceAll(" ");
  }

  /// What of a sentence is read here, each piece as it stands: a list of what a machine must do
  /// keeps them together.
  public static List<String> phrases(String text) {
    var all = new ArrayList<String>();
    var left = text;
    for (var pattern : PHRASES) {
      var found = pattern.matcher(left);
      while (found.find()) all.add(found.group().strip());
      left = found.reset().replaceAll(" | ");
    }
    return List.copyOf(all);
  }

  public static Mechanics read(String text) {
    var words = new ArrayList<String>();
    var travel = travel(text, words);
    var turns = ROUND.matcher(text).find() && travel.isEmpty();
    if (turns) words.add("turns: 360° a turn");
    var ratio = ratio(text, words);
    return new Mechanics(
        ratio,
        turns ? Optional.of(WHOLE_TURN) : travel,
        turns ? Unit.DEGREE : PER_INCH.matcher(text).find() ? Unit.INCH : Unit.MILLIMETRE,
        words,
        sum(DRAG.matcher(text)),
        inertia(text),
        VERTICAL.matcher(text).find(),
        ramp(text),
        one(EFFICIENCY.matcher(text)).filter(e -> e > 0 && e <= 100).map(e -> e / 100),
        one(OVERRUN.matcher(text)),
        one(COASTS.matcher(text)));
  }

  private static Optional<Double> travel(String text, List<String> words) {
    var tpi = TPI.matcher(text);
    if (tpi.find()) {
      var starts = starts(tpi.group(1)) * starts(tpi.group(3));
      words.add("screw, %s TPI, %s".formatted(tpi.group(2), started(starts)));
      return positive(starts * INCH / number(tpi.group(2)));
    }
    var screw = SCREW.matcher(text);
    if (screw.find()) {
      var starts = starts(screw.group(1)) * starts(screw.group(2));
      var pitch = number(screw.group(3)) * millimetres(screw.group(4));
      words.add(
          starts == 1
              ? "screw, lead %s mm".formatted(Significant.digits(pitch))
              : "screw, %s of %s mm".formatted(started(starts), Significant.digits(pitch)));
      return positive(starts * pitch);
    }
    for (var belt : List.of(BELT.matcher(text), TEETH.matcher(text))) {
      if (!belt.find()) continue;
      var first = belt.pattern() == BELT;
      var pitch = number(belt.group(first ? 1 : 2));
      var teeth = number(belt.group(first ? 2 : 1));
      words.add(
          "belt, %s teeth of %s mm"
              .formatted(Significant.digits(teeth), Significant.digits(pitch)));
      return positive(pitch * teeth);
    }
    var module = MODULE.matcher(text);
    if (module.find()) {
      words.add("rack, module %s, %s teeth".formatted(module.group(1), module.group(2)));
      return positive(Math.PI * number(module.group(1)) * number(module.group(2)));
    }
    var rack = RACK.matcher(text);
    if (rack.find()) {
      words.add("rack, %s teeth of %s mm".formatted(rack.group(2), rack.group(1)));
      return positive(number(rack.group(1)) * number(rack.group(2)));
    }
    var drum = DRUM.matcher(text);
    if (drum.find()) {
      var across = number(drum.group(1)) * millimetres(drum.group(2));
      words.add("drum, %s mm".formatted(Significant.digits(across)));
      return positive(Math.PI * across);
    }
    return Optional.empty();
  }

  private static String started(double starts) {
    return starts == 1 ? "1 start" : Significant.digits(starts) + " starts";
  }

  private static double ratio(String text, List<String> words) {
    var gear = GEAR.matcher(text);
    var ratio = 1.0;
    while (gear.find()) {
      var one = number(gear.group(1)) / (gear.group(2) == null ? 1 : number(gear.group(2)));
      if (one > 0) ratio *= one;
      words.add(0, "gear, %s : 1".formatted(Significant.digits(one > 0 ? one : 1)));
    }
    return ratio;
  }

  private static Optional<Double> inertia(String text) {
    var found = INERTIA.matcher(text);
    if (!found.find()) return Optional.empty();
    var unit = String.valueOf(found.group(2)).toLowerCase(Locale.ROOT).replaceAll("[ ·]", "");
    var scale = unit.startsWith("g") ? 1e-7 : unit.contains("cm") ? 1e-4 : 1;
    return Optional.of(number(found.group(1)) * scale);
  }

  private static Optional<Double> ramp(String text) {
    var found = RAMP.matcher(text);
    if (!found.find()) return Optional.empty();
    var unit = String.valueOf(found.group(2)).toLowerCase(Locale.ROOT);
    return positive(number(found.group(1)) * (unit.startsWith("m/") ? 1000 : 1));
  }

  private static Optional<Double> sum(Matcher found) {
    var sum = 0.0;
    var any = false;
    while (found.find()) {
      sum += number(found.group(1));
      any = true;
    }
    return any ? Optional.of(sum) : Optional.empty();
  }

  private static Optional<Double> one(Matcher found) {
    return found.find() ? Optional.of(number(found.group(1))) : Optional.empty();
  }

  private static double starts(@org.jspecify.annotations.Nullable String text) {
    return text == null ? 1 : Math.max(1, number(text));
  }

  private static double millimetres(@org.jspecify.annotations.Nullable String unit) {
    return "mm".equalsIgnoreCase(unit) ? 1 : INCH;
  }

  private static double number(@org.jspecify.annotations.Nullable String text) {
    return Double.parseDouble(String.valueOf(text).replace(',', '.'));
  }

  private static Optional<Double> positive(double value) {
    return value > 0 && Double.isFinite(value) ? Optional.of(value) : Optional.empty();
  }
}
