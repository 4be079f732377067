package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.units.Current;

/// Main switch: cuts every pole by hand. Poles are marked 1/2, 3/4, 5/6.
public record Disconnector(String id, String name, Article article, int poles, Current rating)
    implements Part {
  private static final String ON = "on";

  public Disconnector {
    Part.require(poles >= 1 && poles <= 4, "a device has 1 to 4 poles, not " + poles);
  }

  @Override
  public List<Terminal> terminals() {
    return Part.poleTerminals(poles);
  }

  @Override
  public List<Link> links() {
    return Part.poleLinks(poles, (a, b) -> Link.contact(a, b, ON));
  }

  @Override
  public List<Actuator> actuators() {
    return List.of(new Actuator.Hand(ON, true));
  }
}
