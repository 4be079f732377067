package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.WireStock;

/// Parts by what people type: `24 V supply 5 A`, `breaker C 6`, `valve`.
///
/// A number counts with the unit behind it and only as a whole: 24 V is neither 240 W nor 12 V. All
/// that is said must be there; where no part has every quantity, those with most of them are
/// offered. An id finds its part. What says least besides comes first, then the cheapest.
public final class PartSearch {
  private PartSearch() {}

  private record Query(Set<Amount> amounts, List<String> words) {}

  /// The parts a device can be, best first.
  public static List<Part> find(Catalogue catalogue, String text) {
    return among(
        catalogue.all().stream()
            .filter(part -> !(part instanceof CableStock) && !(part instanceof WireStock))
            .toList(),
        text);
  }

  /// Those of a list that the text asks for, best first.
  static List<Part> among(List<Part> parts, String text) {
    var exact = parts.stream().filter(part -> part.id().equals(text.strip())).toList();
    if (!exact.isEmpty()) return exact;
    var query = read(text);
    var all = parts.stream().filter(part -> hasWords(part, query.words())).toList();
    var most = all.stream().mapToInt(part -> found(part, query)).max().orElse(0);
    return all.stream()
        .filter(part -> found(part, query) == most)
        .filter(_ -> query.amounts().isEmpty() || most > 0)
        .sorted(
            Comparator.comparingInt((Part part) -> read(part.name()).amounts().size())
                .thenComparingInt(part -> read(part.name()).words().size())
                .thenComparingDouble(PartSearch::price)
                .thenComparing(Part::id))
        .toList();
  }

  private static double price(Part part) {
    return part.price().map(price -> price.amount().doubleValue()).orElse(1e6);
  }

  private static int found(Part part, Query query) {
    var amounts = read(part.name()).amounts();
    return (int) query.amounts().stream().filter(amounts::contains).count();
  }

  private static boolean hasWords(Part part, List<String> words) {
    var name = " " + (part.name() + " " + part.id()).toLowerCase(Locale.ROOT) + " ";
    return words.stream()
        .allMatch(word -> name.contains(word.length() == 1 ? " " + word + " " : word));
  }

  private static Query read(String text) {
    var amounts = Amount.in(text).collect(Collectors.toSet());
    var rest = Amount.PATTERN.matcher(text).replaceAll(" ");
    var words = new ArrayList<String>();
    for (var word : rest.toLowerCase(Locale.ROOT).split("[\\s,]+"))
      if (word.chars().anyMatch(Character::isLetterOrDigit)) words.add(word);
    return new Query(amounts, words);
  }
}
