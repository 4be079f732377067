package nelvar.core.model;

import java.util.List;

/// What was decided, and when; what is owned.
///
/// @param deviations findings that somebody answers for
/// @param stock parts that need not be bought
public record Records(List<Revision> revisions, List<Deviation> deviations, List<Owned> stock) {
  public static final Records NONE = new Records(List.of(), List.of(), List.of());

  public Records {
    revisions = List.copyOf(revisions);
    deviations = List.copyOf(deviations);
    stock = List.copyOf(stock);
  }

  public Records withStock(List<Owned> next) {
    return new Records(revisions, deviations, next);
  }

  /// Pieces of a part that are owned.
  public int owned(String part) {
    return stock.stream()
        .filter(owned -> owned.part().equals(part))
        .mapToInt(Owned::pieces)
        .findFirst()
        .orElse(0);
  }

  public Records withRevisions(List<Revision> next) {
    return new Records(next, deviations, stock);
  }

  public Records withDeviations(List<Deviation> next) {
    return new Records(revisions, next, stock);
  }
}
