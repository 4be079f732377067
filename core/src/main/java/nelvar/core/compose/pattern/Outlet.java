package nelvar.core.compose.pattern;

import java.util.Optional;
import nelvar.core.catalogue.SocketStrip;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Place;
import nelvar.core.units.VoltageRange;

/// Power for what is not named: a socket on the mains, or a direct-current supply with its branch.
final class Outlet implements Pattern {
  private static final double SOCKET = 6;
  private static final double BRANCH = 2;

  @Override
  public String title() {
    return "outlet";
  }

  @Override
  public boolean serves(MachineFunction function, Composer composer) {
    return function.kind() == FunctionKind.FEED;
  }

  @Override
  public void compose(MachineFunction function, Composer composer) {
    var wish = new Wish(function);
    var sketch = composer.sketch();
    if (wish.extraLow() && !wish.by(Means.SOCKET)) {
      var volts = wish.volts().orElseThrow();
      var amperes = wish.amperes().orElse(wish.watts().orElse(BRANCH * volts) / volts);
      for (var n = 1; n <= function.wants().count(); n++) {
        var fed = composer.rails().feed(volts, amperes, false, wish.purpose(n), true);
        composer.land(wish.purpose(n), function.id(), fed);
      }
      return;
    }
    var part = sketch.cheapest(SocketStrip.class, s -> !s.switched()).orElseThrow();
    var range = VoltageRange.of(100, 253);
    for (var n = 1; n <= function.wants().count(); n++) {
      var strip = sketch.add(part, wish.purpose(n), Place.PANEL, Optional.of(function.id()));
      composer
          .mains()
          .feedTwoWire(
              wish.purpose(n),
              sketch.at(strip, "L"),
              sketch.at(strip, "N"),
              range,
              wish.amperes().orElse(SOCKET),
              false,
              Mains.Protection.USUAL);
      composer.mains().earth(sketch.at(strip, "PE"));
    }
    composer.because("Sockets: what is plugged in is not known, so nothing is counted for it yet.");
  }
}
