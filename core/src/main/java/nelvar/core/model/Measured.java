package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// The size of one device as somebody measured it. Width and height are enough to place it.
public record Measured(Id device, Length width, Length height, Optional<Length> depth) {
  private static final double MOST = 5;

  public Measured {
    if (width.metres() <= 0
        || height.metres() <= 0
        || depth.filter(d -> d.metres() <= 0).isPresent()
        || Math.max(width.metres(), height.metres()) > MOST)
      throw new ImpossibleQuantity(
          "a device is more than 0 mm and at most 5 m wide and high, not %s × %s"
              .formatted(width, height));
  }
}
