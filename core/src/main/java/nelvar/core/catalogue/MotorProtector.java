package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;

/// Motor protective switch: an adjustable overload trip (class 10) and a magnetic trip. Poles are
/// marked 1/2, 3/4, 5/6.
///
/// @param least and `greatest` setting; the wire counts with the greatest until the device says
///   what it is set to
/// @param breakingCapacity greatest prospective short-circuit current it can interrupt
public record MotorProtector(
    String id,
    String name,
    Article article,
    Current least,
    Current greatest,
    Current breakingCapacity)
    implements Part {
  private static final int POLES = 3;

  public MotorProtector {
    Part.require(least.compareTo(greatest) < 0, "its least setting is not below its greatest");
  }

  @Override
  public Optional<Current> shortCircuitCapacity() {
    return Optional.of(breakingCapacity);
  }

  @Override
  public Optional<Dial> dial() {
    return Optional.of(new Dial(least, greatest));
  }

  @Override
  public List<Terminal> terminals() {
    return Part.poleTerminals(POLES);
  }

  @Override
  public List<Link> links() {
    return Part.poleLinks(
        POLES,
        (a, b) ->
            Link.protective(
                a, b, new ProtectiveDevice.MotorSwitch(least, greatest, Optional.empty())));
  }

  @Override
  public Optional<ProtectiveDevice> protection() {
    return Optional.of(new ProtectiveDevice.MotorSwitch(least, greatest, Optional.empty()));
  }
}
