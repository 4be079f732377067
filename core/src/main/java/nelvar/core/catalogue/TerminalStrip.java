package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.CrossSection;

/// Row of feed-through terminals 1, 2, 3 …; wires of both sides land on the same number.
///
/// @param section greatest conductor it takes
/// @param levels so many ways lie one above the other in one piece; one where nothing is said
/// @param clamp what one side of a way holds, where more than the greatest section is known
public record TerminalStrip(
    String id,
    String name,
    Article article,
    int ways,
    CrossSection section,
    Optional<Integer> levels,
    Optional<Clamp> clamp)
    implements Part {
  public TerminalStrip {
    Part.require(ways >= 1 && ways <= 500, "a terminal strip has 1 to 500 ways, not " + ways);
    Part.require(
        levels.filter(n -> n < 1 || n > 4).isEmpty(), "a terminal has 1 to 4 levels, not more");
  }

  @Override
  public Optional<Row> row() {
    return Optional.of(
        Row.through(
            ways, levels.orElse(1), Optional.of(clamp.orElseGet(() -> Clamp.upTo(section)))));
  }

  @Override
  public List<Terminal> terminals() {
    return Stream.iterate(1, way -> way + 1)
        .limit(ways)
        .map(way -> Terminal.optional(String.valueOf(way), Role.SIGNAL))
        .toList();
  }
}
