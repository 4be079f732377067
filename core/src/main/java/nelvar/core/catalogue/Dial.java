package nelvar.core.catalogue;

import nelvar.core.units.Current;

/// What a device can be set to, by hand and with a screwdriver.
public record Dial(Current least, Current greatest) {
  public boolean contains(Current current) {
    return current.compareTo(least) >= 0 && current.compareTo(greatest) <= 0;
  }
}
