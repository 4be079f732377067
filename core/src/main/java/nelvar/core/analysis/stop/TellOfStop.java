package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Repair;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;

/// The way out that tells a controller of stops: a wire from the coil of a contactor that all of
/// them open to a free input, which then reads it.
final class TellOfStop {
  private TellOfStop() {}

  static List<Repair> ways(Device board, List<Pressed> stops, Study study) {
    var pin =
        PinLinks.of(study).stream()
            .filter(link -> link.board().id().equals(board.id()))
            .filter(link -> !link.wired() && link.pin().type() == Pin.Type.INPUT_READS_PLUS)
            .findFirst();
    if (pin.isEmpty() || board.place() != Place.PANEL) return List.of();
    return coil(pin.get(), stops, study).stream()
        .map(from -> wire(from, pin.get(), study))
        .toList();
  }

  /// The first coil that reads 1 while the machine runs and 0 at each of the stops.
  private static Optional<TerminalRef> coil(PinLink pin, List<Pressed> stops, Study study) {
    return study.project().devices().stream()
        .filter(device -> device.place() == Place.PANEL)
        .flatMap(device ->
            study.part(device).stream()
                .flatMap(part -> part.actuators().stream())
                .filter(Actuator.Magnet.class::isInstance)
                .map(magnet -> new TerminalRef(device.id(), ((Actuator.Magnet) magnet).a())))
        .filter(at -> SignalWire.room(at, study))
        .filter(at -> pin.reads(at, study.asDesigned()) == PinLink.Reads.ONE)
        .filter(at ->
            stops.stream().allMatch(one -> pin.reads(at, one.pressed()) == PinLink.Reads.ZERO))
        .findFirst();
  }

  private static Repair wire(TerminalRef from, PinLink pin, Study study) {
    var label =
        "Tell %s of the stop: %s to %s"
            .formatted(
                pin.board().designation(),
                study.label(from.device()) + ":" + from.terminal(),
                pin.at().terminal());
    return new Repair(label, SignalWire.add(from, pin.at(), study).named(label));
  }
}
