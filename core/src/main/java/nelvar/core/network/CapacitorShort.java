package nelvar.core.network;

import java.util.HashSet;
import java.util.List;
import nelvar.core.catalogue.Element;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Energy;

/// What charged capacitors give at once into a short between two terminals: those whose two
/// terminals lead by metal to its two ends.
///
/// @param peak `Σ U/R`, R of the way there and back and of the capacitor: the first moment
/// @param energy `Σ C·U²/2`
public record CapacitorShort(Current peak, Energy energy) {
  /// Series resistance of a capacitor with its terminals, Ω; common practice, no published source.
  public static final double CAPACITOR = 0.01;

  public static final CapacitorShort NONE = new CapacitorShort(new Current(0), new Energy(0));

  /// @param was what it was charged in; where that is not known, they hold all they are rated for
  public static CapacitorShort of(Live was, TerminalRef from, TerminalRef to) {
    if (was.circuitry().stores.isEmpty()) return NONE;
    var a = was.metal(from);
    var b = was.metal(to);
    var joules = 0.0;
    var amperes = 0.0;
    var seen = new HashSet<TerminalRef>();
    for (var stored : was.circuitry().stores) {
      var plus = new TerminalRef(stored.device().id(), stored.across().plus());
      var minus = new TerminalRef(stored.device().id(), stored.across().minus());
      var along = a.contains(plus) && b.contains(minus);
      if ((!along && !(a.contains(minus) && b.contains(plus))) || !seen.add(plus)) continue;
      var ohms =
          CAPACITOR
              + was.ohms(along ? from : to, plus).orElse(0.0)
              + was.ohms(along ? to : from, minus).orElse(0.0);
      for (var store : stores(stored, was)) {
        var volts =
            was.known(plus, minus)
                ? was.voltage(plus, minus).map(v -> Math.abs(v.direct())).orElse(0.0)
                : store.voltage().volts();
        joules += store.capacitance().farads() * volts * volts / 2;
        amperes += volts / ohms;
      }
    }
    return new CapacitorShort(new Current(amperes), new Energy(joules));
  }

  private static List<Element.Store> stores(Circuitry.Stored stored, Live live) {
    return live.circuitry().topology().part(stored.device().id()).stream()
        .flatMap(part -> part.elements().stream())
        .filter(Element.Store.class::isInstance)
        .map(Element.Store.class::cast)
        .filter(store -> store.across().filter(stored.across()::equals).isPresent())
        .toList();
  }
}
