package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// A strip of mains sockets: fed on L, N and PE; its sockets are L1 N1 PE1, L2 N2 PE2 …
///
/// @param switched whether a two-pole switch parts all sockets from the mains
/// @param followsAbove the sockets from the second on are live while the first carries more than
///   this: an extractor that follows a spindle
public record SocketStrip(
    String id,
    String name,
    Article article,
    int sockets,
    Current rating,
    boolean switched,
    Optional<Current> followsAbove)
    implements Part {
  private static final String SWITCH = "on";
  private static final String FOLLOWS = "follows";

  /// So long after the first socket (common practice).
  private static final Duration OPERATES = new Duration(0.1);

  public SocketStrip {
    Part.require(sockets >= 1 && sockets <= 50, "a strip has 1 to 50 sockets, not " + sockets);
    Part.require(
        followsAbove.isEmpty() || (switched && sockets >= 2),
        "a strip whose sockets follow the first has a switch and 2 sockets or more");
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(1));
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    for (var socket = 1; socket <= sockets; socket++) {
      all.add(Terminal.optional("L" + socket, Role.LINE));
      all.add(Terminal.optional("N" + socket, Role.NEUTRAL));
      all.add(Terminal.optional("PE" + socket, Role.PROTECTIVE));
    }
    return all;
  }

  @Override
  public List<Link> links() {
    var all = new ArrayList<Link>();
    all.add(switched ? Link.contact("L", "L1", SWITCH) : Link.joined("L", "L1"));
    all.add(switched ? Link.contact("N", "N1", SWITCH) : Link.joined("N", "N1"));
    all.add(Link.joined("PE", "PE1"));
    for (var socket = 2; socket <= sockets; socket++) {
      // What follows takes its current from before the way that is measured.
      all.add(
          followsAbove.isEmpty()
              ? Link.joined("L1", "L" + socket)
              : Link.contact("L", "L" + socket, FOLLOWS));
      for (var line : List.of("N", "PE")) all.add(Link.joined(line + "1", line + socket));
    }
    return all;
  }

  @Override
  public List<Actuator> actuators() {
    if (!switched) return List.of();
    var hand = new Actuator.Hand(SWITCH, true);
    return followsAbove
        .<List<Actuator>>map(above ->
            List.of(
                hand,
                new Actuator.Watch(
                    FOLLOWS,
                    List.of(
                        Actuator.Reading.above(
                            "L", "L1", above.amperes() * Link.CONTACT_RESISTANCE)),
                    Optional.empty(),
                    OPERATES)))
        .orElse(List.of(hand));
  }
}
