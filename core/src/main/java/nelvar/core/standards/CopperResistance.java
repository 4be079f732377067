package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;

/// The resistance of copper wire of any size that can be bought, metric or gauge, brought to 20 °C.
public final class CopperResistance {
  private static final double AT_75 = warmed(new Temperature(75));

  /// Ω·mm²/m of annealed copper at 20 °C, by definition (IACS).
  private static final double ANNEALED = 0.017241;

  /// Stranding makes the strands longer than the wire: 2 %, common practice.
  private static final double STRANDING = 1.02;

  /// Reactance of a wire beside its return where nothing better is known, Ω/m (IEC 60364-5-52:2009
  /// Annex G, unchecked).
  public static final double REACTANCE_PER_METRE = 0.00008;

  /// Ω·mm²/m of a flexible copper conductor at 20 °C (IEC 60228, class 5, 1 mm²), for sections the
  /// table has no row for.
  private static final double FLEXIBLE = 0.0195;

  private CopperResistance() {}

  /// At 20 °C, of any section: by its table, else by area.
  public static ResistancePerLength perMetre(CrossSection section) {
    return at20(section)
        .map(Cited::value)
        .orElseGet(() -> new ResistancePerLength(FLEXIBLE / section.squareMillimetres()));
  }

  /// How many times its resistance at 20 °C copper has at a temperature: `(234.5 + T)/254.5`.
  public static double warmed(Temperature temperature) {
    return (234.5 + temperature.celsius()) / 254.5;
  }

  /// Of one conductor of flexible strands, `R20 · l · (234.5 + T)/254.5`; empty for a section no
  /// table has.
  public static Optional<Resistance> of(
      CrossSection section, Length length, Temperature temperature) {
    return at20(section).map(r20 -> r20.value().times(warmed(temperature)).over(length));
  }

  /// Of flexible strands: metric class 5, or the stranded column of the gauge tables.
  public static Optional<Cited<ResistancePerLength>> at20(CrossSection section) {
    return at20(section, MetricConductors.Strands.CLASS_5);
  }

  /// A gauge has one column only: `strands` matters for metric sections.
  public static Optional<Cited<ResistancePerLength>> at20(
      CrossSection section, MetricConductors.Strands strands) {
    if (section.gaugeNumber().isEmpty()) return MetricConductors.resistance(section, strands);
    var tabled = AmericanConductors.resistance(section);
    if (tabled.isPresent())
      return Optional.of(
          new Cited<>(tabled.get().value().times(1 / AT_75), tabled.get().citation()));
    // Outside the table, thinner than 18 AWG and thicker than 4/0: by area.
    return Optional.of(
        new Cited<>(
            new ResistancePerLength(ANNEALED * STRANDING / section.squareMillimetres()),
            new Citation("annealed copper by area", "ASTM B258", Citation.Status.ASSUMED)));
  }
}
