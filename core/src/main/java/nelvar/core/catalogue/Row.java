package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;

/// How a row of terminals is built.
///
/// @param levels so many ways lie one above the other in one piece
/// @param sides clamps of a way: two where it leads from one side to the other
/// @param role what all of it is, where all its ways are one
/// @param rating of one that is one
/// @param clamp what one of its clamps holds; empty where that is not known
public record Row(
    int ways,
    int levels,
    int sides,
    Optional<Terminal.Role> role,
    Optional<Current> rating,
    Optional<Clamp> clamp) {
  /// Ways that each lead from one side to the other, nothing joining them.
  static Row through(int ways, int levels, Optional<Clamp> clamp) {
    return new Row(ways, levels, 2, Optional.empty(), Optional.empty(), clamp);
  }

  /// Whether it can stand in the place of another: for the same, with as many ways, for as much.
  public boolean replaces(Row other) {
    return role.equals(other.role)
        && sides == other.sides
        && ways >= other.ways
        && rating.map(Current::amperes).orElse(0.0)
            >= other.rating.map(Current::amperes).orElse(0.0);
  }
}
