package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.standards.FuseClass;
import nelvar.core.units.Current;

/// Fuse holder with its link. Poles are marked 1/2, 3/4, 5/6.
///
/// @param fuse class of the link; gG where nothing is said
public record FuseHolder(
    String id,
    String name,
    Article article,
    int poles,
    Current rating,
    Current breakingCapacity,
    Optional<FuseClass> fuse)
    implements Part {
  public FuseHolder {
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
        poles,
        (a, b) ->
            Link.protective(a, b, new ProtectiveDevice.Fuse(rating, fuse.orElse(FuseClass.GG))));
  }

  @Override
  public Optional<ProtectiveDevice> protection() {
    return Optional.of(new ProtectiveDevice.Fuse(rating, fuse.orElse(FuseClass.GG)));
  }
}
