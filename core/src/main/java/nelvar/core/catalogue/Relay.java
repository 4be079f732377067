package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;

/// Interposing relay: coil A1/A2, changeover contact 11 (common), 12 (closed at rest), 14.
public record Relay(
    String id,
    String name,
    Article article,
    Coil coil,
    Current rating,
    Optional<ContactRating> contacts)
    implements Part {
  /// Share of its rated voltage below which a direct-current relay must have let go, % (IEC
  /// 61810-1, unchecked).
  static final double DROP_OUT = 5;

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("A1", Role.PLUS),
        Terminal.required("A2", Role.MINUS),
        Terminal.optional("11", Role.CONTACT),
        Terminal.optional("12", Role.CONTACT),
        Terminal.optional("14", Role.CONTACT));
  }

  @Override
  public List<Link> links() {
    return List.of(
        Link.contact("11", "14", Actuator.COIL), Link.restContact("11", "12", Actuator.COIL));
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
    return List.of(Actuator.coil(coil, "A1", "A2", DROP_OUT));
  }

  @Override
  public Optional<Coil> ownCoil() {
    return Optional.of(coil);
  }
}
