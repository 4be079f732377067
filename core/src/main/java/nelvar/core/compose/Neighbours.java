package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;

/// What a wire that is drawn between two terminals finds there: the wires it goes on with, and the
/// ducts its like lie in.
final class Neighbours {
  private final Study study;
  private final Map<Integer, List<Conductor>> potentials = new HashMap<>();
  private final int[] joined;

  Neighbours(Study study) {
    this.study = study;
    this.joined = study.network().topology().joinedNodes();
    study.project().conductors().forEach(this::note);
  }

  /// What is drawn later goes on with it.
  void note(Conductor wire) {
    for (var end : List.of(wire.from(), wire.to())) {
      var node = study.network().topology().node(end);
      if (node >= 0) potentials.computeIfAbsent(joined[node], _ -> new ArrayList<>()).add(wire);
    }
  }

  /// A wire it goes on with, one on the terminal itself first.
  Optional<Conductor> sibling(TerminalRef end) {
    return alike(end).min(Comparator.comparing(wire -> !ends(wire, end)));
  }

  /// The colour of a single wire on the same potential, one on the terminal itself first.
  Optional<String> insulated(TerminalRef end) {
    return alike(end)
        .filter(wire -> wire.cable().isEmpty() && wire.colour().isPresent())
        .min(Comparator.comparing(wire -> !ends(wire, end)))
        .flatMap(Conductor::colour);
  }

  private static boolean ends(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) || wire.to().equals(end);
  }

  /// Working wires on its potential: what earths a 0 V bar does not make its other wires
  /// protective.
  private Stream<Conductor> alike(TerminalRef end) {
    var node = study.network().topology().node(end);
    if (node < 0) return Stream.of();
    return potentials.getOrDefault(joined[node], List.of()).stream().filter(Conductor::carriesWork);
  }

  Terminal.Role role(TerminalRef end) {
    return study.device(end.device()).flatMap(study::part).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(terminal -> terminal.name().equals(end.terminal()))
        .findFirst()
        .map(Terminal::role)
        .orElse(Terminal.Role.SIGNAL);
  }

  /// The duct most wires of the same use, colour and kind of current at these two devices lie in,
  /// else most such wires of the machine: what carries the mains does not come to lie with signals.
  Optional<Id> lyingWith(
      TerminalRef from,
      TerminalRef to,
      Conductor.Function function,
      Optional<String> colour,
      boolean outside,
      Project into) {
    var alike = new HashMap<Id, Integer>();
    var near = new HashMap<Id, Integer>();
    var allowed =
        into.bundles().stream()
            .filter(bundle -> bundle.inside() != outside)
            .map(Bundle::id)
            .toList();
    for (var wire : into.conductors()) {
      var lies = lies(wire, into);
      if (lies.isEmpty() || !allowed.contains(lies.get())) continue;
      var same =
          wire.function() == function
              && wire.colour().equals(colour)
              && (!wire.carriesWork()
                  || alternating(wire.from(), wire.to()) == alternating(from, to));
      if (same) alike.merge(lies.get(), 1, Integer::sum);
      if (same && (wire.touches(from.device()) || wire.touches(to.device())))
        near.merge(lies.get(), 1, Integer::sum);
    }
    return most(near).or(() -> most(alike)).or(() -> allowed.stream().findFirst());
  }

  /// By its ends, else by what flows on their potentials.
  private boolean alternating(TerminalRef from, TerminalRef to) {
    var roles = List.of(role(from), role(to));
    if (roles.contains(Terminal.Role.PLUS) || roles.contains(Terminal.Role.MINUS)) return false;
    if (roles.contains(Terminal.Role.LINE) || roles.contains(Terminal.Role.NEUTRAL)) return true;
    return Stream.concat(alike(from), alike(to))
        .flatMap(wire -> study.circuit(wire).stream())
        .findFirst()
        .map(circuit -> circuit.source().output().alternating())
        .orElse(false);
  }

  private static Optional<Id> lies(Conductor wire, Project into) {
    return wire.bundle().or(() -> wire.cable().flatMap(into::cable).flatMap(Cable::bundle));
  }

  private static Optional<Id> most(Map<Id, Integer> count) {
    return count.entrySet().stream()
        .max(
            Map.Entry.<Id, Integer>comparingByValue()
                .thenComparing(entry -> entry.getKey().text(), Comparator.reverseOrder()))
        .map(Map.Entry::getKey);
  }
}
