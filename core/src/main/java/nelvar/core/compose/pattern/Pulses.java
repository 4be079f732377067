package nelvar.core.compose.pattern;

import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.model.Device;

/// Step and direction from the controller to a drive.
final class Pulses {
  private Pulses() {}

  static void wire(Device drive, Composer composer) {
    var sketch = composer.sketch();
    var axis = composer.io().axis();
    sketch.wire(axis.stepPlus(), sketch.at(drive, "STEP+"), Ink.SIGNAL);
    sketch.wire(axis.stepMinus(), sketch.at(drive, "STEP-"), Ink.SIGNAL);
    sketch.wire(axis.dirPlus(), sketch.at(drive, "DIR+"), Ink.SIGNAL);
    sketch.wire(axis.dirMinus(), sketch.at(drive, "DIR-"), Ink.SIGNAL);
  }
}
