package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;

/// Electronic protection for direct current: one input +, a limited and switched-off output a
/// channel.
///
/// @param channels rated current of each channel, outputs marked 1, 2, 3 …
public record ElectronicProtection(String id, String name, Article article, List<Current> channels)
    implements Part {
  public ElectronicProtection {
    channels = List.copyOf(channels);
    Part.require(!channels.isEmpty(), "an electronic protection has at least one channel");
  }

  @Override
  public List<Terminal> terminals() {
    var all =
        new ArrayList<Terminal>(
            List.of(Terminal.required("+", Role.PLUS), Terminal.required("0V", Role.MINUS)));
    for (var channel = 1; channel <= channels.size(); channel++)
      all.add(Terminal.optional(String.valueOf(channel), Role.PLUS));
    return all;
  }

  @Override
  public List<Link> links() {
    var all = new ArrayList<Link>();
    for (var i = 0; i < channels.size(); i++)
      all.add(
          Link.protective(
              "+",
              String.valueOf(i + 1),
              new ProtectiveDevice.Electronic(String.valueOf(i + 1), channels.get(i))));
    return all;
  }
}
