package nelvar.core.analysis.signals;

import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SignalLamp;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;

/// Whether something that is switched can hurt somebody by moving.
final class Moving {
  private Moving() {}

  /// Whether its function moves, or it is something that does; what nothing is known of could.
  static boolean could(Device device, Study study) {
    var function = device.serves().flatMap(study.project().plan()::function);
    if (function.map(MachineFunction::kind).filter(kind -> kind.moves()).isPresent()) return true;
    var part = study.part(device);
    if (part.filter(p -> p.motor() || p.drives()).isPresent()) return true;
    if (part.filter(SignalLamp.class::isInstance).isPresent()) return false;
    return function.isEmpty() && part.flatMap(Part::ownCoil).isPresent();
  }

  /// Whether its function moves, or it is something that surely does.
  static boolean surely(Device device, Study study) {
    return study.part(device).filter(p -> p.motor() || p.ownCoil().isPresent()).isPresent()
        || device
            .serves()
            .flatMap(study.project().plan()::function)
            .filter(function -> function.kind().moves())
            .isPresent();
  }
}
