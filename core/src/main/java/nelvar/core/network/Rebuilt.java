package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;

/// The machine that disturbances of parts, settings and wiring make of a project.
final class Rebuilt {
  private Rebuilt() {}

  static Project of(Project project, List<Disturbance> disturbances) {
    var next = project;
    for (var disturbance : disturbances) {
      next =
          switch (disturbance) {
            case Disturbance.WrongPart(var device, var part) ->
                change(next, device, d -> d.withPart(part));
            case Disturbance.WrongSetting(var device, var trip) ->
                change(next, device, d -> d.withTrip(Optional.of(trip)));
            case Disturbance.Swap(var a, var b) ->
                next.withConductors(next.conductors().stream().map(c -> swapped(c, a, b)).toList());
            case Disturbance.Entered(var device, _, var values) -> entered(next, device, values);
            case Disturbance.Plug(_, _, _, var moves) -> moved(next, moves);
            case Disturbance.Hold _,
                Disturbance.Frozen _,
                Disturbance.Weld _,
                Disturbance.Open _,
                Disturbance.Cut _,
                Disturbance.Loose _,
                Disturbance.Bridge _,
                Disturbance.LoadAt _,
                Disturbance.Sag _,
                Disturbance.Dead _ ->
                next;
          };
    }
    return next;
  }

  private static Project entered(Project project, Id device, Map<String, String> values) {
    var all =
        new ArrayList<>(
            project.settings().stream()
                .filter(s ->
                    !s.device().equals(device)
                        || values.keySet().stream().noneMatch(s.name()::equalsIgnoreCase))
                .toList());
    values.forEach((name, value) -> all.add(new Setting(device, name, value, "tried")));
    return project.withSettings(all);
  }

  /// Conductors that lose an end hang in the air and are left out.
  private static Project moved(Project project, List<Disturbance.Moved> moves) {
    var to = new HashMap<TerminalRef, Optional<TerminalRef>>();
    for (var move : moves) to.put(move.from(), move.to());
    var next = new ArrayList<Conductor>();
    for (var wire : project.conductors()) {
      var from = to.getOrDefault(wire.from(), Optional.of(wire.from()));
      var end = to.getOrDefault(wire.to(), Optional.of(wire.to()));
      if (from.isPresent() && end.isPresent())
        next.add(
            from.get().equals(wire.from()) && end.get().equals(wire.to())
                ? wire
                : wire.withEnds(from.get(), end.get()));
    }
    return project.withConductors(next);
  }

  private static Project change(Project project, Id device, UnaryOperator<Device> how) {
    return project.withDevices(
        project.devices().stream().map(d -> d.id().equals(device) ? how.apply(d) : d).toList());
  }

  private static Conductor swapped(Conductor conductor, TerminalRef a, TerminalRef b) {
    return conductor.withEnds(other(conductor.from(), a, b), other(conductor.to(), a, b));
  }

  private static TerminalRef other(TerminalRef end, TerminalRef a, TerminalRef b) {
    return end.equals(a) ? b : end.equals(b) ? a : end;
  }
}
