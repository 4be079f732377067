package nelvar.core.network;

import java.util.HashSet;
import java.util.Optional;
import nelvar.core.catalogue.Element;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Energy;

/// The energy of capacitors that a bridge shorts: `C·U²/2` of all whose two terminals lead by metal
/// to its two ends.
final class Dumped {
  private Dumped() {}

  static Energy into(Disturbance.Bridge bridge, Live live, Optional<Live> before) {
    if (before.isEmpty()) return new Energy(0);
    var was = before.get();
    var a = was.metal(bridge.a());
    var b = was.metal(bridge.b());
    var joules = 0.0;
    var seen = new HashSet<TerminalRef>();
    for (var stored : live.circuitry().stores) {
      var plus = new TerminalRef(stored.device().id(), stored.across().plus());
      var minus = new TerminalRef(stored.device().id(), stored.across().minus());
      var across =
          (a.contains(plus) && b.contains(minus)) || (a.contains(minus) && b.contains(plus));
      if (!across || !seen.add(plus)) continue;
      for (var store : stores(stored, live)) {
        // Not known is all it is rated for.
        var volts =
            was.known(plus, minus)
                ? was.voltage(plus, minus).map(Live.Both::direct).orElse(0.0)
                : store.voltage().volts();
        joules += store.capacitance().farads() * volts * volts / 2;
      }
    }
    return new Energy(joules);
  }

  private static java.util.List<Element.Store> stores(Circuitry.Stored stored, Live live) {
    return live.circuitry().topology().part(stored.device().id()).stream()
        .flatMap(part -> part.elements().stream())
        .filter(Element.Store.class::isInstance)
        .map(Element.Store.class::cast)
        .toList();
  }
}
