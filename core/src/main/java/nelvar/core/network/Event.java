package nelvar.core.network;

import nelvar.core.model.Id;
import nelvar.core.units.Voltage;

/// What happens at one moment of a rehearsal.
public sealed interface Event {
  /// The machine runs as it was before anything was done.
  record Running() implements Event {}

  /// Somebody does something.
  record Done(String what) implements Event {}

  /// A coil, a drive or a hand moves its contacts.
  record Moved(ActuatorRef actuator, boolean on) implements Event {}

  /// A protective device opens.
  record Opened(PoleRef pole) implements Event {}

  /// The charge of a device has fallen to so many volts.
  record FellTo(Id device, Voltage volts) implements Event {}

  /// A supply whose input went, or came back, gives no longer, or gives again.
  record SupplyTurned(Id device, boolean up) implements Event {}

  /// `-K1 coil off`, with the names of a state.
  default String words(Live live) {
    return switch (this) {
      case Running _ -> "running";
      case Done(var what) -> what;
      case Moved(var actuator, var on) -> live.name(actuator) + (on ? " on" : " off");
      case Opened(var pole) -> live.label(pole.a().device()) + " opens";
      case FellTo(var device, var volts) -> live.label(device) + " holds " + volts + " and less";
      case SupplyTurned(var device, var up) ->
          live.label(device) + (up ? " is up again" : " goes down");
    };
  }
}
