package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;

/// The door to the North American tables about copper conductors: ampacity, its corrections,
/// resistance, least sizes, equipment grounding.
public final class AmericanConductors {
  private static final Table AMPACITY = Table.load("nec-2023/ampacity.tsv");
  private static final List<CrossSection> SIZES =
      AMPACITY.keys().stream().map(AmericanConductors::section).sorted().toList();
  private static final Table AMBIENT = Table.load("nec-2023/ambient.tsv");
  private static final Table BUNDLING = Table.load("nec-2023/bundling.tsv");
  private static final Table RESISTANCE = Table.load("nec-2023/resistance.tsv");
  private static final Table MINIMUM = Table.load("nfpa-79-2021/minimum-size.tsv");
  private static final Table SMALL = Table.load("nec-2023/small-conductors.tsv");
  private static final Table GROUNDING = Table.load("nec-2023/equipment-grounding.tsv");

  /// Ω/1000 ft in Ω/m.
  private static final double PER_THOUSAND_FEET = 1 / 304.8;

  /// What insulation, or a terminal, is rated for.
  public enum Rating {
    C60("60"),
    C75("75"),
    C90("90");

    private final String column;

    Rating(String column) {
      this.column = column;
    }

    public Temperature temperature() {
      return new Temperature(Double.parseDouble(column));
    }

    @Override
    public String toString() {
      return column + " °C";
    }
  }

  /// How far a motor's current lets its wires be thinner than other power wires.
  public enum Use {
    MOTOR_UP_TO_5A("power 5 A"),
    MOTOR_UP_TO_8A("power 8 A"),
    POWER("power"),
    CONTROL("control"),
    CONTROL_CABLE("control-cable"),
    DATA("data");

    private final String column;

    Use(String column) {
      this.column = column;
    }
  }

  private AmericanConductors() {}

  /// Sizes that can be bought and rated, 30 AWG to 500 kcmil, rising.
  public static List<CrossSection> sizes() {
    return SIZES;
  }

  private static CrossSection section(double key) {
    return key >= 250 ? CrossSection.ofKcmil(key) : CrossSection.ofGauge((int) key);
  }

  /// Uncorrected, in 30 °C air with up to three current-carrying conductors; empty for what is no
  /// gauge, or has no cell.
  public static Optional<Cited<Current>> ampacity(CrossSection size, Rating rating) {
    return size.gaugeNumber().isPresent()
        ? AMPACITY.cited(size.gaugeNumber().getAsInt(), rating.column, Current::new)
        : Optional.empty();
  }

  /// The factor for air at `ambient`; empty where the insulation is not usable.
  public static Optional<Cited<Double>> ambientFactor(Temperature ambient, Rating rating) {
    return AMBIENT.cited(ambient.celsius(), rating.column);
  }

  /// The factor for `conductors` current-carrying conductors in one raceway or cable.
  public static Optional<Cited<Double>> bundlingFactor(int conductors) {
    return BUNDLING.cited(conductors, "factor");
  }

  /// Of stranded copper at 75 °C, 18 AWG to 4/0; thinner stranded wire is not in the table.
  public static Optional<Cited<ResistancePerLength>> resistance(CrossSection size) {
    return size.gaugeNumber().isPresent()
        ? RESISTANCE.cited(
            size.gaugeNumber().getAsInt(),
            "stranded",
            ohms -> new ResistancePerLength(ohms * PER_THOUSAND_FEET))
        : Optional.empty();
  }

  public static Optional<Cited<CrossSection>> minimumSize(Use use, boolean inside) {
    return MINIMUM.cited(inside ? 1 : 2, use.column, AmericanConductors::section);
  }

  /// The greatest device for a small conductor, 18 to 10 AWG; empty for thicker ones, which follow
  /// their ampacity.
  public static Optional<Cited<Current>> smallConductorDevice(CrossSection size) {
    return size.gaugeNumber().isPresent()
        ? SMALL.cited(size.gaugeNumber().getAsInt(), "device", Current::new)
        : Optional.empty();
  }

  /// The least equipment grounding conductor behind a device of this rating.
  public static Optional<Cited<CrossSection>> equipmentGrounding(Current device) {
    return GROUNDING.cited(device.amperes(), "gauge", AmericanConductors::section);
  }
}
