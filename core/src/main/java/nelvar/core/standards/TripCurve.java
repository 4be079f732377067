package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;

/// Magnetic tripping characteristics of miniature circuit-breakers, gentlest last. Z is quick, for
/// electronics; K stands inrush like D and varies by maker (to be verified before use).
public enum TripCurve {
  Z(1),
  B(2),
  C(3),
  K(5),
  D(4);

  private static final Table TABLE = Table.load("iec-60898-1-2015/magnetic-trip.tsv");
  private static final Table LET_THROUGH = Table.load("iec-60898-1-2015/let-through.tsv");
  private static final Table RATINGS = Table.load("iec-60898-1-2015/ratings.tsv");
  private final int row;

  TripCurve(int row) {
    this.row = row;
  }

  /// The current (r.m.s.) the breaker still lets pass at once: `3`, `5` or `10 · In`.
  public Cited<Current> holds(Current rating) {
    return new Cited<>(rating.times(TABLE.at(row, "holds").orElseThrow()), citation());
  }

  /// The current that trips it within 0.1 s for certain: `5`, `10` or `20 · In`.
  public Cited<Current> trips(Current rating) {
    return new Cited<>(rating.times(TABLE.at(row, "trips").orElseThrow()), citation());
  }

  /// The standard has B, C and D; Z and K are their makers' and differ among them.
  private Citation citation() {
    return switch (this) {
      case B, C, D -> TABLE.citation();
      case Z, K ->
          new Citation(
              "makers' curves of type " + this,
              "sold under IEC 60947-2; read the maker's sheet",
              Citation.Status.ASSUMED);
    };
  }

  /// The greatest let-through energy of an energy-limiting breaker (class 3) of this curve, up to
  /// 32 A; empty for curve D and other capacities.
  ///
  /// @param capacity rated short-circuit capacity: 3, 6 or 10 kA
  public Optional<Cited<Measure>> letThrough(Current rating, Current capacity) {
    if (rating.amperes() > 32) return Optional.empty();
    return LET_THROUGH.cited(
        capacity.amperes(),
        this + (rating.amperes() <= 16 ? "16" : "32"),
        energy -> new Measure(energy, Measure.Unit.JOULE_INTEGRAL));
  }

  /// Standard ratings, rising.
  public static List<Current> ratings() {
    return RATINGS.keys().stream().map(Current::new).toList();
  }
}
