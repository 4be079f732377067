package nelvar.core.catalogue;

import nelvar.core.units.Current;
import nelvar.core.units.Duration;

/// The current at switching on: its peak (instantaneous, A) and how long it lasts.
public record Inrush(Current peak, Duration duration) {
  @Override
  public String toString() {
    return peak + " peak, " + duration;
  }
}
