package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;

/// The door to the North American tables of what goes into a conduit. Areas in square inches.
public final class Conduits {
  private static final Table INSIDE = Table.load("nec-2023/conduit.tsv");
  private static final Table WIRES = Table.load("nec-2023/wire-area.tsv");

  // Shares of the whole inside, by how many wires there are (Chapter 9, Table 1).
  private static final double ONE = 0.53;
  private static final double TWO = 0.31;
  private static final double MORE = 0.40;

  /// Note 7: from this fraction on, one more of wires alike is counted.
  private static final double ROUNDS_UP_FROM = 0.8;

  /// Thin-wall steel conduit by its trade size in inches.
  public enum TradeSize {
    HALF("1/2", 0.5),
    THREE_QUARTERS("3/4", 0.75),
    ONE("1", 1),
    ONE_AND_A_QUARTER("1-1/4", 1.25),
    ONE_AND_A_HALF("1-1/2", 1.5),
    TWO("2", 2);

    private final String words;
    private final double inches;

    TradeSize(String words, double inches) {
      this.words = words;
      this.inches = inches;
    }

    @Override
    public String toString() {
      return words;
    }
  }

  private Conduits() {}

  /// What three and more wires may fill.
  public static Optional<Cited<Double>> room(TradeSize conduit) {
    return INSIDE.cited(conduit.inches, "in²");
  }

  /// Of one THHN wire; empty where the table has no such size.
  public static Optional<Cited<Double>> wire(CrossSection size) {
    return size.gaugeNumber().isPresent()
        ? WIRES.cited(size.gaugeNumber().getAsInt(), "in²")
        : Optional.empty();
  }

  /// The whole inside, by what may be filled of it.
  public static double whole(double room) {
    return room / MORE;
  }

  /// How many wires alike: three and more by the room for them, two and one by their own shares.
  public static int most(double room, double wire) {
    var many = (int) Math.floor(room / wire + 1 - ROUNDS_UP_FROM);
    if (many >= 3) return many;
    if (2 * wire <= TWO * whole(room)) return 2;
    return wire <= ONE * whole(room) ? 1 : 0;
  }
}
