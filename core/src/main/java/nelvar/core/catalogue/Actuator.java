package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// What opens and closes contacts of a part, or lets its output give: a hand, a coil, a program, or
/// a circuit that watches voltages.
public sealed interface Actuator {
  /// The name of a coil's own actuator.
  String COIL = "coil";

  /// The name of what tells that a drive is fed and has no fault.
  String READY = "ready";

  /// The name of what lets a drive give torque.
  String TORQUE = "torque";

  /// Named as the builder would say it: `pressed`, `coil`, `Q1`.
  String name();

  /// Moved by a person, a door or a cam.
  ///
  /// @param onAtRest as it stands while the machine runs
  record Hand(String name, boolean onAtRest) implements Actuator {}

  /// Set by the program of a controller, or by what a sensor sees; on while the machine runs.
  record Program(String name) implements Actuator {}

  /// Pulled in by its coil at `pickUp`, let go below `dropOut`; between them it stays as it was.
  ///
  /// @param delay waits this long before it closes (a timer)
  record Magnet(
      String name,
      String a,
      String b,
      Voltage pickUp,
      Voltage dropOut,
      Duration operates,
      Duration releases,
      Optional<Duration> delay)
      implements Actuator {}

  /// On while all `needed` hold; where there is a `reset`, only once it has held too.
  ///
  /// @param lingers stays on so much longer where they no longer hold
  record Watch(
      String name,
      List<Reading> needed,
      Optional<Reading> reset,
      Duration operates,
      Optional<Duration> lingers)
      implements Actuator {
    public Watch {
      needed = List.copyOf(needed);
    }

    public Watch(String name, List<Reading> needed, Optional<Reading> reset, Duration operates) {
      this(name, needed, reset, operates, Optional.empty());
    }
  }

  /// A voltage from `terminal` to `against` that is above or below a level.
  record Reading(String terminal, String against, Voltage level, boolean above) {
    static Reading above(String terminal, String against, double volts) {
      return new Reading(terminal, against, new Voltage(volts), true);
    }

    static Reading below(String terminal, String against, double volts) {
      return new Reading(terminal, against, new Voltage(volts), false);
    }
  }

  /// Pulls in within 20 ms, lets go within 15 ms: common for small contactors and relays with a
  /// diode, no published source. Lets go below `dropOut` percent of its rated voltage.
  static Magnet coil(Coil coil, String a, String b, double dropOut) {
    return new Magnet(
        COIL,
        a,
        b,
        coil.operates().least(),
        coil.voltage().times(dropOut / 100),
        new Duration(0.02),
        new Duration(0.015),
        Optional.empty());
  }
}
