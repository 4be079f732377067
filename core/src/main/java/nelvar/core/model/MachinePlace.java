package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Texts;

/// A place on the machine that functions name: the gantry, the tank.
///
/// @param distance from the cabinet, along the way a cable takes
public record MachinePlace(String name, Length distance) {
  public MachinePlace {
    name = Texts.storable("the name of a place", name.strip());
    if (name.isEmpty()) throw new ImpossibleQuantity("a place has a name");
    if (distance.metres() <= 0 || distance.metres() > 500)
      throw new ImpossibleQuantity(
          "a place on the machine is more than 0 m and at most 500 m away, not " + distance);
  }

  boolean called(String wish) {
    return name.equalsIgnoreCase(wish.strip());
  }
}
