package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import nelvar.core.catalogue.Housing;
import nelvar.core.formula.Enclosure;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// The walls of a cabinet: what they are made of, how large they are and how they stand.
///
/// @param width outside, as one stands before it
/// @param depth from the back to the outside of the door
/// @param plate what the mounting plate measures; where nothing is said, 50 mm less than the
///   housing (common practice)
/// @param stands how its walls give off heat
/// @param cables the side most cables leave at; it follows where the cabinet hangs unless another
///   is said
/// @param hinge the side its door hangs on; empty where it has none
/// @param hangs where it hangs as one stands before it and the machine; empty: on a wall or a
///   floor, where nobody said
public record Shell(
    Housing housing,
    Length width,
    Length height,
    Length depth,
    Optional<Plate> plate,
    Enclosure.Standing stands,
    Side cables,
    Optional<Side> hinge,
    Optional<Sun> sun,
    Optional<Lining> lining,
    Optional<Hangs> hangs) {
  private static final double LEAST = 0.02;
  private static final double MOST = 5;

  /// Between the outside of the housing and the plate, both edges together.
  public static final Length AROUND_PLATE = Length.ofMillimetres(50);

  /// A plate stands so far before the back wall (common practice).
  public static final Length BEHIND_PLATE = Length.ofMillimetres(25);

  public Shell {
    for (var side : List.of(width, height, depth))
      if (side.metres() < LEAST || side.metres() > MOST)
        throw new ImpossibleQuantity(
            "a cabinet is from 20 mm to 5 m wide, high and deep, not " + side);
    if (hinge.filter(side -> side == Side.BOTTOM).isPresent())
      throw new ImpossibleQuantity("a door hangs on the left, the right or the top");
  }

  /// A steel cabinet on a wall, its cables below, its door hung on the left.
  public static Shell onWall(Length width, Length height, Length depth) {
    return new Shell(
        Housing.PAINTED_STEEL,
        width,
        height,
        depth,
        Optional.empty(),
        Enclosure.Standing.WALL,
        Side.BOTTOM,
        Optional.of(Side.LEFT),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  public enum Side {
    LEFT("left"),
    RIGHT("right"),
    TOP("top"),
    BOTTOM("bottom");

    private final String words;

    Side(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// Where it hangs as one stands before it and the machine: its cables leave toward the machine,
  /// and downward where nothing else is said, so that nothing drips in along them (common
  /// practice).
  public enum Hangs {
    WALL("on a wall", Side.BOTTOM),
    FLOOR("on the floor", Side.BOTTOM),
    ABOVE("above the machine", Side.BOTTOM),
    UNDER("under the machine", Side.TOP),
    LEFT_OF("left of the machine", Side.RIGHT),
    RIGHT_OF("right of the machine", Side.LEFT);

    private final String words;
    private final Side toward;

    Hangs(String words, Side toward) {
      this.words = words;
      this.toward = toward;
    }

    public String words() {
      return words;
    }

    /// The side its cables leave at as a rule.
    public Side toward() {
      return toward;
    }
  }

  /// What the sun shines on.
  public enum Sun {
    LIGHT_PAINT,
    DARK_PAINT
  }

  /// What wood is lined with.
  public enum Lining {
    SHEET_STEEL,
    CEMENT_BOARD
  }

  public record Plate(Length width, Length height) {}

  /// What the mounting plate measures.
  public Plate mountingPlate() {
    return plate.orElseGet(() ->
        new Plate(
            new Length(Math.max(0.01, width.metres() - AROUND_PLATE.metres())),
            new Length(Math.max(0.01, height.metres() - AROUND_PLATE.metres()))));
  }

  public boolean closed() {
    return housing != Housing.OPEN;
  }

  /// Room to mount on, width and height.
  public Plate size(Surface surface) {
    return switch (surface) {
      case PLATE -> mountingPlate();
      case DOOR, OUTSIDE -> new Plate(width, height);
      case LEFT, RIGHT -> new Plate(depth, height);
      case TOP, BOTTOM -> new Plate(width, depth);
    };
  }

  /// Walls being changed.
  public static final class Draft {
    public Housing housing;
    public Length width;
    public Length height;
    public Length depth;
    public Optional<Plate> plate;
    public Enclosure.Standing stands;
    public Side cables;
    public Optional<Side> hinge;
    public Optional<Sun> sun;
    public Optional<Lining> lining;
    public Optional<Hangs> hangs;

    private Draft(Shell from) {
      housing = from.housing;
      width = from.width;
      height = from.height;
      depth = from.depth;
      plate = from.plate;
      stands = from.stands;
      cables = from.cables;
      hinge = from.hinge;
      sun = from.sun;
      lining = from.lining;
      hangs = from.hangs;
    }

    private Shell done() {
      return new Shell(
          housing, width, height, depth, plate, stands, cables, hinge, sun, lining, hangs);
    }
  }

  /// Otherwise in some of it.
  public Shell with(Consumer<Draft> change) {
    var draft = new Draft(this);
    change.accept(draft);
    return draft.done();
  }

  /// Hung there; the side its cables leave at follows.
  public Shell hung(Hangs where) {
    return with(d -> {
      d.hangs = Optional.of(where);
      d.cables = where.toward();
    });
  }

  /// Where it hangs, as far as anybody said.
  public Hangs where() {
    return hangs.orElse(Hangs.WALL);
  }

  /// As large as this; its plate follows.
  public Shell sized(Length nextWidth, Length nextHeight, Length nextDepth) {
    return with(d -> {
      d.width = nextWidth;
      d.height = nextHeight;
      d.depth = nextDepth;
      d.plate = Optional.empty();
    });
  }
}
