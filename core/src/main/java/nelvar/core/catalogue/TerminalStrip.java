package nelvar.core.catalogue;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.CrossSection;

/// Row of feed-through terminals 1, 2, 3 …; wires of both sides land on the same number.
///
/// @param section greatest conductor it takes
public record TerminalStrip(String id, String name, Article article, int ways, CrossSection section)
    implements Part {
  public TerminalStrip {
    Part.require(ways >= 1 && ways <= 500, "a terminal strip has 1 to 500 ways, not " + ways);
  }

  @Override
  public List<Terminal> terminals() {
    return Stream.iterate(1, way -> way + 1)
        .limit(ways)
        .map(way -> Terminal.optional(String.valueOf(way), Role.SIGNAL))
        .toList();
  }
}
