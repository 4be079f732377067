package nelvar.core.standards;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;

/// The door to the metric tables about copper conductors: ampacity, its corrections, resistance,
/// least sections.
public final class MetricConductors {
  private static final Table AMPACITY = Table.load("iec-60204-1-2016/ampacity.tsv");
  private static final Table ELECTRONICS = Table.load("iec-60204-1-2016/ampacity-electronics.tsv");
  private static final Table AMBIENT = Table.load("iec-60204-1-2016/ambient.tsv");
  private static final Table GROUPING = Table.load("iec-60364-5-52-2009/grouping.tsv");
  private static final Table MANY_CORES = Table.load("iec-60204-1-2016/many-cores.tsv");
  private static final Table DRUM = Table.load("iec-60204-1-2016/drum.tsv");
  private static final Table AMBIENT_30 = Table.load("iec-60364-5-52-2009/ambient-30.tsv");
  private static final Map<Insulation, List<Table>> AT_30 =
      Map.of(
          Insulation.PVC,
          List.of(
              Table.load("iec-60364-5-52-2009/ampacity-pvc-2.tsv"),
              Table.load("iec-60364-5-52-2009/ampacity-pvc-3.tsv")),
          Insulation.XLPE,
          List.of(
              Table.load("iec-60364-5-52-2009/ampacity-xlpe-2.tsv"),
              Table.load("iec-60364-5-52-2009/ampacity-xlpe-3.tsv")));
  private static final Table PANEL = Table.load("iec-61439-1-2020/panel-wiring.tsv");
  private static final Table MINIMUM = Table.load("iec-60204-1-2016/minimum-section.tsv");
  private static final Table RESISTANCE = Table.load("iec-60228-2004/resistance.tsv");
  private static final Table THIN = Table.load("common-practice/resistance-thin.tsv");

  /// What the insulation is made of, and what it stands for ever.
  public enum Insulation {
    PVC(70),
    XLPE(90);

    private final double celsius;

    Insulation(double celsius) {
      this.celsius = celsius;
    }

    public Temperature greatest() {
      return new Temperature(celsius);
    }
  }

  /// How wires lie inside an enclosure, as IEC 61439-1 Table H.1 divides them.
  public enum PanelLaying {
    TRUNKING("trunking"),
    TOUCHING("touching"),
    SPACED("spaced");

    private final String column;

    PanelLaying(String column) {
      this.column = column;
    }
  }

  /// How the strands are made: class 2 stranded (and class 1 solid), class 5 flexible, class 5
  /// tinned.
  public enum Strands {
    CLASS_5("class5"),
    CLASS_5_TINNED("class5 tinned"),
    CLASS_2("class2");

    private final String column;

    Strands(String column) {
      this.column = column;
    }
  }

  /// What a conductor is for, as Table 5 of IEC 60204-1 divides them.
  public enum Use {
    POWER,
    CONTROL,
    DATA
  }

  private MetricConductors() {}

  private static final List<CrossSection> SECTIONS =
      java.util.stream.Stream.concat(
              THIN.keys().stream().filter(s -> s >= 0.2),
              RESISTANCE.keys().stream().filter(s -> s <= 120))
          .sorted()
          .map(CrossSection::new)
          .toList();

  /// Sections that can be bought and rated, 0.2 to 120 mm², rising.
  public static List<CrossSection> sections() {
    return SECTIONS;
  }

  /// Uncorrected ampacity in 40 °C air; for sections below 0.75 mm² the control and electronics
  /// part of the table.
  public static Optional<Cited<Current>> ampacity(CrossSection section, InstallationMethod method) {
    var power = AMPACITY.cited(section.squareMillimetres(), method.name(), Current::new);
    if (power.isPresent()) return power;
    var size = section.squareMillimetres();
    // Sections the lower part does not list take the next smaller listed one.
    return size < 0.2
        ? Optional.empty()
        : ELECTRONICS.cited(
            size < 0.5 ? 0.2 : size < 0.75 ? 0.5 : size,
            method == InstallationMethod.B1 ? "B2" : method.name(),
            Current::new);
  }

  /// Uncorrected ampacity in 30 °C air, the base of IEC 60364; two or three loaded conductors.
  public static Optional<Cited<Current>> ampacityAt30(
      CrossSection section, InstallationMethod method, Insulation insulation, int loaded) {
    return Objects.requireNonNull(AT_30.get(insulation))
        .get(loaded == 2 ? 0 : 1)
        .cited(section.squareMillimetres(), method.name(), Current::new);
  }

  /// The factor that belongs to [#ampacityAt30], up to 60 °C (PVC) or 80 °C (XLPE).
  public static Optional<Cited<Double>> ambientFactorFrom30(
      Temperature ambient, Insulation insulation) {
    return AMBIENT_30.cited(Math.max(10, ambient.celsius()), insulation.name());
  }

  /// What a single wire inside an enclosure carries in 55 °C air around it.
  public static Optional<Cited<Current>> panelWiring(CrossSection section, PanelLaying laying) {
    return PANEL.cited(section.squareMillimetres(), laying.column + " A", Current::new);
  }

  /// Its heat at that current, W a metre.
  public static Optional<Cited<Measure>> panelLoss(CrossSection section, PanelLaying laying) {
    return PANEL.cited(
        section.squareMillimetres(),
        laying.column + " W/m",
        watts -> new Measure(watts, Measure.Unit.LOSS_PER_LENGTH));
  }

  /// The factor for a cable wound on a cylindrical drum in 1 to 4 layers.
  public static Optional<Cited<Double>> drumFactor(int layers) {
    return DRUM.cited(layers, "factor");
  }

  /// The factor for air at `ambient`: 30 °C and less up to 60 °C; empty above.
  public static Optional<Cited<Double>> ambientFactor(Temperature ambient) {
    return AMBIENT.cited(Math.max(30, ambient.celsius()), "factor");
  }

  /// The factor for `circuits` loaded circuits lying together, 1 to 20; empty above.
  public static Optional<Cited<Double>> groupingFactor(int circuits, InstallationMethod method) {
    return GROUPING.cited(circuits, method.grouping());
  }

  /// The factor for loaded cores in one cable, up to 24; empty above.
  public static Optional<Cited<Double>> manyCoresFactor(int loadedCores) {
    return MANY_CORES.cited(loadedCores, "factor");
  }

  /// Greatest resistance of class 5 strands at 20 °C.
  public static Optional<Cited<ResistancePerLength>> resistance(CrossSection section) {
    return resistance(section, Strands.CLASS_5);
  }

  /// Greatest resistance at 20 °C.
  public static Optional<Cited<ResistancePerLength>> resistance(
      CrossSection section, Strands strands) {
    var table = section.squareMillimetres() < 0.5 ? THIN : RESISTANCE;
    return table.cited(
        section.squareMillimetres(),
        strands.column,
        ohmsPerKilometre -> new ResistancePerLength(ohmsPerKilometre / 1000));
  }

  /// The least section for a use, inside an enclosure or outside, as single wire or core of a
  /// cable.
  public static Optional<Cited<CrossSection>> minimumSection(
      Use use, boolean inside, boolean inCable) {
    var column =
        switch (use) {
          case POWER -> inCable ? "power-cable" : "power-single";
          case CONTROL -> inCable ? "control-cable" : "control-single";
          case DATA -> "data";
        };
    return MINIMUM.cited(inside ? 1 : 2, column, CrossSection::new);
  }
}
