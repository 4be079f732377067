package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.SignalLamp;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.units.Voltage;

/// Lamps and signal towers on an output; they stay lit at a stop.
final class LampOnOutput implements Pattern {
  private static final double LOGIC = 24;
  private static final double MACHINE_LAMP = 10;
  private static final double TOWER = 9.6;
  private static final double SIGNAL = 1;

  @Override
  public String title() {
    return "lamp on a controller output";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    return function.kind() == FunctionKind.LIGHT
        || wish.by(Means.LAMP)
        || wish.by(Means.TOWER)
        || (function.kind() == FunctionKind.SHOW && wish.unsaid());
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var volts = wish.volts().orElse(LOGIC);
    if (volts > Wish.EXTRA_LOW)
      throw new Unmet("lamps of %s V are not drawn up: take 24 V".formatted(Math.round(volts)));
    var tower = wish.by(Means.TOWER);
    var usual = tower ? TOWER : function.kind() == FunctionKind.LIGHT ? MACHINE_LAMP : SIGNAL;
    var watts = wish.watts().orElse(usual);
    var sketch = composer.sketch();
    for (var n = 1; n <= function.wants().count(); n++) {
      var part =
          sketch
              .cheapest(
                  SignalLamp.class,
                  lamp ->
                      lamp.id().startsWith("signal-tower") == tower
                          && lamp.input().contains(new Voltage(volts))
                          && Math.abs(lamp.current().amperes() * volts / watts - 1) < 0.05)
              .orElseGet(() -> (SignalLamp) sketch.made(Made.lamp(volts, watts)));
      var lamp = sketch.add(part, wish.purpose(n), wish.place(), Optional.of(function.id()));
      var fed =
          composer
              .io()
              .output(
                  volts,
                  part.current().amperes(),
                  part.inrush().map(i -> i.peak().amperes()).orElse(part.current().amperes()),
                  false,
                  Optional.of(function.id()),
                  wish.purpose(n));
      TwoWires.join(lamp, "+", "-", fed, composer);
    }
  }
}
