package nelvar.core.model;

import java.util.List;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// A state of the machine that its builder names: idle, homing, spindle forward.
///
/// @param held what hands and programs do in it. A program (an output, a sensor) that is not named
///   is off; a hand (a button, a switch) that is not named stands as while the machine runs
public record OperatingState(Id id, String name, List<Held> held) {
  /// @param actuator by its name in the part: `Q3`, `pressed`, `on`
  public record Held(Id device, String actuator, boolean on) {
    public Held {
      actuator = Texts.storable("the name of an actuator", actuator);
    }
  }

  public OperatingState {
    name = Texts.storable("a name", name);
    if (name.isBlank()) throw new ImpossibleQuantity("give the state a name, such as homing");
    held = List.copyOf(held);
  }
}
