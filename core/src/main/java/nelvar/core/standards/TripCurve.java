package nelvar.core.standards;

import java.util.List;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;

/// Magnetic tripping characteristics of miniature circuit-breakers, gentlest last.
public enum TripCurve {
  B(2),
  C(3),
  D(4);

  private static final Table TABLE = Table.load("iec-60898-1-2015/magnetic-trip.tsv");
  private static final Table RATINGS = Table.load("iec-60898-1-2015/ratings.tsv");
  private final int row;

  TripCurve(int row) {
    this.row = row;
  }

  /// The current (r.m.s.) the breaker still lets pass at once: `3`, `5` or `10 · In`.
  public Cited<Current> holds(Current rating) {
    return new Cited<>(rating.times(TABLE.at(row, "holds").orElseThrow()), TABLE.citation());
  }

  /// The current that trips it within 0.1 s for certain: `5`, `10` or `20 · In`.
  public Cited<Current> trips(Current rating) {
    return new Cited<>(rating.times(TABLE.at(row, "trips").orElseThrow()), TABLE.citation());
  }

  /// Standard ratings, rising.
  public static List<Current> ratings() {
    return RATINGS.keys().stream().map(Current::new).toList();
  }
}
