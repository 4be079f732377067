package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nelvar.core.catalogue.Part;

/// Parts by words and ratings, as one types them over the catalogue: `supply 24 V >= 5 A`, `breaker
/// C 6..16 A`, `motor < 1 kW`.
///
/// A limit holds where one quantity of the part in that unit is within it.
public final class PartFilter {
  private static final Pattern RANGE =
      pattern(Amount.NUMBER + "\\s*(?:\\.\\.|–|-)\\s*" + Amount.NUMBER + "\\s*" + Amount.UNIT);
  private static final Pattern LIMIT =
      pattern("(>=|<=|≥|≤|>|<)\\s*" + Amount.NUMBER + "\\s*" + Amount.UNIT);

  private PartFilter() {}

  private static Pattern pattern(String text) {
    return Pattern.compile(text, Pattern.CASE_INSENSITIVE);
  }

  private record Within(double least, double greatest, boolean open, String unit) {
    boolean holds(Amount quantity) {
      if (!quantity.unit().equals(unit)) return false;
      return open
          ? quantity.value() > least && quantity.value() < greatest
          : quantity.value() >= least && quantity.value() <= greatest;
    }
  }

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
          var quantities = values.apply(part).stream().flatMap(Amount::in).toList();
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
    var low = Amount.of(match.group(1), match.group(3));
    var high = Amount.of(match.group(2), match.group(3));
    limits.add(
        new Within(
            Math.min(low.value(), high.value()),
            Math.max(low.value(), high.value()),
            false,
            low.unit()));
  }

  private static void limit(Matcher match, List<Within> limits) {
    var quantity = Amount.of(match.group(2), match.group(3));
    var sign = Objects.requireNonNull(match.group(1));
    var least = sign.startsWith(">") || sign.equals("≥");
    limits.add(
        new Within(
            least ? quantity.value() : -1,
            least ? Double.MAX_VALUE : quantity.value(),
            sign.length() == 1 && !sign.equals("≥") && !sign.equals("≤"),
            quantity.unit()));
  }
}
