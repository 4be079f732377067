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
