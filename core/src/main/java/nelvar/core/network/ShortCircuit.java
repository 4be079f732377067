package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.units.Current;

/// What a bridge between two terminals does: the current in it, and what ends it.
///
/// @param current in the bridge, contacts having followed; empty where no state was found
/// @param end what ends it
/// @param capacitors what charged ones give into it at once
public record ShortCircuit(
    Disturbance.Bridge bridge, Optional<Live.Both> current, End end, CapacitorShort capacitors) {

  /// What ends a short circuit.
  public sealed interface End {
    /// A protective device opens.
    record Opens(Live.Loaded pole, nelvar.core.units.Duration within) implements End {}

    /// A supply or drive switches itself off.
    record SwitchesOff(Live.Output output) implements End {}

    /// An electronic supply holds its greatest current; nothing opens.
    record Limits(Live.Output output) implements End {}

    /// Only the device before the inlet is left.
    record Upstream(Current rating) implements End {}

    /// Nothing opens at this current.
    record Nothing() implements End {}

    /// No current: nothing stands between the two.
    record NoCurrent() implements End {}

    /// No steady state was found: nothing can be said.
    record NotKnown() implements End {}
  }

  private static final double SOME = 0.001;

  /// Those of a solved trial, in the order they were bridged.
  static List<ShortCircuit> of(Live live, Optional<Live> before) {
    var all = new ArrayList<ShortCircuit>();
    for (var bridge : live.trial().bridges()) {
      var current = live.current(bridge);
      all.add(
          new ShortCircuit(
              bridge,
              current,
              current.map(amperes -> end(live, amperes, before)).orElseGet(End.NotKnown::new),
              CapacitorShort.of(before.orElse(live), bridge.a(), bridge.b())));
    }
    return all;
  }

  private static End end(Live live, Live.Both current, Optional<Live> before) {
    var opens = Rehearsal.firstToOpen(live);
    if (opens.isPresent())
      return new End.Opens(opens.get(), live.tripTime(opens.get()).orElseThrow());
    for (var output : live.outputs())
      if ((output.tripped() || output.starved()) && !was(output, before))
        return new End.SwitchesOff(output);
    for (var output : live.outputs())
      if (output.limited() && !was(output, before)) return new End.Limits(output);
    if (current.rms() < SOME) return new End.NoCurrent();
    return live.outputs().stream()
        .filter(output ->
            live.circuitry().topology().part(output.device().id()).orElse(null)
                    instanceof MainsInlet
                && output.current().compareTo(output.output().rating().times(1.45)) > 0)
        .findFirst()
        .<End>map(output -> new End.Upstream(output.output().rating()))
        .orElseGet(End.Nothing::new);
  }

  /// Whether an output was as bad before.
  private static boolean was(Live.Output output, Optional<Live> before) {
    return before.stream()
        .flatMap(live -> live.outputs().stream())
        .filter(other ->
            other.device().id().equals(output.device().id())
                && other.output().name().equals(output.output().name()))
        .anyMatch(other -> other.tripped() || other.starved() || other.limited());
  }

  private static String words(Live.Both current) {
    return new Current(current.rms() < 1e-6 ? 0 : current.rms())
        + (current.mostlyAlternating() ? " AC; " : "; ");
  }

  /// `-T1:+ to -T1:-: 5.5 A; -T1 holds its greatest current, 5.5 A, and nothing opens`.
  public String words(Live live) {
    var text =
        new StringBuilder(live.at(bridge.a()) + " to " + live.at(bridge.b()) + ": ")
            .append(current.map(ShortCircuit::words).orElse(""));
    text.append(
        switch (end) {
          case End.Opens(var pole, var within) ->
              "%s (%s) carries %s and opens within %s"
                  .formatted(
                      live.label(pole.device().id()), pole.protection(), pole.current(), within);
          case End.SwitchesOff(var output) ->
              output.device().designation() + " switches itself off";
          case End.Limits(var output) ->
              "%s holds its greatest current, %s, and nothing opens"
                  .formatted(output.device().designation(), output.current());
          case End.Upstream(var rating) ->
              "nothing in the machine opens, only the %s device before the inlet may"
                  .formatted(rating);
          case End.Nothing _ -> "nothing opens: only wires and what lies in the way limit it";
          case End.NoCurrent _ -> "no voltage stands between them in this state";
          case End.NotKnown _ -> "no steady state is found, so nothing can be said";
        });
    if (capacitors.energy().joules() > 0.1)
      text.append(
          "; capacitors empty into it at once, %s, %s at first"
              .formatted(capacitors.energy(), capacitors.peak()));
    return text.toString();
  }
}
