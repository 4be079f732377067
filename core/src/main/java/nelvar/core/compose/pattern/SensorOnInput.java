package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.Sensor;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;

/// Three-wire sensors that switch + on an input that reads +.
final class SensorOnInput implements Pattern {
  @Override
  public String title() {
    return "sensor on an input";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.SENSE || function.kind() == FunctionKind.COUNT;
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    var id =
        wish.by(Means.PHOTO_EYE)
            ? "photo-eye-pnp"
            : wish.by(Means.CYLINDER_SENSOR)
                ? "cylinder-sensor-pnp"
                : function.kind() == FunctionKind.COUNT || wish.by(Means.PULSES)
                    ? "pulse-pickup-24v"
                    : "inductive-m12-pnp";
    var part = (Sensor) sketch.catalogue().find(id).orElseThrow();
    for (var n = 1; n <= function.wants().count(); n++) {
      var sensor = sketch.add(part, wish.purpose(n), wish.place(), Optional.of(function.id()));
      Sensors.join(sensor, part, composer.io().input(), composer);
    }
    composer.because("Sensors switch + and inputs read +: one kind for the whole machine.");
  }
}
