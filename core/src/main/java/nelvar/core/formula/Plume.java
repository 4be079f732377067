package nelvar.core.formula;

import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;

/// Warm air that rises above a hot part.
///
/// The law of turbulent plumes above a small source, as G. Heskestad wrote it (Engineering
/// relations for fire plumes, Fire Safety Journal 7, 1984; from memory): in the middle of the plume
/// the air is `9.1 · (T/(g · cp² · ρ²))^⅓ · Q^⅔ · z^(−5/3)` warmer, Q the convected heat in kW, z
/// from its virtual origin. With air of 20 °C the factor is 25.
public final class Plume {
  private static final double STRENGTH = 9.1;
  private static final double KELVIN = 293;
  private static final double GRAVITY = 9.81;

  /// kJ/(kg·K).
  private static final double SPECIFIC_HEAT = 1.005;

  /// kg/m³.
  private static final double DENSITY = 1.2;

  /// How far below its top the origin of a plume lies, in diameters of the part: 1.7 to 2.1 in
  /// handbooks of ventilation (from memory); the less, which is the warmer, is taken.
  private static final double ORIGIN = 1.7;

  /// How much wider a plume gets with height: half of it each way.
  private static final double SPREAD = 0.12;

  private Plume() {}

  /// In the middle of the plume, so far above the top of the part.
  ///
  /// @param convected what leaves by air, not by radiation
  /// @param diameter of a disc as large as the top of the part
  public static Measure rise(Power convected, Length above, Length diameter) {
    var z = above.metres() + ORIGIN * diameter.metres();
    var factor =
        STRENGTH
            * Math.cbrt(KELVIN / (GRAVITY * SPECIFIC_HEAT * SPECIFIC_HEAT * DENSITY * DENSITY));
    var kilowatts = convected.watts() / 1000;
    return new Measure(
        factor * Math.pow(kilowatts, 2.0 / 3) * Math.pow(z, -5.0 / 3),
        Measure.Unit.TEMPERATURE_RISE);
  }

  /// Half as wide as the plume is there, beyond the edge of the part.
  public static Length spread(Length above) {
    return new Length(SPREAD * above.metres());
  }

  /// Of a disc of the same area.
  public static Length diameter(Length width, Length depth) {
    return new Length(Math.sqrt(4 * width.metres() * depth.metres() / Math.PI));
  }
}
