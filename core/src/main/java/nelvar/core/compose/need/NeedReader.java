package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.motion.Mechanics;
import nelvar.core.analysis.motion.SpindleCuts;
import nelvar.core.model.Designation;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Means;
import nelvar.core.model.Wants;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;

/// Reads one line of what a machine must do.
///
/// `[=NAME] [name:] [count] words and quantities in any order [on the place]`. A number belongs to
/// the unit behind it; what carries a number and is not understood is told, never dropped.
public final class NeedReader {
  private static final String NUMBER = "([0-9]+(?:[.,][0-9]+)?)";
  private static final Pattern NAMED = Pattern.compile("(=\\S{1,23})(?:\\s+|$)(.*)");
  private static final Pattern TITLED = Pattern.compile("([^:0-9]{1,60}):\\s+(.+)");
  private static final Pattern PLACE =
      Pattern.compile(
          "\\s(?:on|at|in|near|beside|under|above)\\s+(?!(?:the\\s+mains|mains|a\\s+(?:drive|contactor|relay))(?:\\s|$))(?:the\\s+)?(\\p{L}[\\p{L} -]{0,40})$",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern MECHANICS =
      Pattern.compile(
          "(?<!\\p{L})(?:belt|screw|gear|rack|lead|pulley|drum|pinion|with)\\s+(?=.*[0-9]).*$",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern BY_PULSES =
      Pattern.compile("\\b(?:stepper|servo)", Pattern.CASE_INSENSITIVE);
  private static final Pattern SIGNAL =
      Pattern.compile(
          "(?<![0-9])(?:(4)\\s*[-–]\\s*20\\s*mA|0\\s*[-–]\\s*10\\s*V)(?!\\p{L})",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern MAINS =
      Pattern.compile(
          "(?<![0-9.,])(3\\s*[x×~]\\s*[0-9]+\\s*V|[0-9]{2,3}\\s*/\\s*[0-9]{2,3}\\s*V)(?:\\s*(?:AC|DC))?(?!\\p{L})",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern AMOUNT =
      Pattern.compile(
          "(?<![\\p{L}0-9.,:])"
              + NUMBER
              + "\\s*(kW|W|hp|mA|A|V|Hz|rpm|1/min|mm/min|m/min|mm/s|N·?m|kg|lb|mm|cm|m|VA)(?:\\s*(?:AC|DC))?(?![\\p{L}0-9/·²])",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern COUNT_FIRST =
      Pattern.compile("^([0-9]{1,3})(?:\\s*[x×])?\\s+(?=\\p{L})");
  private static final Pattern COUNT_LAST = Pattern.compile("\\s[x×]\\s*([0-9]{1,3})(?=\\s|$)");
  private static final List<String> NUMBERS =
      List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");
  private static final Map<String, Double> PER_MINUTE =
      Map.of("mm/min", 1.0, "m/min", 1e3, "mm/s", 60.0);

  private final List<String> unread = new ArrayList<>();
  private String rest;
  private Optional<MainsVoltage> voltage = Optional.empty();
  private Optional<Current> current = Optional.empty();
  private Optional<Power> power = Optional.empty();
  private Optional<Measure> speed = Optional.empty();
  private Optional<Length> travel = Optional.empty();
  private Optional<Measure> mass = Optional.empty();
  private Optional<Length> resolution = Optional.empty();
  private Optional<String> detail = Optional.empty();
  private Optional<Means> signal = Optional.empty();

  private NeedReader(String text) {
    this.rest = text;
  }

  /// What was understood, or what to write instead.
  public static Reading<Need> read(String text) {
    try {
      return new NeedReader(text.strip().replace('\u00a0', ' ').replaceAll("\\s+", " ")).read();
    } catch (ImpossibleQuantity impossible) {
      return new Reading.Misread<>(String.valueOf(impossible.getMessage()));
    }
  }

  private Reading<Need> read() {
    var written = rest;
    if (written.isEmpty()) return misread("nothing is written here");
    var named = NAMED.matcher(rest);
    Optional<Designation> designation = Optional.empty();
    if (named.matches()) {
      designation = Optional.of(new Designation(group(named, 1)));
      rest = group(named, 2);
    }
    Optional<String> title = Optional.empty();
    var titled = TITLED.matcher(rest);
    if (titled.matches()) {
      title = Optional.of(group(titled, 1).strip());
      rest = group(titled, 2);
    }
    var place = take(PLACE).map(String::strip);
    signals();
    mechanics();
    amounts();
    var count = count();
    var words = rest.replaceAll("\\s+", " ").strip();
    var found = Words.in(words).or(() -> Words.in(written));
    if (found.isEmpty())
      return misread("'%s' does not say what the machine must do".formatted(written));
    var meaning = found.get().meaning();
    for (var word : words.split(" ")) if (word.matches(".*[0-9].*")) unread.add(word);
    var wants =
        new Wants(
            count,
            signal.filter(_ -> meaning.kind() == FunctionKind.MEASURE).or(meaning::by),
            voltage,
            current,
            power,
            speed,
            travel,
            mass,
            resolution,
            place,
            detail);
    var name = title.orElse(words.isEmpty() ? meaning.word() : words);
    return new Reading.Value<>(new Need(designation, name, meaning.kind(), wants, unread));
  }

  private static Reading<Need> misread(String why) {
    return new Reading.Misread<>(
        "%s: write such as '4 valves 24 V on the gantry'; words are %s"
            .formatted(why, Words.examples()));
  }

  private static String group(java.util.regex.Matcher match, int number) {
    return Objects.requireNonNull(match.group(number));
  }

  /// Takes the first group of a pattern out of what is left.
  private Optional<String> take(Pattern pattern) {
    var match = pattern.matcher(rest);
    if (!match.find()) return Optional.empty();
    var found = group(match, 1);
    rest = (rest.substring(0, match.start()) + " " + rest.substring(match.end())).strip();
    return Optional.of(found);
  }

  private void signals() {
    var match = SIGNAL.matcher(rest);
    if (!match.find()) return;
    signal = Optional.of(match.group(1) != null ? Means.MILLIAMPERES : Means.VOLTS);
    rest = (rest.substring(0, match.start()) + " " + rest.substring(match.end())).strip();
  }

  /// Belts, screws and gears stay in the builder's words, and so does what is cut.
  private void mechanics() {
    SpindleCuts.phrase(rest).ifPresent(this::keep);
    var match = MECHANICS.matcher(rest);
    // What follows may name the drive itself: `belt motor 0.25 kW`.
    if (match.find() && match.group().strip().matches("(?i)(with|\\p{L}+\\s+[0-9]).*")) {
      var tail = match.group().strip();
      rest = rest.substring(0, match.start()).strip();
      var besides = tail;
      for (var phrase : Mechanics.phrases(tail)) besides = besides.replace(phrase, " ");
      besides = besides.replaceAll("\\s+", " ").strip();
      // Speed, mass and travel said behind it are figures, not mechanics.
      if (!Mechanics.phrases(tail).isEmpty() && AMOUNT.matcher(besides).find()) {
        said(
            String.join(
                " ",
                Mechanics.phrases(tail).stream()
                    .sorted(java.util.Comparator.comparingInt(tail::indexOf))
                    .toList()));
        rest = (rest + " " + besides).strip();
      } else said(tail);
    } else for (var phrase : Mechanics.phrases(rest)) keep(phrase);
    if (!Mechanics.turnsRound(rest)) return;
    said("turntable");
    // Of a stepper it is what moves, not what is asked for.
    if (BY_PULSES.matcher(rest).find())
      rest = Mechanics.withoutRound(rest).replaceAll("\\s+", " ").strip();
  }

  /// Goes from what is still to be understood to the builder's own words.
  private void keep(String phrase) {
    said(phrase);
    rest = rest.replace(phrase, " ").replaceAll("\\s+", " ").strip();
  }

  private void said(String phrase) {
    detail = Optional.of(detail.map(before -> before + " " + phrase).orElse(phrase));
  }

  private void amounts() {
    for (var mains = take(MAINS); mains.isPresent(); mains = take(MAINS))
      voltage = once(voltage, MainsVoltage.read(mains.get()).orThrow(), "voltage");
    var match = AMOUNT.matcher(rest);
    var left = new StringBuilder();
    var from = 0;
    while (match.find()) {
      var before = rest.substring(from, match.start());
      left.append(before);
      take(group(match, 1), group(match, 2), before.strip().toLowerCase(Locale.ROOT));
      // `travel` and `resolution` belong to the number behind them.
      var said = left.toString().replaceFirst("(?i)\\s*(travel|resolution)\\s*$", " ");
      left.setLength(0);
      left.append(said).append(' ');
      from = match.end();
    }
    left.append(rest.substring(from));
    rest = left.toString().replaceAll("\\s+", " ").strip();
  }

  private void take(String number, String unit, String before) {
    var text = number + " " + unit;
    if (Double.parseDouble(number.replace(',', '.')) == 0)
      throw new ImpossibleQuantity("'" + text + "' asks for nothing: write more than 0");
    switch (unit.toLowerCase(Locale.ROOT)) {
      case "kw", "w", "hp" -> power = once(power, quantity(Kind.POWER, text), "power");
      case "va" -> power = once(power, quantity(Kind.POWER, number + " W"), "power");
      case "ma", "a" -> current = once(current, quantity(Kind.CURRENT, text), "current");
      case "v" -> voltage = once(voltage, MainsVoltage.read(text).orThrow(), "voltage");
      case "rpm", "1/min" ->
          speed = once(speed, quantity(Kind.of(Measure.Unit.ROTATION), number + " rpm"), "speed");
      case "mm/min", "m/min", "mm/s" ->
          speed =
              once(
                  speed,
                  new Measure(
                      Double.parseDouble(number.replace(',', '.'))
                          * PER_MINUTE.getOrDefault(unit.toLowerCase(Locale.ROOT), 1.0),
                      Measure.Unit.FEED),
                  "speed");
      case "kg" -> mass = once(mass, quantity(Kind.of(Measure.Unit.MASS), text), "mass");
      case "lb" ->
          mass =
              once(
                  mass,
                  new Measure(
                      Double.parseDouble(number.replace(',', '.')) * POUND, Measure.Unit.MASS),
                  "mass");
      case "mm", "cm", "m" -> {
        var length = quantity(Kind.LENGTH, text);
        if (before.endsWith("resolution")) resolution = once(resolution, length, "resolution");
        else if (before.endsWith("travel")) travel = once(travel, length, "travel");
        else unread.add(text);
      }
      default -> detail = Optional.of(detail.map(said -> text + ", " + said).orElse(text));
    }
  }

  /// kg in a pound, exactly.
  private static final double POUND = 0.45359237;

  private static <Q extends Quantity> Q quantity(Kind<Q> kind, String text) {
    return kind.readStrict(text).orThrow();
  }

  private static <Q> Optional<Q> once(Optional<Q> before, Q next, String what) {
    if (before.isPresent() && !before.get().equals(next))
      throw new ImpossibleQuantity(
          "it has two of %s, %s and %s: write one".formatted(what, before.get(), next));
    return Optional.of(next);
  }

  private int count() {
    var first = take(COUNT_FIRST);
    var count = first.isPresent() ? first : take(COUNT_LAST);
    if (count.isPresent()) return Integer.parseInt(count.get());
    var space = rest.indexOf(' ');
    var word = (space < 0 ? rest : rest.substring(0, space)).toLowerCase(Locale.ROOT);
    var number = NUMBERS.indexOf(word);
    if (number < 0 || space < 0) return 1;
    rest = rest.substring(space + 1);
    return number + 1;
  }
}
