package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;

/// Full-range general-purpose fuse-links (gG).
public final class FuseLink {
  private static final Table FACTOR = Table.load("iec-60269-1/fusing-factor.tsv");
  private static final Table RATINGS = Table.load("iec-60269-1/ratings.tsv");

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

  private static Current gate(double rating, String column) {
    return new Current(GATES.at(rating, column).orElseThrow());
  }

  /// `I2/In`: the conventional fusing current by the rating; empty above 400 A.
  public static Optional<Cited<Double>> fusingFactor(Current rating) {
    var factor = FACTOR.at(rating.amperes(), "factor");
    return factor.isPresent()
        ? Optional.of(new Cited<>(factor.getAsDouble(), FACTOR.citation()))
        : Optional.empty();
  }

  public static List<Current> ratings() {
    return RATINGS.keys().stream().map(Current::new).toList();
  }
}
