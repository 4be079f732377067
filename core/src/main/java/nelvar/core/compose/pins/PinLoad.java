package nelvar.core.compose.pins;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.TerminalRef;

/// Both ends of a load on an output: the one on the pin, and the other.
record PinLoad(TerminalRef onPin, TerminalRef other) {
  static boolean turns(Pin from, Pin to) {
    return from.type() == Pin.Type.OUTPUT_SINKING && to.type() == Pin.Type.OUTPUT_SOURCING;
  }

  static Optional<PinLoad> of(PinLink link, Study study) {
    for (var end : link.partners()) {
      var device = study.device(end.device());
      var part = device.flatMap(study::part);
      if (part.isEmpty() || part.get().drives()) continue;
      for (var intake : device.get().intakes(part.get())) {
        if (intake.back().isEmpty() || intake.threePhase()) continue;
        var line = new TerminalRef(end.device(), intake.lines().getFirst());
        var back = new TerminalRef(end.device(), intake.back().get());
        if (end.equals(back)) return Optional.of(new PinLoad(back, line));
        if (end.equals(line)) return Optional.of(new PinLoad(line, back));
      }
    }
    return Optional.empty();
  }

  /// A run input that is pulled to its common, and the common.
  static Optional<PinLoad> run(PinLink link, Study study) {
    return link.partners().stream()
        .filter(end ->
            end.terminal().equals("RUN")
                && study.device(end.device()).flatMap(study::part).filter(Part::drives).isPresent())
        .findFirst()
        .map(end -> new PinLoad(end, new TerminalRef(end.device(), "COM")));
  }
}
