package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.Current;

/// Full-range general-purpose fuse-links (gG).
public final class FuseLink {
  private static final Table FACTOR = Table.load("iec-60269-1/fusing-factor.tsv");
  private static final Table RATINGS = Table.load("iec-60269-1/ratings.tsv");

  private FuseLink() {}

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
