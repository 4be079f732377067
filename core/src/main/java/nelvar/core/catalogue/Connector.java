package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Voltage;

/// Plug and socket of many ways, a plug for direct current, a ready-made lead or adapter: way 1 is
/// joined from 1A, on the side of the cabinet, to 1B, on the other.
///
/// @param rating greatest current of one way
/// @param voltage greatest between two ways
/// @param size what it goes together with: `5.5/2.1 mm, + inside`, `25 ways in two rows`
/// @param across its greatest measure outside: what has to go through a gland or a conduit with it
/// @param map of a lead or adapter that does not join way by way: at 1A comes out the first number
/// @param leads the way that is joined first and parted last; 0 where all mate at once, empty where
///   that is not stated
public record Connector(
    String id,
    String name,
    Article article,
    int ways,
    Current rating,
    Voltage voltage,
    Optional<String> size,
    Optional<Length> across,
    List<Integer> map,
    Optional<Integer> leads)
    implements Part {
  public Connector {
    Part.require(ways >= 1 && ways <= 200, "a connector has 1 to 200 ways, not " + ways);
    Part.require(
        leads.filter(way -> way < 0 || way > ways).isEmpty(),
        "the way that mates first is one of its ways, or 0 for none");
    map = List.copyOf(map);
    Part.require(
        map.isEmpty()
            || (map.size() == ways
                && map.stream().allMatch(to -> to >= 1 && to <= ways)
                && map.stream().distinct().count() == ways),
        "a map names each of its ways once");
  }

  /// The way that way `n` comes out at.
  public int outAt(int n) {
    return map.isEmpty() ? n : map.get(n - 1);
  }

  @Override
  public List<PlugFace> faces() {
    return List.of(half("plug", "B"));
  }

  @Override
  public Optional<PlugFace> socket() {
    return Optional.of(half("socket", "A"));
  }

  /// Its ways from the socket to the plug, looked at as a row; nobody states its clamps.
  public Row asRow() {
    return Row.through(ways, 1, Optional.empty());
  }

  private PlugFace half(String name, String end) {
    return new PlugFace(
        name,
        IntStream.rangeClosed(1, ways).mapToObj(way -> Optional.of(way + end)).toList(),
        1,
        Optional.empty());
  }

  @Override
  public List<Terminal> terminals() {
    return IntStream.rangeClosed(1, ways)
        .boxed()
        .flatMap(way ->
            Stream.of(
                Terminal.optional(way + "A", Role.SIGNAL),
                Terminal.optional(way + "B", Role.SIGNAL)))
        .toList();
  }

  @Override
  public List<Link> links() {
    return IntStream.rangeClosed(1, ways)
        .mapToObj(way -> Link.joined(way + "A", outAt(way) + "B"))
        .toList();
  }
}
