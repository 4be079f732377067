package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;

/// What a part wants around it where it is mounted: room for its air and its wires, how warm it may
/// stand, what of it hands must reach.
///
/// @param above free above it, seen from the front
/// @param below free below it
/// @param sides free to its left and right
/// @param wires the sides its wires and cables enter at; above and below where nothing is said
/// @param terminals where its terminals are, side by side; what is not said is somewhere along the
///   sides wires enter at
/// @param fullTo the warmest air in which it gives all it is rated for
/// @param most the warmest air it may stand in at all
/// @param reach what hands must get at
/// @param bare a board without a case, which stands on spacers
/// @param moves air that a fan moves with nothing before it
/// @param turnsFrom the least width of pulses that turns it, where its output gives pulses
/// @param exchanges heat that an exchanger carries out of a cabinet, W for each kelvin
/// @param removes heat that a cooling unit carries out of a cabinet, W
/// @param through share of its heat that leaves through a heat sink which can stand outside the
///   wall
public record Fitting(
    Optional<Length> above,
    Optional<Length> below,
    Optional<Length> sides,
    List<Side> wires,
    List<Row> terminals,
    Optional<Temperature> fullTo,
    Optional<Temperature> most,
    List<Reach> reach,
    Optional<Boolean> bare,
    Optional<Measure> moves,
    Optional<Percent> turnsFrom,
    Optional<Measure> exchanges,
    Optional<nelvar.core.units.Power> removes,
    Optional<Percent> through) {
  /// Nothing known.
  public static final Fitting UNKNOWN =
      new Fitting(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          List.of(),
          List.of(),
          Optional.empty(),
          Optional.empty(),
          List.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  private static final double MOST_ROOM = 1;

  public Fitting {
    wires = List.copyOf(wires);
    terminals = List.copyOf(terminals);
    reach = List.copyOf(reach);
    for (var room : List.of(above, below, sides))
      Part.require(
          room.filter(r -> r.metres() > MOST_ROOM).isEmpty(),
          "a part wants at most 1 m free around it");
    Part.require(
        moves.isEmpty() || moves.get().unit() == Measure.Unit.AIR_FLOW, "a fan moves so many m³/h");
    Part.require(
        exchanges.isEmpty() || exchanges.get().unit() == Measure.Unit.HEAT_PER_KELVIN,
        "an exchanger carries so many W/K");
    Part.require(
        fullTo.isEmpty() || most.isEmpty() || fullTo.get().compareTo(most.get()) <= 0,
        "no part gives all it is rated for in air it may not stand in");
  }

  /// A side of a part as it stands upright, seen from the front.
  public enum Side {
    TOP,
    BOTTOM,
    LEFT,
    RIGHT,
    FRONT;

    public String words() {
      return switch (this) {
        case TOP -> "top";
        case BOTTOM -> "bottom";
        case LEFT -> "left";
        case RIGHT -> "right";
        case FRONT -> "front";
      };
    }

    /// Where this side looks after so many quarter turns clockwise.
    public Side turned(int quarters) {
      if (this == FRONT) return FRONT;
      var around = List.of(TOP, RIGHT, BOTTOM, LEFT);
      return around.get(Math.floorMod(around.indexOf(this) + quarters, around.size()));
    }
  }

  /// Terminals beside each other on one side, evenly apart, as one reads them: from the left, or
  /// from above.
  public record Row(Side side, List<String> marks) {
    public Row {
      marks = List.copyOf(marks);
      Part.require(!marks.isEmpty(), "a row of terminals has one at least");
    }
  }

  /// Something of a part that hands must get at.
  ///
  /// @param what `card slot`, `current trimmer`, `USB plug`, `test points`
  /// @param side where it is
  /// @param free room a hand, a plug or a screwdriver needs before it
  public record Reach(String what, Side side, Length free) {}

  /// Whether it carries heat out of a cabinet, or stirs its air.
  public boolean cools() {
    return moves.isPresent() || exchanges.isPresent() || removes.isPresent();
  }

  /// Whether it has a filter mat of its own, which hands change.
  public boolean filtered() {
    return reach.stream().anyMatch(r -> r.what().equals(FILTER));
  }

  private static final String FILTER = "filter mat";

  public boolean bareBoard() {
    return bare.orElse(false);
  }
}
