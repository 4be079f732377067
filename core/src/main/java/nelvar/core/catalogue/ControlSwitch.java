package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;

/// Push-button, stop button, protective device or limit switch. Contacts closed at rest are 11/12,
/// 21/22; open at rest 13/14, 23/24.
public record ControlSwitch(
    String id,
    String name,
    Article article,
    int closedContacts,
    int openContacts,
    Optional<ContactRating> contacts,
    Optional<Watched> watches)
    implements Part {
  /// What moves a switch that no hand moves.
  public enum Watched {
    FLOW,
    TEMPERATURE,
    POSITION,
    TOOL
  }

  /// Of a command device; common practice.
  private static final nelvar.core.units.Current USUAL = new nelvar.core.units.Current(6);

  private static final String PRESSED = "pressed";

  public ControlSwitch {
    Part.require(
        closedContacts >= 0
            && openContacts >= 0
            && closedContacts + openContacts >= 1
            && closedContacts <= 4
            && openContacts <= 4,
        "a switch has 1 to 8 contacts");
  }

  private List<Link> ways() {
    var all = new ArrayList<Link>();
    for (var n = 1; n <= closedContacts; n++) all.add(Link.restContact(n + "1", n + "2", PRESSED));
    for (var n = 1; n <= openContacts; n++) all.add(Link.contact(n + "3", n + "4", PRESSED));
    return all;
  }

  @Override
  public Optional<ContactRating> statedRating(Link contact) {
    return contacts;
  }

  @Override
  public Optional<ContactRating> usualRating(Link contact) {
    return Optional.of(ContactRating.usualRelay(USUAL));
  }

  @Override
  public List<Terminal> terminals() {
    return ways().stream()
        .flatMap(contact -> Stream.of(contact.a(), contact.b()))
        .map(mark -> Terminal.optional(mark, Role.CONTACT))
        .toList();
  }

  @Override
  public List<Link> links() {
    return ways();
  }

  @Override
  public List<Actuator> actuators() {
    return List.of(new Actuator.Hand(PRESSED, false));
  }
}
