package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.Sensor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;

/// Transmitters on analogue inputs, on shielded cables.
final class TransmitterOnInput implements Pattern {
  @Override
  public String title() {
    return "transmitter on an analogue input";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.MEASURE;
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var id = wish.by(Means.MILLIAMPERES) ? "transmitter-4-20ma" : "transmitter-0-10v";
    var part = (Sensor) sketch.catalogue().find(id).orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) {
      var sensor = sketch.add(part, wish.purpose(n), wish.place(), Optional.of(function.id()));
      Sensors.join(sensor, part, composer.io().reading(), composer);
    }
  }
}
