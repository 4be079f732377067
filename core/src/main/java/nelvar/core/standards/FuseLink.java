package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;

/// Full-range general-purpose fuse-links (gG).
public final class FuseLink {
  private static final Table FACTOR = Table.load("iec-60269-1/fusing-factor.tsv");
  private static final Table RATINGS = Table.load("iec-60269-1/ratings.tsv");

  private static final Table CURVE = Table.load("bs-7671-2018/fuse-currents.tsv");
  private static final Table GATES = Table.load("iec-60269-1/gates.tsv");

  private FuseLink() {}

  /// Currents between which the melting time of a fuse-link must lie.
  ///
  /// @param holds10s it must carry for 10 s; `blows5s` must melt it within 5 s; and so on
  public record Gates(Current holds10s, Current blows5s, Current holds100ms, Current blows100ms) {}

  /// Empty where the rating is not in the table.
  public static Optional<Cited<Gates>> gates(Current rating) {
    var at = rating.amperes();
    if (GATES.at(at, "holds 10 s").isEmpty()) return Optional.empty();
    return Optional.of(
        new Cited<>(
            new Gates(
                gate(at, "holds 10 s"),
                gate(at, "blows 5 s"),
                gate(at, "holds 0.1 s"),
                gate(at, "blows 0.1 s")),
            GATES.citation()));
  }

  /// For when a link must have opened: its gates, or where its rating has none those of the next
  /// larger one, which is slower; above the largest they grow with the rating (assumed).
  public static Gates gatesAbove(Current rating) {
    return between(rating, true);
  }

  /// For how long a link surely holds: its gates, or where its rating has none those of the next
  /// smaller one, which is quicker; below the smallest they shrink with the rating (assumed).
  public static Gates gatesBelow(Current rating) {
    return between(rating, false);
  }

  private static Gates between(Current rating, boolean above) {
    var rows = GATES.keys();
    var at = rating.amperes();
    var chosen = above ? rows.getLast() : rows.getFirst();
    for (var row : above ? rows.reversed() : rows) if (above ? row >= at : row <= at) chosen = row;
    var gates = gates(new Current(chosen)).orElseThrow().value();
    var beyond = above ? at > chosen : at < chosen;
    if (!beyond) return gates;
    var by = at / chosen;
    return new Gates(
        gates.holds10s().times(by),
        gates.blows5s().times(by),
        gates.holds100ms().times(by),
        gates.blows100ms().times(by));
  }

  /// The current that surely melts the link within `time`, 0.1 to 5 s, between its two gates on a
  /// double logarithmic scale.
  public static Optional<Cited<Current>> meltsWithin(Current rating, Duration time) {
    return gates(rating)
        .map(gates ->
            new Cited<>(
                between(gates.value().blows5s(), gates.value().blows100ms(), time),
                gates.citation()));
  }

  private static Current between(Current at5s, Current at100ms, Duration time) {
    var share = Math.log(5 / Math.clamp(time.seconds(), 0.1, 5)) / Math.log(5 / 0.1);
    return at5s.times(Math.pow(at100ms.amperes() / at5s.amperes(), share));
  }

  /// The current that melts it within 0.4 s by its published curve, as the second school reads it;
  /// empty where that table has no row.
  public static Optional<Cited<Current>> meltsByCurve(Current rating) {
    return CURVE.cited(rating.amperes(), "0.4 s", Current::new);
  }

  /// Least or greatest pre-arcing energy at 10 ms; empty below 16 A.
  public static Optional<Cited<Measure>> preArcing(Current rating, boolean greatest) {
    return GATES.cited(
        rating.amperes(),
        greatest ? "greatest I²t" : "least I²t",
        energy -> new Measure(energy, Measure.Unit.JOULE_INTEGRAL));
  }

  /// What surely does not melt it within 10 ms: its least pre-arcing energy, or where its rating
  /// has none that of the next smaller one; below the smallest it falls with the square of the
  /// rating (assumed).
  public static Measure leastMelting(Current rating) {
    var at = rating.amperes();
    var row = GATES.keys().stream().filter(key -> GATES.at(key, "least I²t").isPresent()).toList();
    var chosen = row.stream().filter(key -> key <= at).reduce((_, last) -> last);
    var from = chosen.orElse(row.getFirst());
    var energy = preArcing(new Current(from), false).orElseThrow().value();
    return chosen.isPresent()
        ? energy
        : new Measure(energy.value() * Math.pow(at / from, 2), Measure.Unit.JOULE_INTEGRAL);
  }

  private static Current gate(double rating, String column) {
    return new Current(GATES.at(rating, column).orElseThrow());
  }

  /// `I2/In`: the conventional fusing current by the rating; empty above 400 A.
  public static Optional<Cited<Double>> fusingFactor(Current rating) {
    return FACTOR.cited(rating.amperes(), "factor");
  }

  public static List<Current> ratings() {
    return RATINGS.keys().stream().map(Current::new).toList();
  }
}
