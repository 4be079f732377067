package nelvar.core.analysis.signals;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;

/// What decides the volts of an input: contacts and outputs on the way to it, and how each must
/// stand to conduct.
///
/// Of what comes through a line receiver who sends it is a partner too.
///
/// From the pin over wires to the first contacts and outputs; behind a contact that a hand moves
/// further, to the next ones in series.
record Drivers(Map<ActuatorRef, Boolean> conducting, List<TerminalRef> partners) {
  /// Contacts in series that are followed.
  private static final int DEEP = 12;

  Drivers {
    partners = List.copyOf(partners);
  }

  boolean none() {
    return conducting.isEmpty();
  }

  static Drivers of(TerminalRef pin, Study study) {
    var conducting = new LinkedHashMap<ActuatorRef, Boolean>();
    var partners = new ArrayList<TerminalRef>();
    var met = new HashSet<TerminalRef>();
    var waiting = new ArrayDeque<TerminalRef>(List.of(pin));
    for (var step = 0; step < DEEP && !waiting.isEmpty(); step++) {
      var from = waiting.poll();
      var joined = study.network().joined(from);
      var first = step == 0;
      if (rail(joined, study)) continue;
      if (!met.addAll(joined)) continue;
      var here = Set.copyOf(joined);
      for (var end : joined) {
        if (end.equals(pin)) continue;
        var device = study.device(end.device());
        var part = device.flatMap(study::part);
        if (part.isEmpty()) continue;
        if (first && !end.device().equals(pin.device()) && speaks(part.get())) partners.add(end);
        for (var link : part.get().links())
          other(end, link, here)
              .ifPresent(beyond -> {
                var ref = new ActuatorRef(device.get().id(), link.actuator().orElseThrow());
                conducting.putIfAbsent(ref, !link.closedAtRest());
                if (hand(part.get(), link)) waiting.add(beyond);
              });
      }
    }
    for (var hop : PassedOn.before(pin, study))
      PassedOn.ends(hop.in(), study).stream()
          .filter(end -> !partners.contains(end))
          .forEach(partners::add);
    return new Drivers(conducting, partners);
  }

  /// Terminals, bars and strips only pass a signal on.
  private static boolean speaks(Part part) {
    return !part.links().isEmpty()
        ? part.links().stream().anyMatch(link -> link.kind() != Link.Kind.JOINED)
        : part.terminals().size() > 1
            && !part.intakes(nelvar.core.catalogue.Linkage.STAR).isEmpty();
  }

  /// The other end of a contact or output of which one end is here.
  private static Optional<TerminalRef> other(TerminalRef end, Link link, Set<TerminalRef> here) {
    if (link.actuator().isEmpty()
        || (link.kind() != Link.Kind.CONTACT && link.kind() != Link.Kind.OUTPUT))
      return Optional.empty();
    var a = new TerminalRef(end.device(), link.a());
    var b = new TerminalRef(end.device(), link.b());
    if (end.equals(a) && !here.contains(b)) return Optional.of(b);
    return end.equals(b) && !here.contains(a) ? Optional.of(a) : Optional.empty();
  }

  private static boolean hand(Part part, Link link) {
    return part.actuators().stream()
        .anyMatch(actuator ->
            actuator instanceof Actuator.Hand
                && link.actuator().equals(Optional.of(actuator.name())));
  }

  /// Whether it is the + or 0 V of something, where no signal comes from.
  private static boolean rail(List<TerminalRef> joined, Study study) {
    return joined.stream()
        .anyMatch(end ->
            study
                .device(end.device())
                .flatMap(study::part)
                .filter(part -> gives(part, end) || power(part, end))
                .isPresent());
  }

  private static boolean gives(Part part, TerminalRef end) {
    return part.outputs().stream()
        .anyMatch(output ->
            output.lines().contains(end.terminal())
                || output.back().equals(Optional.of(end.terminal())));
  }

  /// A coil is switched like the signal beside it: what hangs on it besides tells whether it is a
  /// rail.
  private static boolean power(Part part, TerminalRef end) {
    if (part.actuators().stream()
        .anyMatch(a ->
            a instanceof Actuator.Magnet coil
                && (coil.a().equals(end.terminal()) || coil.b().equals(end.terminal()))))
      return false;
    return part.terminals().stream()
        .anyMatch(terminal ->
            terminal.name().equals(end.terminal())
                && (terminal.role() == Terminal.Role.PLUS
                    || terminal.role() == Terminal.Role.MINUS));
  }
}
