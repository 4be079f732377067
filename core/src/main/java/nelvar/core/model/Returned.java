package nelvar.core.model;

import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.ImpossibleQuantity;

/// What a motor gives back to its bus when it brakes.
///
/// @param energy that reaches the bus at each stop
/// @param within how long the stop takes
/// @param every how often it stops
public record Returned(Energy energy, Duration within, Duration every) {
  public Returned {
    if (energy.joules() <= 0) throw new ImpossibleQuantity("the energy given back is above 0 J");
    if (within.seconds() <= 0 || every.compareTo(within) < 0)
      throw new ImpossibleQuantity(
          "a stop takes more than 0 s and is over before the next: it takes %s and comes every %s"
              .formatted(within, every));
  }
}
