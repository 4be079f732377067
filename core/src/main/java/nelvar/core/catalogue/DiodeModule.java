package nelvar.core.catalogue;

import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Two diodes, 1 and 2 in, + out: lets two supplies serve one bus without feeding each other.
///
/// @param forward voltage lost in a diode
public record DiodeModule(String id, String name, Article article, Current rating, Voltage forward)
    implements Part {
  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("1", Role.PLUS),
        Terminal.required("2", Role.PLUS),
        Terminal.required("+", Role.PLUS));
  }

  @Override
  public List<Link> links() {
    return List.of(Link.diode("1", "+"), Link.diode("2", "+"));
  }

  @Override
  public List<Element> elements() {
    var own = new Resistance(0.005);
    return List.of(
        new Element.Diode("1", "+", forward, own), new Element.Diode("2", "+", forward, own));
  }
}
