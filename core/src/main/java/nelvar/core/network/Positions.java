package nelvar.core.network;

import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import nelvar.core.catalogue.Actuator;

/// Where actuators stand. What is not named stands as in a running machine: coils in, programs on,
/// hands off the buttons.
public record Positions(Map<ActuatorRef, Boolean> on) {
  public static final Positions RUNNING = new Positions(Map.of());

  public Positions {
    on = Collections.unmodifiableMap(new HashMap<>(on));
  }

  public Positions with(ActuatorRef actuator, boolean stands) {
    var next = new HashMap<>(on);
    next.put(actuator, stands);
    return new Positions(next);
  }

  boolean on(Circuitry.Set set) {
    var stated = on.get(set.ref());
    return stated != null ? stated : running(set.actuator());
  }

  private static boolean running(Actuator actuator) {
    return switch (actuator) {
      case Actuator.Hand(_, var onAtRest) -> onAtRest;
      case Actuator.Program _, Actuator.Magnet _, Actuator.Watch _ -> true;
    };
  }

  /// From cold: all coils out, hands off, programs as they are commanded.
  public static Positions cold(Circuitry circuitry) {
    var all = new HashMap<ActuatorRef, Boolean>();
    for (var set : circuitry.actuators) {
      switch (set.actuator()) {
        case Actuator.Hand(_, var onAtRest) -> all.put(set.ref(), onAtRest);
        case Actuator.Program _ -> {}
        case Actuator.Magnet _, Actuator.Watch _ -> all.put(set.ref(), false);
      }
    }
    return new Positions(all);
  }
}
