package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;
import nelvar.core.units.Price;

/// What every part is as a thing that is bought, weighed and mounted, whatever it does. Nothing of
/// it need be known; in files its properties stand beside those of the part.
///
/// @param price of one piece, or one metre, in the project's currency
/// @param loss heat it gives off at rated load, where that is not computed from its efficiency
/// @param body outside measures of what is mounted
/// @param noise as loud as it is at 1 m while it works
/// @param mechanics what a motor is flanged and coupled by
public record Article(
    Optional<Price> price,
    Optional<Power> loss,
    Optional<Body> body,
    Optional<Measure> mass,
    Optional<Mounting> mounting,
    Optional<Measure> noise,
    Optional<Mechanics> mechanics) {
  /// Nothing known of it.
  public static final Article UNKNOWN =
      new Article(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  public Article {
    Part.require(
        mass.isEmpty() || mass.get().unit() == Measure.Unit.MASS, "a mass is in kilograms");
    Part.require(noise.isEmpty() || noise.get().unit() == Measure.Unit.SOUND, "noise is in dB(A)");
  }

  public static Article of(Optional<Price> price, Optional<Power> loss) {
    return new Article(
        price,
        loss,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /// As it stands on a vertical plate, seen from the front.
  public record Body(Length width, Length height, Length depth) {
    public Body {
      Part.require(
          width.metres() > 0 && height.metres() > 0 && depth.metres() > 0,
          "a body is wider, higher and deeper than 0 mm");
    }
  }

  /// What a motor is flanged, coupled or clamped by.
  ///
  /// @param frame its frame or flange: `71` of IEC 60072-1, `57 mm` square; two that are written
  ///   alike bolt on alike
  /// @param shaft diameter of its shaft
  /// @param clamp diameter that it is clamped at, of a spindle
  public record Mechanics(Optional<String> frame, Optional<Length> shaft, Optional<Length> clamp) {}

  /// Where it is fastened.
  public enum Mounting {
    RAIL,
    PLATE,
    DOOR,
    OUTSIDE
  }
}
