package nelvar.core.formula;

import java.util.Optional;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;

/// Heat and damp in an enclosure, and how full its ducts are.
public final class Enclosure {
  private Enclosure() {}

  /// How it stands: the weight of each face in its effective area (IEC TR 60890, from memory).
  public enum Standing {
    FREE("1.8 · H · (W + D) + 1.4 · W · D", 1.8, 1.8, 1.4),
    WALL("1.4 · W · (H + D) + 1.8 · D · H", 1.4, 1.8, 1.4),
    END_FREE("1.4 · D · (H + W) + 1.8 · W · H", 1.8, 1.4, 1.4),
    END_WALL("1.4 · H · (W + D) + 1.4 · W · D", 1.4, 1.4, 1.4),
    MIDDLE_FREE("1.8 · W · H + 1.4 · W · D + D · H", 1.8, 1, 1.4),
    MIDDLE_WALL("1.4 · W · (H + D) + D · H", 1.4, 1, 1.4);

    private final String formula;
    private final double front;
    private final double side;
    private final double top;

    Standing(String formula, double front, double side, double top) {
      this.formula = formula;
      this.front = front;
      this.side = side;
      this.top = top;
    }

    public String formula() {
      return formula;
    }

    public Measure effectiveArea(Length width, Length height, Length depth) {
      var w = width.metres();
      var h = height.metres();
      var d = depth.metres();
      return new Measure(front * w * h + side * d * h + top * w * d, Measure.Unit.AREA);
    }
  }

  /// `Pv/(k · A)`: mean, through the walls alone.
  public static Measure rise(Power losses, Measure heatTransfer, Measure effectiveArea) {
    return new Measure(
        losses.watts() / (heatTransfer.value() * effectiveArea.value()),
        Measure.Unit.TEMPERATURE_RISE);
  }

  /// `P/(k · A + V/f + q)`: what walls, a fan with its filter and an exchanger carry off together.
  ///
  /// @param airFlow that really passes, m³/h
  /// @param exchanged by an exchanger, W/K
  public static Measure rise(
      Power losses,
      Measure heatTransfer,
      Measure effectiveArea,
      Measure airFlow,
      double airFactor,
      Measure exchanged) {
    var carried =
        heatTransfer.value() * effectiveArea.value()
            + airFlow.value() / airFactor
            + exchanged.value();
    return new Measure(losses.watts() / carried, Measure.Unit.TEMPERATURE_RISE);
  }

  /// How many times the rise of the middle the top has: linear from 1.15 where it is as high as
  /// wide to 1.4 where it is three times as high (common practice, ±25 % of the rise).
  public static double topOverMiddle(Length width, Length height) {
    var slender = Math.clamp(height.metres() / width.metres(), 1, 3);
    return 1.15 + (1.4 - 1.15) * (slender - 1) / 2;
  }

  /// Up to this effective area the air of the upper quarter has one temperature (IEC TR 60890, from
  /// memory).
  public static final Measure SMALL = new Measure(1.25, Measure.Unit.AREA);

  /// The share of the top's rise above the middle's at a height: 0 at the middle, 1 at the top; in
  /// small cabinets 1 from three quarters of the height. Below the middle the same line goes on,
  /// which is warmer than the standard's own curve: the safe side.
  ///
  /// @param height 0 at the bottom, 1 at the top
  public static double profile(double height, boolean small) {
    return Math.min(1, (height - 0.5) / (small ? 0.25 : 0.5));
  }

  /// `3.1/(1 − 2.2558e-5 · h)^4.2559`, in m³·K/(W·h): what a fan has to move for each watt and
  /// kelvin, by the height above the sea (standard atmosphere; 3.1 at sea level).
  public static double airFactor(Length aboveSea) {
    return 3.1 / thinness(aboveSea);
  }

  /// How much of the density at sea level air has (ISO 2533 standard atmosphere).
  public static double thinness(Length aboveSea) {
    return Math.pow(1 - 2.2558e-5 * Math.min(aboveSea.metres(), 11000), 4.2559);
  }

  /// `Pv − k · A · ΔT`; none where the walls carry all of it.
  public static Optional<Power> leftForFan(
      Power losses, Measure heatTransfer, Measure effectiveArea, Measure rise) {
    var left = losses.watts() - heatTransfer.value() * effectiveArea.value() * rise.value();
    return left <= 0 ? Optional.empty() : Optional.of(new Power(left));
  }

  /// `f · P/ΔT`, f in m³·K/(W·h) by the height above the sea.
  public static Measure airFlow(Power left, Measure rise, double airFactor) {
    return new Measure(airFactor * left.watts() / rise.value(), Measure.Unit.AIR_FLOW);
  }

  /// By Magnus: `g = ln(RH) + 17.62 · T/(243.12 + T)`, `Td = 243.12 · g/(17.62 − g)`.
  public static Temperature dewPoint(Temperature air, Percent humidity) {
    var g = dampness(air, humidity);
    return new Temperature(243.12 * g / (17.62 - g));
  }

  /// The g of [#dewPoint].
  public static double dampness(Temperature air, Percent humidity) {
    var t = air.celsius();
    return Math.log(humidity.fraction()) + 17.62 * t / (243.12 + t);
  }

  /// `n · π/4 · d²/(W · H)`.
  public static Percent ductFill(int wires, Length outerDiameter, Length width, Length height) {
    return Percent.ofFraction(
        wires
            * Math.PI
            / 4
            * Math.pow(outerDiameter.metres(), 2)
            / (width.metres() * height.metres()));
  }
}
