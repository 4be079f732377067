package nelvar.core.network;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// What one touch tries on a thing that is pointed at: a wire is cut or mended, a protective device
/// pulled or put in, a switch pressed or let go, a contactor held in, an output of a board forced.
///
/// The touch after that takes it back, so that two leave nothing tried.
public final class ByHand {
  private ByHand() {}

  /// @param next what is tried then; @param words what was done, such as `-S1 pressed is held on`
  public record Touch(WhatIf next, String words) {}

  /// Empty where one touch cannot say what is meant: nothing moves there, or several things do.
  ///
  /// @param about a device or a wire
  /// @param where the terminal that was pointed at, which says which contact, channel or pin
  public static Optional<Touch> of(Id about, Optional<TerminalRef> where, WhatIf now, Live live) {
    var topology = live.circuitry().topology();
    var edge = topology.edgeOf(about);
    if (edge >= 0 && topology.edge(edge) instanceof Edge.Wire(var wire)) {
      var next = now.togglingCut(about);
      return Optional.of(
          new Touch(next, wire.label() + (next.cut(about) ? " is cut" : " is mended")));
    }
    var moved = actuator(about, where, live);
    if (moved.isPresent()) return Optional.of(moving(moved.get(), now, live));
    if (!live.circuitry().protects(about)) return Optional.empty();
    return Optional.of(pulling(about, where, now, live));
  }

  private static Touch moving(ActuatorRef ref, WhatIf now, Live live) {
    if (now.held(ref).isPresent())
      return new Touch(now.releasing(ref), live.name(ref) + " is let go");
    var on = !live.on(ref);
    return new Touch(now.holding(ref, on), live.name(ref) + (on ? " is held on" : " is held off"));
  }

  /// One channel where channels open alone and one was pointed at, else the whole device.
  private static Touch pulling(Id device, Optional<TerminalRef> where, WhatIf now, Live live) {
    var alone =
        live.poles().stream()
            .filter(pole -> pole.device().id().equals(device) && pole.alone())
            .map(Live.Loaded::pole)
            .toList();
    var pole =
        where.flatMap(at ->
            alone.stream().filter(one -> one.a().equals(at) || one.b().equals(at)).findFirst());
    if (alone.size() > 1 && pole.isPresent()) {
      var next = now.togglingPole(pole.get());
      return new Touch(
          next, live.at(pole.get().b()) + (next.opened(pole.get()) ? " is pulled" : " is put in"));
    }
    var next = now.togglingProtection(device);
    return new Touch(
        next, live.label(device) + (next.opened(device) ? " is pulled" : " is put in"));
  }

  private static Optional<ActuatorRef> actuator(Id device, Optional<TerminalRef> where, Live live) {
    var all = live.circuitry().actuators(device);
    if (all.size() == 1) return Optional.of(all.getFirst());
    var named =
        where.stream()
            .flatMap(at ->
                live.circuitry().topology().part(device).map(Part::links).orElse(List.of()).stream()
                    .filter(
                        link -> link.a().equals(at.terminal()) || link.b().equals(at.terminal()))
                    .flatMap(link -> link.actuator().stream()))
            .distinct()
            .toList();
    return named.size() == 1
        ? all.stream().filter(ref -> ref.name().equals(named.getFirst())).findFirst()
        : Optional.empty();
  }
}
