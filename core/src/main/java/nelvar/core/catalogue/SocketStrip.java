package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;

/// A strip of mains sockets: fed on L, N and PE; its sockets are L1 N1 PE1, L2 N2 PE2 …
///
/// @param switched whether a two-pole switch parts all sockets from the mains
public record SocketStrip(
    String id, String name, Article article, int sockets, Current rating, boolean switched)
    implements Part {
  private static final String SWITCH = "on";

  public SocketStrip {
    Part.require(sockets >= 1 && sockets <= 50, "a strip has 1 to 50 sockets, not " + sockets);
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
    for (var socket = 2; socket <= sockets; socket++)
      for (var line : List.of("L", "N", "PE")) all.add(Link.joined(line + "1", line + socket));
    return all;
  }

  @Override
  public List<Actuator> actuators() {
    return switched ? List.of(new Actuator.Hand(SWITCH, true)) : List.of();
  }
}
