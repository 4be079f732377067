package nelvar.core.compose.sketch;

import java.util.Optional;
import nelvar.core.catalogue.TerminalStrip;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import org.jspecify.annotations.Nullable;

/// Terminals at which cables from the machine meet: the next free way, and another strip where one
/// is full.
final class Strip {
  private final Sketch sketch;
  private @Nullable Device strip;
  private int used;

  private final Optional<Existing> existing;

  Strip(Sketch sketch, Optional<Existing> existing) {
    this.sketch = sketch;
    this.existing = existing;
  }

  TerminalRef next() {
    var there = existing.flatMap(Existing::stripWay);
    if (there.isPresent()) return there.get();
    var now = strip;
    if (now == null || used == ways(now)) {
      now =
          sketch.add(
              sketch.cheapest(TerminalStrip.class, part -> part.ways() == 20).orElseThrow(),
              "terminals of the machine",
              Place.PANEL,
              Optional.empty());
      strip = now;
      used = 0;
    }
    used++;
    return sketch.at(now, String.valueOf(used));
  }

  private int ways(Device device) {
    return ((TerminalStrip) sketch.part(device.id())).ways();
  }
}
