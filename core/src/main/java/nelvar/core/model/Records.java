package nelvar.core.model;

import java.util.List;

/// What was decided, and when.
///
/// @param deviations findings that somebody answers for
public record Records(List<Revision> revisions, List<Deviation> deviations) {
  public static final Records NONE = new Records(List.of(), List.of());

  public Records {
    revisions = List.copyOf(revisions);
    deviations = List.copyOf(deviations);
  }

  public Records withRevisions(List<Revision> next) {
    return new Records(next, deviations);
  }

  public Records withDeviations(List<Deviation> next) {
    return new Records(revisions, next);
  }
}
