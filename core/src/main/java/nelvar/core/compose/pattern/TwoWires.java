package nelvar.core.compose.pattern;

import java.util.List;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Rails;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.model.Device;

/// A load with two terminals on direct current.
final class TwoWires {
  private TwoWires() {}

  static void join(Device load, String plus, String minus, Rails.Fed fed, Composer composer) {
    var sketch = composer.sketch();
    sketch.join(
        load,
        false,
        List.of(
            new Sketch.Core(fed.plus(), sketch.at(load, plus), Ink.CONTROL),
            new Sketch.Core(fed.zero(), sketch.at(load, minus), Ink.CONTROL)));
  }
}
