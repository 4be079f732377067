package nelvar.core.compose.place;

import nelvar.core.formula.Plume;
import nelvar.core.units.Length;
import nelvar.core.units.Power;

/// How much warmer it is above a part while places are searched: the same law as of the air at a
/// part, from the item alone.
final class Plumes {
  private static final double CONVECTED = 0.7;
  private static final double USUAL_DEPTH = 100;

  private Plumes() {}

  static double rise(Item hot, double above) {
    var diameter =
        Plume.diameter(
            Length.ofMillimetres(hot.width()),
            Length.ofMillimetres(hot.depth() > 0 ? hot.depth() : USUAL_DEPTH));
    return Plume.rise(new Power(hot.watts() * CONVECTED), Length.ofMillimetres(above), diameter)
        .value();
  }
}
