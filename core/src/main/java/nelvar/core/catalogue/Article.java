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
/// @param fitting what it wants around it where it is mounted
public record Article(
    Optional<Price> price,
    Optional<Power> loss,
    Optional<Body> body,
    Optional<Measure> mass,
    Optional<Mounting> mounting,
    Optional<Measure> noise,
    Optional<Mechanics> mechanics,
    Optional<Fitting> fitting) {
  /// Nothing known of it.
  public static final Article UNKNOWN =
      new Article(
          Optional.empty(),
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
        Optional.empty(),
        Optional.empty());
  }

  /// As it stands on a vertical plate, seen from the front. Two measures are enough to place it;
  /// without the third nobody checks whether the door closes.
  ///
  /// @param origin where the measures come from; stated by whoever entered the part where empty
  public record Body(Length width, Length height, Optional<Length> depth, Optional<Origin> origin) {
    public Body {
      Part.require(
          width.metres() > 0 && height.metres() > 0 && depth.filter(d -> d.metres() <= 0).isEmpty(),
          "a body is wider, higher and deeper than 0 mm");
      Part.require(
          Math.max(width.metres(), height.metres()) <= 5,
          "a body is at most 5 m wide and high, not %s × %s".formatted(width, height));
    }

    public boolean assumed() {
      return origin.equals(Optional.of(Origin.ASSUMED));
    }
  }

  /// Where measures come from.
  public enum Origin {
    /// Plausible for its kind; nobody held a rule to it.
    ASSUMED,
    /// Taken from the thing itself.
    MEASURED,
    /// From its papers.
    DATA_SHEET
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
    OUTSIDE,
    /// On another part: a module in its socket, which takes no place of its own.
    PLUGGED
  }
}
