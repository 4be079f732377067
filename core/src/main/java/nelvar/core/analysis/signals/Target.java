package nelvar.core.analysis.signals;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.formula.Sensing;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Reading;

/// What passes before a sensor, as its builder writes it in the setting *Target*: `aluminium 12 mm
/// at 2 mm`, `steel 30 mm at 3 mm, flush in metal`, `steel 20 mm at 2 mm, passes at 0.5 m/s every
/// 60 mm`, `mark 10 deg at 3000 rpm`.
///
/// @param metal empty for a mark that is seen by light
/// @param size its side, along its way
/// @param distance from the face
/// @param speed it passes at, m/s; of a mark the time of its passing is known instead
/// @param every how far one is behind the other
/// @param marked how long a mark on something that turns is seen, s
/// @param turns of that mark, each minute
public record Target(
    Optional<Sensing.Metal> metal,
    Optional<Length> size,
    Optional<Length> distance,
    boolean flush,
    Optional<Double> speed,
    Optional<Length> every,
    Optional<Double> marked,
    Optional<Double> turns) {
  /// The name of the setting.
  public static final String SETTING = "Target";

  private static final String LENGTH = "([0-9.,]+\\s*(?:mm|cm|m|in|\"|µm))";
  private static final Pattern PIECE =
      Pattern.compile("(?i)\\s*([a-z]+)\\s+" + LENGTH + "\\s+at\\s+" + LENGTH + "\\s*(.*)");
  private static final Pattern MARK =
      Pattern.compile(
          "(?i)\\s*mark\\s+([0-9.]+)\\s*(?:deg|°|degrees)\\s+at\\s+([0-9.]+)\\s*(?:rpm|/min)\\s*");
  private static final Pattern PASSES =
      Pattern.compile("(?i)passes\\s+at\\s+([0-9.]+)\\s*m/s(?:\\s+every\\s+" + LENGTH + ")?");

  public static final String ACCEPTED =
      "write it such as aluminium 12 mm at 2 mm; steel 20 mm at 2 mm, passes at 0.5 m/s every 60 mm; or mark 10 deg at 3000 rpm";

  /// Empty where it cannot be read.
  public static Optional<Target> read(String text) {
    var mark = MARK.matcher(text);
    if (mark.matches()) {
      var degrees = Double.parseDouble(String.valueOf(mark.group(1)));
      var turns = Double.parseDouble(String.valueOf(mark.group(2)));
      if (degrees <= 0 || degrees > 360 || turns <= 0) return Optional.empty();
      return Optional.of(
          new Target(
              Optional.empty(),
              Optional.empty(),
              Optional.empty(),
              false,
              Optional.empty(),
              Optional.empty(),
              Optional.of(degrees / 6 / turns),
              Optional.of(turns)));
    }
    var piece = PIECE.matcher(text);
    if (!piece.matches()) return Optional.empty();
    var metal = metal(String.valueOf(piece.group(1)));
    var size = length(String.valueOf(piece.group(2)));
    var distance = length(String.valueOf(piece.group(3)));
    if (metal.isEmpty() || size.isEmpty() || distance.isEmpty()) return Optional.empty();
    var rest = String.valueOf(piece.group(4)).strip();
    var passes = PASSES.matcher(rest);
    var found = passes.find();
    var left =
        rest.replaceAll("(?i)flush in metal", "").replaceAll(PASSES.pattern(), "").replace(",", "");
    if (!left.isBlank()) return Optional.empty();
    return Optional.of(
        new Target(
            metal,
            size,
            distance,
            rest.toLowerCase(Locale.ROOT).contains("flush in metal"),
            found
                ? Optional.of(Double.parseDouble(String.valueOf(passes.group(1))))
                : Optional.empty(),
            found && passes.group(2) != null
                ? length(String.valueOf(passes.group(2)))
                : Optional.empty(),
            Optional.empty(),
            Optional.empty()));
  }

  private static Optional<Sensing.Metal> metal(String name) {
    for (var metal : Sensing.Metal.values())
      if (metal.name().equalsIgnoreCase(name)) return Optional.of(metal);
    return name.equalsIgnoreCase("aluminum")
        ? Optional.of(Sensing.Metal.ALUMINIUM)
        : Optional.empty();
  }

  private static Optional<Length> length(String text) {
    return Kind.LENGTH.read(text) instanceof Reading.Value<Length>(var value) && value.metres() > 0
        ? Optional.of(value)
        : Optional.empty();
  }

  /// How long it stands before the face, s; empty where nothing is said of its speed.
  public Optional<Double> seenFor() {
    return marked.or(() -> speed.flatMap(v -> size.map(s -> s.metres() / v)));
  }

  /// How many pass each second; empty where nothing is said of it.
  public Optional<Double> perSecond() {
    return turns
        .map(rpm -> rpm / 60)
        .or(() -> speed.flatMap(v -> every.map(pitch -> v / pitch.metres())));
  }
}
