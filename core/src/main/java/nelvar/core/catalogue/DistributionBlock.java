package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.units.Current;

/// Block or bar on which all ways 1, 2, 3 … are one.
///
/// @param clamp what one way holds; empty where that is not known
public record DistributionBlock(
    String id,
    String name,
    Article article,
    int ways,
    Terminal.Role role,
    Current rating,
    Optional<Clamp> clamp)
    implements Part {
  public DistributionBlock {
    Part.require(ways >= 2 && ways <= 500, "a distribution block has 2 to 500 ways, not " + ways);
  }

  @Override
  public Optional<Row> row() {
    return Optional.of(new Row(ways, 1, 1, Optional.of(role), Optional.of(rating), clamp));
  }

  @Override
  public List<Terminal> terminals() {
    return Stream.iterate(1, way -> way + 1)
        .limit(ways)
        .map(way -> Terminal.optional(String.valueOf(way), role))
        .toList();
  }

  @Override
  public List<Link> links() {
    return Stream.iterate(2, way -> way + 1)
        .limit(ways - 1L)
        .map(way -> Link.joined("1", String.valueOf(way)))
        .toList();
  }
}
