package nelvar.core.compose.pattern;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// The cable of a three-phase motor: U, V, W and its protective conductor.
final class MotorCable {
  private static final List<String> PHASES = List.of("U", "V", "W");

  private MotorCable() {}

  /// Shielded, from a drive that brings the protective conductor out beside its phases.
  static void fromDrive(Device drive, Device motor, Composer composer) {
    var sketch = composer.sketch();
    join(
        PHASES.stream().map(mark -> sketch.at(drive, mark)).toList(),
        sketch.at(drive, "PE2"),
        motor,
        true,
        composer);
  }

  /// @param from where U, V and W begin
  static void join(
      List<TerminalRef> from,
      TerminalRef earth,
      Device motor,
      boolean shielded,
      Composer composer) {
    var sketch = composer.sketch();
    var cores = new ArrayList<Sketch.Core>();
    for (var n = 0; n < PHASES.size(); n++)
      cores.add(new Sketch.Core(from.get(n), sketch.at(motor, PHASES.get(n)), Ink.LINE));
    cores.add(new Sketch.Core(earth, sketch.at(motor, "PE"), Ink.PROTECTIVE));
    sketch.join(motor, shielded, cores);
  }
}
