package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;

/// A row of small switches, or of jumpers, that a drive is set with.
///
/// @param ways how many, counted from 1 at the left
/// @param onIsUp which way is on, seen with the numbers to be read
/// @param mounted how one sees it
/// @param groups what each few of them set
/// @param jumpers whether they are jumpers on pairs of pins: on is fitted
public record SwitchBank(
    int ways,
    boolean onIsUp,
    Optional<String> mounted,
    List<Group> groups,
    Optional<Boolean> jumpers) {
  /// @param sets the name of the setting: `Microsteps`, `Phase current`
  public record Group(String sets, List<Integer> ways, List<Position> positions) {
    public Group {
      ways = List.copyOf(ways);
      positions = List.copyOf(positions);
      var count = ways.size();
      for (var position : positions)
        Part.require(
            position.on().length() == count && position.on().matches("[01]+"),
            "'%s' of %s says for %d switches which are on, such as 101"
                .formatted(position.on(), sets, count));
    }

    /// How its switches stand for a value; empty where the drive has no such.
    public Optional<String> forValue(String value) {
      return positions.stream().filter(p -> p.value().equals(value)).map(Position::on).findFirst();
    }
  }

  public boolean jumpered() {
    return jumpers.orElse(false);
  }

  /// @param on a 1 for each of its switches that is on, in their order
  public record Position(String value, String on) {}

  public SwitchBank {
    groups = List.copyOf(groups);
    Part.require(ways >= 1 && ways <= 16, "a bank has 1 to 16 switches, not " + ways);
    for (var group : groups)
      for (var way : group.ways())
        Part.require(way >= 1 && way <= ways, "a bank of %d has no switch %d".formatted(ways, way));
  }
}
