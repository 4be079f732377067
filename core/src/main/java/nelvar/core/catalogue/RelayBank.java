package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;

/// Several relays on one board with one 0 V: coil n between INn and -, changeover contact Cn
/// (common), NCn (closed at rest), NOn. Ways that nothing drives stay at rest.
public record RelayBank(
    String id,
    String name,
    Article article,
    int ways,
    Coil coil,
    Current rating,
    Optional<ContactRating> contacts)
    implements Part {
  public RelayBank {
    Part.require(ways >= 1 && ways <= 32, "a bank has 1 to 32 relays, not " + ways);
  }

  private static String relay(int way) {
    return "K" + way;
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>();
    all.add(Terminal.required("-", Role.MINUS));
    for (var way = 1; way <= ways; way++) {
      all.add(Terminal.optional("IN" + way, Role.PLUS));
      for (var mark : List.of("C", "NC", "NO"))
        all.add(Terminal.optional(mark + way, Role.CONTACT));
    }
    return all;
  }

  @Override
  public List<Link> links() {
    var all = new ArrayList<Link>();
    for (var way = 1; way <= ways; way++) {
      all.add(Link.contact("C" + way, "NO" + way, relay(way)));
      all.add(Link.restContact("C" + way, "NC" + way, relay(way)));
    }
    return all;
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
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    var volts = coil.voltage().volts();
    for (var way = 1; way <= ways; way++)
      all.add(
          new Element.Resistor(
              "IN" + way, "-", new Resistance(volts * volts / coil.power().watts())));
    return all;
  }

  @Override
  public List<Actuator> actuators() {
    var all = new ArrayList<Actuator>();
    for (var way = 1; way <= ways; way++)
      all.add(
          new Actuator.Magnet(
              relay(way),
              "IN" + way,
              "-",
              coil.operates().least(),
              coil.voltage().times(Relay.DROP_OUT / 100),
              new Duration(0.02),
              new Duration(0.015),
              Optional.empty()));
    return all;
  }
}
