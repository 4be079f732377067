package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PassedOn;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Feed;

/// What belongs to the wire of a signal: its way back, its other wire, and who hears it at the end.
final class SignalWires {
  private final Study study;
  private final Potentials nets;
  private final Map<Integer, List<Conductor>> wires;
  private final Set<Integer> signals = new HashSet<>();

  SignalWires(Study study, Potentials nets, Map<Integer, List<Conductor>> wires) {
    this.study = study;
    this.nets = nets;
    this.wires = wires;
  }

  /// Whether a cable has a way back for this signal in it: 0 V, what feeds its sender, or the other
  /// wire of the same signal. One all of whose cores are signals has none.
  boolean comesBack(TerminalRef at, Optional<Cable> cable) {
    if (cable.isEmpty()) return true;
    var mine = nets.at(at);
    var inverse = PassedOn.other(at).map(nets::at);
    return study.cores(cable.get().id()).stream()
        .filter(Conductor::carriesWork)
        .map(core -> nets.at(core.from()))
        .anyMatch(net ->
            net != mine && (inverse.filter(net::equals).isPresent() || !signals().contains(net)));
  }

  /// The potentials that pins read, drive and send; not those of a bus, whose lines come back over
  /// one another.
  private Set<Integer> signals() {
    if (signals.isEmpty())
      for (var device : study.project().devices())
        study.part(device).flatMap(Part::logic).stream()
            .flatMap(logic -> logic.pins().stream())
            .filter(pin -> pin.type() != Pin.Type.ALWAYS_ON && !pin.analogueZero())
            .filter(pin -> pin.line().filter(Pin.Line::bus).isEmpty())
            .forEach(pin -> signals.add(nets.at(new TerminalRef(device.id(), pin.name()))));
    return signals;
  }

  /// Behind converters that only send it on.
  Id hearsAtTheEnd(TerminalRef at) {
    var hops = PassedOn.behind(at, study);
    return hops.isEmpty()
        ? at.device()
        : PassedOn.ends(hops.getLast().out(), study).stream()
            .map(TerminalRef::device)
            .findFirst()
            .orElse(at.device());
  }

  /// An optocoupler is parted from its lines; what is not bears them only so far from its 0 V.
  double unbalance(Receiver.Kind kind, double threshold, TerminalRef at, Optional<Cable> cable) {
    var twisted =
        cable
            .filter(c -> Idea.inPairs(c, study))
            .filter(c ->
                // A line of a bus does not say which terminal the other one is.
                kind == Receiver.Kind.SERIAL
                    || PassedOn.other(at).stream()
                        .flatMap(end -> wires.getOrDefault(nets.at(end), List.of()).stream())
                        .anyMatch(w -> study.cable(w).filter(c::equals).isPresent()))
            .isPresent();
    var heard = twisted ? Receiver.TWISTED : Receiver.SIDE_BY_SIDE;
    return kind == Receiver.Kind.PULSES ? heard : Receiver.lifted(heard, threshold);
  }

  /// The wires of both ways back to their source, without those that both take.
  List<Conductor> apart(TerminalRef at, TerminalRef partner) {
    var one = back(at.device());
    var other = back(partner.device());
    if (one.isEmpty() || other.isEmpty() || !one.get().source().equals(other.get().source()))
      return List.of();
    var a = new LinkedHashSet<>(study.wires(one.get().backWay()));
    var b = new LinkedHashSet<>(study.wires(other.get().backWay()));
    var only = new ArrayList<Conductor>();
    for (var wire : a) if (!b.contains(wire)) only.add(wire);
    for (var wire : b) if (!a.contains(wire)) only.add(wire);
    return only;
  }

  private Optional<Feed> back(Id device) {
    return study.network().feeds(device).stream().filter(f -> f.source().isPresent()).findFirst();
  }
}
