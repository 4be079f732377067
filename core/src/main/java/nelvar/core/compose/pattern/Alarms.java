package nelvar.core.compose.pattern;

import java.util.List;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;

/// Drives that move one load tell the program when one of them fails, so that it stops the others:
/// each by its alarm contact on an input of its own (common practice).
final class Alarms {
  private static final String ALARM = "ALM";
  private static final String COMMON = "COM";
  private static final double LOGIC = 24;

  /// What an input takes, A.
  private static final double INPUT = 0.007;

  private Alarms() {}

  static void tell(List<Device> drives, MachineFunction function, Composer composer) {
    var sketch = composer.sketch();
    var marks = List.of(ALARM, COMMON);
    if (drives.size() < 2
        || !drives.stream()
            .allMatch(drive ->
                sketch.part(drive.id()).terminals().stream()
                    .map(t -> t.name())
                    .toList()
                    .containsAll(marks))) return;
    var from = composer.rails().feed(LOGIC, INPUT * drives.size(), false, "alarms", false).plus();
    for (var drive : drives) {
      var common = sketch.at(drive, COMMON);
      sketch.wire(from, common, Ink.CONTROL);
      sketch.wire(sketch.at(drive, ALARM), composer.io().input(), Ink.SIGNAL);
      from = common;
    }
    composer.because(
        "%s: each drive tells the program when it fails, or the other sides would drive on and rack it."
            .formatted(function.designation()));
  }
}
