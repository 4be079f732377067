package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.standards.TripCurve;
import nelvar.core.units.Current;

/// Miniature circuit-breaker. Poles are marked 1/2, 3/4, 5/6.
///
/// @param breakingCapacity greatest prospective short-circuit current it can interrupt
/// @param listing in North America; empty where it is marked for neither
public record CircuitBreaker(
    String id,
    String name,
    Article article,
    int poles,
    Current rating,
    TripCurve curve,
    Current breakingCapacity,
    Optional<Listing> listing)
    implements Part {
  /// What it is listed for in North America.
  public enum Listing {
    /// UL 489: protects branch circuits.
    BRANCH,
    /// UL 1077: only behind a branch device.
    SUPPLEMENTARY
  }

  public CircuitBreaker {
    Part.require(poles >= 1 && poles <= 4, "a device has 1 to 4 poles, not " + poles);
  }

  @Override
  public Optional<Current> shortCircuitCapacity() {
    return Optional.of(breakingCapacity);
  }

  @Override
  public List<Terminal> terminals() {
    return Part.poleTerminals(poles);
  }

  @Override
  public List<Link> links() {
    return Part.poleLinks(
        poles, (a, b) -> Link.protective(a, b, new ProtectiveDevice.Breaker(rating, curve)));
  }

  @Override
  public Optional<ProtectiveDevice> protection() {
    return Optional.of(new ProtectiveDevice.Breaker(rating, curve));
  }
}
