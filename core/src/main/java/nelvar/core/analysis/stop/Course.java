package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Device;
import nelvar.core.trail.Trail;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;

/// What becomes of one thing that switches, moves, holds, heats or shocks, from when something is
/// done: one lane of a rehearsal.
///
/// @param devices alike ones together
/// @param what it is, in the words of its builder
/// @param ends how it ends, with the figure that matters: `sinks 12 mm, then held`
/// @param way that a hanging load falls, where it is known
/// @param assumed what is not known and was assumed
/// @param trail the working of its times, where something is computed
public record Course(
    Kind kind,
    List<Device> devices,
    String what,
    List<Phase> phases,
    String ends,
    Optional<Length> way,
    List<String> assumed,
    Optional<Trail> trail) {
  public Course {
    devices = List.copyOf(devices);
    phases = List.copyOf(phases);
    assumed = List.copyOf(assumed);
  }

  /// In the order in which they are told.
  public enum Kind {
    SWITCHES,
    MOVES,
    BRAKES,
    ACTS,
    HEATS,
    CHARGED,
    CONTROLS
  }

  /// What one thing does between two moments.
  public enum State {
    ENERGISED("energised", true),
    CARRIED("driven by charge", true),
    RAMPING("slowed down by its drive", true),
    COASTING("coasts", false),
    FALLING("falls", false),
    HELD("held by its brake", false),
    CHARGED("charged", false),
    DEAD("without volts", false);

    private final String words;
    private final boolean powered;

    State(String words, boolean powered) {
      this.words = words;
      this.powered = powered;
    }

    public String words() {
      return words;
    }

    /// Whether power still acts on it.
    public boolean powered() {
      return powered;
    }
  }

  /// @param to empty where nothing ends it
  public record Phase(State state, Duration from, Optional<Duration> to) {}

  /// Energised, and where it had lost its volts for a while, without them in between.
  static List<Phase> on(Optional<StopRehearsal.Back> back) {
    var start = new Duration(0);
    if (back.isEmpty()) return List.of(new Phase(State.ENERGISED, start, Optional.empty()));
    var lost = back.get().lost();
    var again = back.get().again();
    return List.of(
        new Phase(State.ENERGISED, start, Optional.of(lost)),
        new Phase(State.DEAD, lost, Optional.of(again)),
        new Phase(State.ENERGISED, again, Optional.empty()));
  }

  /// How it stands at the end.
  public State last() {
    return phases.getLast().state();
  }

  /// When power acts on it no longer; empty where it still does.
  public Optional<Duration> powerless() {
    return last().powered()
        ? Optional.empty()
        : phases.stream()
            .filter(phase -> phase.state().powered())
            .reduce((_, later) -> later)
            .flatMap(Phase::to);
  }

  /// When nothing of it moves any more, or holds a voltage; empty where that is not known, or
  /// never.
  public Optional<Duration> over() {
    var end = phases.getLast();
    return switch (end.state()) {
      case HELD, DEAD -> Optional.of(end.from());
      case ENERGISED, CARRIED, RAMPING, COASTING, FALLING, CHARGED -> Optional.empty();
    };
  }

  /// `-K1, -K2`.
  public String names() {
    return devices.stream()
        .map(device -> device.designation().text())
        .collect(java.util.stream.Collectors.joining(", "));
  }
}
