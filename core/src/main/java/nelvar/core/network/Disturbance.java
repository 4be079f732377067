package nelvar.core.network;

import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;

/// One thing that is otherwise than as designed: tried by hand, played in time, or gone wrong.
public sealed interface Disturbance {
  /// An actuator kept in a state: a button pressed, a coil held, a program on or off.
  record Hold(ActuatorRef actuator, boolean on) implements Disturbance {}

  /// An output or sensor that stays as it is whatever its program or its supply does.
  record Frozen(ActuatorRef actuator, boolean on) implements Disturbance {}

  /// A contact that stays closed.
  record Weld(PoleRef pole) implements Disturbance {}

  /// A protective device that is off, pulled or tripped.
  ///
  /// @param pole the only pole or channel that is open; all of them where empty
  record Open(Id device, Optional<PoleRef> pole) implements Disturbance {}

  /// A conductor that is broken.
  record Cut(Id conductor) implements Disturbance {}

  /// A conductor with a bad end: so much more resistance.
  record Loose(Id conductor, Resistance more) implements Disturbance {}

  /// Two terminals bridged with a milliohm.
  record Bridge(TerminalRef a, TerminalRef b) implements Disturbance {
    /// Whether it bridges these two, whichever is named first.
    boolean joins(TerminalRef one, TerminalRef other) {
      return (a.equals(one) && b.equals(other)) || (a.equals(other) && b.equals(one));
    }
  }

  /// The conductors on two terminals exchanged.
  record Swap(TerminalRef a, TerminalRef b) implements Disturbance {}

  /// A plug of a device put on otherwise than planned: turned round, shifted, or in another socket.
  ///
  /// @param how in words: `turned`, `shifted`, `on J3`
  record Plug(Id device, String plug, String how, java.util.List<Moved> moves)
      implements Disturbance {
    public Plug {
      moves = java.util.List.copyOf(moves);
    }
  }

  /// What lands on one terminal lands on another, or hangs in the air.
  record Moved(TerminalRef from, Optional<TerminalRef> to) {}

  /// A device fitted with another part than planned.
  record WrongPart(Id device, String part) implements Disturbance {}

  /// A dial of a device set to another current than planned.
  record WrongSetting(Id device, nelvar.core.units.Current trip) implements Disturbance {}

  /// A device whose settings are others than planned.
  ///
  /// @param how in words: `reset to factory`, `only 3 values entered`
  /// @param values by the name of the setting; they take the place of those it had by that name
  record Entered(Id device, String how, java.util.Map<String, String> values)
      implements Disturbance {
    public Entered {
      values = java.util.Map.copyOf(values);
    }
  }

  /// A load that takes a share of what it is rated for, whatever it was planned to take.
  record LoadAt(Id device, Percent share) implements Disturbance {
    /// The most that can be tried, %.
    static final int MOST = 500;

    public LoadAt {
      if (share.percent() < 0 || share.percent() > MOST)
        throw new ImpossibleQuantity(
            "a load takes 0 to " + MOST + " % of its rating, not " + share);
    }
  }

  /// The mains, wherever it enters, at a share of its nominal volts: a dip.
  record Sag(Percent left) implements Disturbance {
    /// The most that can be tried, %.
    public static final int MOST = 130;

    public Sag {
      if (left.percent() < 0 || left.percent() > MOST)
        throw new ImpossibleQuantity(
            "mains stand at 0 to " + MOST + " % of their nominal volts, not " + left);
    }
  }

  /// A device that does nothing any more: takes and gives nothing, its contacts at rest.
  record Dead(Id device) implements Disturbance {}
}
