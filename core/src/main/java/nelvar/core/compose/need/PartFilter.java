package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.catalogue.Part;

/// Parts by words and ratings, as one types them over the catalogue: `supply 24 V >= 5 A`, `breaker
/// C 6..16 A`, `motor < 1 kW`.
///
/// A limit holds where one quantity of the part in that unit is within it.
public final class PartFilter {
  private static final String NUMBER = "([0-9]+(?:[.,][0-9]+)?)";
  private static final String UNIT = "(kW|W|VA|V|mA|A|Hz|mm²|mm2|mm|N·m|mF|m)(?![\\p{L}0-9])";
  private static final Pattern RANGE =
      Pattern.compile(NUMBER + "\\s*(?:\\.\\.|–|-)\\s*" + NUMBER + "\\s*" + UNIT);
  private static final Pattern LIMIT =
      Pattern.compile("(>=|<=|≥|≤|>|<)\\s*" + NUMBER + "\\s*" + UNIT);
  private static final Pattern AMOUNT =
      Pattern.compile("(?<![\\p{L}0-9.,])" + NUMBER + "\\s*" + UNIT);

  private PartFilter() {}

  private record Within(double least, double greatest, boolean open, String unit) {
    boolean holds(Quantity quantity) {
      if (!quantity.unit().equals(unit)) return false;
      return open
          ? quantity.value() > least && quantity.value() < greatest
          : quantity.value() >= least && quantity.value() <= greatest;
    }
  }

  private record Quantity(double value, String unit) {}

  /// @param values the texts in which a part's quantities stand
  public static List<Part> find(
      List<Part> parts, String text, Function<Part, List<String>> values) {
    var limits = new ArrayList<Within>();
    var rest = taken(RANGE, text, match -> range(match, limits));
    rest = taken(LIMIT, rest, match -> limit(match, limits));
    var found = PartSearch.among(parts, rest.strip());
    if (limits.isEmpty()) return found;
    return found.stream()
        .filter(part -> {
          var quantities = values.apply(part).stream().flatMap(PartFilter::quantities).toList();
          return limits.stream().allMatch(limit -> quantities.stream().anyMatch(limit::holds));
        })
        .toList();
  }

  private static String taken(
      Pattern pattern, String text, java.util.function.Consumer<Matcher> take) {
    var match = pattern.matcher(text);
    var rest = new StringBuilder();
    while (match.find()) {
      take.accept(match);
      match.appendReplacement(rest, " ");
    }
    match.appendTail(rest);
    return rest.toString();
  }

  private static void range(Matcher match, List<Within> limits) {
    var low = quantity(match.group(1), match.group(3));
    var high = quantity(match.group(2), match.group(3));
    limits.add(
        new Within(
            Math.min(low.value(), high.value()),
            Math.max(low.value(), high.value()),
            false,
            low.unit()));
  }

  private static void limit(Matcher match, List<Within> limits) {
    var quantity = quantity(match.group(2), match.group(3));
    var sign = Objects.requireNonNull(match.group(1));
    var least = sign.startsWith(">") || sign.equals("≥");
    limits.add(
        new Within(
            least ? quantity.value() : -1,
            least ? Double.MAX_VALUE : quantity.value(),
            sign.length() == 1 && !sign.equals("≥") && !sign.equals("≤"),
            quantity.unit()));
  }

  private static Stream<Quantity> quantities(String text) {
    return AMOUNT.matcher(text).results().map(match -> quantity(match.group(1), match.group(2)));
  }

  /// In the unit others are compared in.
  private static Quantity quantity(
      @org.jspecify.annotations.Nullable String number,
      @org.jspecify.annotations.Nullable String unit) {
    var value = Double.parseDouble(Objects.requireNonNull(number).replace(',', '.'));
    return switch (Objects.requireNonNull(unit).toLowerCase(Locale.ROOT)) {
      case "kw" -> new Quantity(value * 1000, "w");
      case "ma" -> new Quantity(value / 1000, "a");
      case "mm2" -> new Quantity(value, "mm²");
      case "m" -> new Quantity(value * 1000, "mm");
      default -> new Quantity(value, Objects.requireNonNull(unit).toLowerCase(Locale.ROOT));
    };
  }
}
