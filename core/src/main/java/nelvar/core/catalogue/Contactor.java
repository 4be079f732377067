package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;

/// Contactor: coil A1/A2, main poles 1/2, 3/4, 5/6, auxiliary contacts 13/14 and 21/22.
public record Contactor(
    String id,
    String name,
    Article article,
    Coil coil,
    int poles,
    Current rating,
    Optional<ContactRating> contacts)
    implements Part {
  /// Of an auxiliary contact; common practice.
  private static final Current AUXILIARY = new Current(6);

  public Contactor {
    Part.require(poles >= 1 && poles <= 4, "a contactor has 1 to 4 poles, not " + poles);
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("A1", Role.PLUS), Terminal.required("A2", Role.MINUS)));
    all.addAll(Part.poleTerminals(poles));
    for (var mark : List.of("13", "14", "21", "22")) all.add(Terminal.optional(mark, Role.CONTACT));
    return all;
  }

  @Override
  public List<Link> links() {
    return Stream.concat(
            Part.poleLinks(poles, (a, b) -> Link.contact(a, b, Actuator.COIL)).stream(),
            Stream.of(
                Link.contact("13", "14", Actuator.COIL),
                Link.restContact("21", "22", Actuator.COIL)))
        .toList();
  }

  /// Auxiliary contacts are not the poles.
  private static boolean auxiliary(Link contact) {
    return contact.a().length() > 1;
  }

  @Override
  public Optional<ContactRating> statedRating(Link contact) {
    return auxiliary(contact) ? Optional.empty() : contacts;
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return Optional.of(
        auxiliary(contact) ? ContactRating.usualRelay(AUXILIARY) : ContactRating.usualPole(rating));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(Intake.coil("A1", "A2", coil));
  }

  /// Lets go below 10 % (IEC 60947-4-1, 8.2.1.2, direct current, unchecked).
  @Override
  public List<Actuator> actuators() {
    return List.of(Actuator.coil(coil, "A1", "A2", 10));
  }

  @Override
  public CoilTimes coilTimes() {
    return CoilTimes.CONTACTOR;
  }

  @Override
  public Optional<Coil> ownCoil() {
    return Optional.of(coil);
  }
}
