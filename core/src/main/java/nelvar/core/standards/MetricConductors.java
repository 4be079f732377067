package nelvar.core.standards;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
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
  private static final Table MINIMUM = Table.load("iec-60204-1-2016/minimum-section.tsv");
  private static final Table RESISTANCE = Table.load("iec-60228-2004/resistance.tsv");
  private static final Table THIN = Table.load("common-practice/resistance-thin.tsv");

  /// What a conductor is for, as Table 5 of IEC 60204-1 divides them.
  public enum Use {
    POWER,
    CONTROL,
    DATA
  }

  private MetricConductors() {}

  /// Sections that can be bought and rated, 0.2 to 120 mm², rising.
  public static List<CrossSection> sections() {
    return java.util.stream.Stream.concat(
            THIN.keys().stream().filter(s -> s >= 0.2), RESISTANCE.keys().stream())
        .sorted()
        .map(CrossSection::new)
        .toList();
  }

  /// Uncorrected ampacity in 40 °C air; for sections below 0.75 mm² the control and electronics
  /// part of the table.
  public static Optional<Cited<Current>> ampacity(CrossSection section, InstallationMethod method) {
    var power = AMPACITY.at(section.squareMillimetres(), method.name());
    if (power.isPresent()) return current(power, AMPACITY);
    var size = section.squareMillimetres();
    // Sections the lower part does not list take the next smaller listed one.
    var listed =
        size < 0.2
            ? OptionalDouble.empty()
            : ELECTRONICS.at(
                size < 0.5 ? 0.2 : size < 0.75 ? 0.5 : size,
                method == InstallationMethod.B1 ? "B2" : method.name());
    return current(listed, ELECTRONICS);
  }

  /// The factor for air at `ambient`: 30 °C and less up to 60 °C; empty above.
  public static Optional<Cited<Double>> ambientFactor(Temperature ambient) {
    return cited(AMBIENT.at(Math.max(30, ambient.celsius()), "factor"), AMBIENT);
  }

  /// The factor for `circuits` loaded circuits lying together, 1 to 20; empty above.
  public static Optional<Cited<Double>> groupingFactor(int circuits, InstallationMethod method) {
    return cited(GROUPING.at(circuits, method.grouping()), GROUPING);
  }

  /// The factor for loaded cores in one cable, up to 24; empty above.
  public static Optional<Cited<Double>> manyCoresFactor(int loadedCores) {
    return cited(MANY_CORES.at(loadedCores, "factor"), MANY_CORES);
  }

  /// Greatest resistance of class 5 strands at 20 °C.
  public static Optional<Cited<ResistancePerLength>> resistance(CrossSection section) {
    var table = section.squareMillimetres() < 0.5 ? THIN : RESISTANCE;
    var ohmsPerKilometre = table.at(section.squareMillimetres(), "class5");
    return ohmsPerKilometre.isPresent()
        ? Optional.of(
            new Cited<>(
                new ResistancePerLength(ohmsPerKilometre.getAsDouble() / 1000), table.citation()))
        : Optional.empty();
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
    var found = MINIMUM.at(inside ? 1 : 2, column);
    return found.isPresent()
        ? Optional.of(new Cited<>(new CrossSection(found.getAsDouble()), MINIMUM.citation()))
        : Optional.empty();
  }

  private static Optional<Cited<Current>> current(OptionalDouble amperes, Table table) {
    return amperes.isPresent()
        ? Optional.of(new Cited<>(new Current(amperes.getAsDouble()), table.citation()))
        : Optional.empty();
  }

  private static Optional<Cited<Double>> cited(OptionalDouble factor, Table table) {
    return factor.isPresent()
        ? Optional.of(new Cited<>(factor.getAsDouble(), table.citation()))
        : Optional.empty();
  }
}
