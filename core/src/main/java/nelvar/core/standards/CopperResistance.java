package nelvar.core.standards;

import java.util.Optional;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;
import nelvar.core.units.ResistancePerLength;

/// The resistance of copper wire of any size that can be bought, metric or gauge, brought to 20 °C.
public final class CopperResistance {
  private static final double AT_75 = (234.5 + 75) / 254.5;

  /// Ω·mm²/m of annealed copper at 20 °C, by definition (IACS).
  private static final double ANNEALED = 0.017241;

  /// Stranding makes the strands longer than the wire: 2 %, common practice.
  private static final double STRANDING = 1.02;

  private CopperResistance() {}

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
