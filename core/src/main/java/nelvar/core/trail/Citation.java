package nelvar.core.trail;

/// Where a number or a demand comes from, and whether anyone has checked it against the page.
///
/// @param source the standard with its edition, or "common practice"
/// @param place clause or table; may be empty for common practice
public record Citation(String source, String place, Status status) {
  public enum Status {
    /// Read off the published page by a named check.
    CHECKED,
    /// Entered from memory and cross-checked as the table's file says; printed "(unchecked)".
    RECALLED,
    /// A figure of the trade without a published source.
    ASSUMED
  }

  public static Citation recalled(String source, String place) {
    return new Citation(source, place, Status.RECALLED);
  }

  public static Citation practice() {
    return new Citation("common practice", "", Status.ASSUMED);
  }

  @Override
  public String toString() {
    var where = place.isEmpty() ? source : source + ", " + place;
    return status == Status.RECALLED ? where + " (unchecked)" : where;
  }
}
