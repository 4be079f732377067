package nelvar.core.compose.pattern;

import java.util.List;
import nelvar.core.catalogue.Sensor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// The three wires of a sensor.
final class Sensors {
  private Sensors() {}

  static void join(Device sensor, Sensor part, TerminalRef reads, Composer composer) {
    var sketch = composer.sketch();
    var fed = composer.rails().feed(24, part.current().amperes(), false, "sensors", false);
    sketch.join(
        sensor,
        part.output().analogue(),
        List.of(
            new Sketch.Core(fed.plus(), sketch.at(sensor, "+"), Ink.CONTROL),
            new Sketch.Core(fed.zero(), sketch.at(sensor, "-"), Ink.CONTROL),
            new Sketch.Core(reads, sketch.at(sensor, "OUT"), Ink.SIGNAL)));
  }
}
