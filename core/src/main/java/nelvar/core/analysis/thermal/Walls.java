package nelvar.core.analysis.thermal;

import nelvar.core.catalogue.Housing;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;

/// What walls let through, W/m²K.
///
/// Painted steel 5.5 as catalogues of cabinets use (common practice). Others differ among
/// handbooks; the least of each range is taken: stainless steel 3.7 of 3.7 to 5.5, aluminium 4.5 of
/// 4.5 to 12, plastic 3.5. Wood by hand: 18 mm of plywood, λ 0.13 W/mK, films of 8 W/m²K on both
/// sides: 1/(2/8 + 0.018/0.13) = 2.6.
final class Walls {
  private static final double CONVECTED = 0.5;

  private Walls() {}

  static Cited<Measure> of(Housing housing) {
    return new Cited<>(
        new Measure(
            switch (housing) {
              case PAINTED_STEEL -> 5.5;
              case STAINLESS_STEEL -> 3.7;
              case ALUMINIUM -> 4.5;
              case PLASTIC -> 3.5;
              case WOOD -> 2.6;
              case OPEN -> 100;
            },
            Measure.Unit.HEAT_TRANSFER),
        Citation.practice());
  }

  /// Thin air carries less: about half of what walls give off goes by convection, which falls with
  /// the density of the air (common practice).
  static double atHeight(Length aboveSea) {
    return 1 - CONVECTED * (1 - nelvar.core.formula.Enclosure.thinness(aboveSea));
  }
}
