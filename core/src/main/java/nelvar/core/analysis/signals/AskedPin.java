package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// A wired pin that is to be proved.
///
/// @param logic the controller its board is, or has on it
record AskedPin(Device board, Controller logic, Pin pin, Drivers drivers) {
  TerminalRef at() {
    return new TerminalRef(board.id(), pin.name());
  }

  TerminalRef zero() {
    return new TerminalRef(board.id(), "-");
  }

  AskedPin with(List<TerminalRef> partners) {
    return new AskedPin(board, logic, pin, new Drivers(drivers.conducting(), partners));
  }

  /// With what hangs on it: devices that take a current, move with a coil, read, or take pulses and
  /// commands.
  AskedPin withLoads(Study study) {
    return with(
        study.network().joined(at()).stream()
            .filter(end -> !end.device().equals(board.id()))
            .filter(end ->
                study
                    .device(end.device())
                    .flatMap(study::part)
                    .filter(part ->
                        part.ownCoil().isPresent()
                            || part.logic().isPresent()
                            || !part.intakes(Linkage.STAR).isEmpty())
                    .isPresent())
            .toList());
  }

  /// A link of which only words are known.
  PinLink said(PinLink.Standing standing, String words) {
    return new PinLink(
        board,
        pin,
        drivers.partners(),
        Optional.empty(),
        Optional.empty(),
        standing,
        Optional.empty(),
        Optional.empty(),
        false,
        words);
  }

  /// A link with what was found at it.
  PinLink found(
      Optional<PinLink.Seen> on,
      Optional<PinLink.Seen> off,
      PinLink.Standing standing,
      String words) {
    return new PinLink(
        board,
        pin,
        drivers.partners(),
        on,
        off,
        standing,
        Optional.empty(),
        Optional.empty(),
        false,
        words);
  }

  /// The parts at its other ends.
  List<Part> parts(Study study) {
    return drivers.partners().stream()
        .flatMap(end -> study.device(end.device()).stream())
        .flatMap(device -> study.part(device).stream())
        .toList();
  }
}
