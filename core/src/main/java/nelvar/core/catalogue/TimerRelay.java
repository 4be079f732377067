package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// Relay that closes a set time after its supply comes: A1/A2, changeover contact 15 (common), 16
/// (closed at rest), 18.
///
/// @param delay as it is set
public record TimerRelay(
    String id,
    String name,
    Article article,
    Coil coil,
    Current rating,
    Duration delay,
    Optional<ContactRating> contacts)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("A1", Role.PLUS),
        Terminal.required("A2", Role.MINUS),
        Terminal.optional("15", Role.CONTACT),
        Terminal.optional("16", Role.CONTACT),
        Terminal.optional("18", Role.CONTACT));
  }

  @Override
  public List<Link> links() {
    return List.of(
        Link.contact("15", "18", Actuator.COIL), Link.restContact("15", "16", Actuator.COIL));
  }

  @Override
  public Optional<ContactRating> statedRating(Link contact) {
    return contacts;
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return Optional.of(ContactRating.usualRelay(rating));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(Intake.coil("A1", "A2", coil));
  }

  @Override
  public List<Actuator> actuators() {
    var magnet = Actuator.coil(coil, "A1", "A2", Relay.DROP_OUT);
    return List.of(
        new Actuator.Magnet(
            magnet.name(),
            magnet.a(),
            magnet.b(),
            magnet.pickUp(),
            magnet.dropOut(),
            magnet.operates(),
            magnet.releases(),
            Optional.of(delay)));
  }
}
