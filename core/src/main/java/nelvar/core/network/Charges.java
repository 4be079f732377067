package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Element;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// What capacitors of one state still hold in another.
final class Charges {
  /// A share of its volts that feeds nothing any more; a phase that dips by a short is no switching
  /// off.
  private static final double DEAD = 0.1;

  /// Less than this is none.
  private static final double SOME = 1;

  /// A time constant below this is no time, s.
  private static final double AT_ONCE = 0.02;

  private final Live before;
  private final Live now;

  private Charges(Live before, Live now) {
    this.before = before;
    this.now = now;
  }

  /// @param before what was there while it was fed; @param now the steady state that follows
  static List<StoredCharge> of(Live before, Live now) {
    return new Charges(before, now).all();
  }

  /// @param assumed whether it is the most that may be, the state before not being known
  private record Held(Device device, Element.Store store, Voltage from, boolean assumed) {}

  private List<StoredCharge> all() {
    var held = new ArrayList<Held>();
    var topology = now.circuitry().topology();
    for (var device : topology.project().devices()) {
      var part = topology.part(device.id());
      if (part.isEmpty()) continue;
      for (var element : part.get().elements())
        if (element instanceof Element.Store store) held(device, store).ifPresent(held::add);
    }
    var all = new ArrayList<StoredCharge>();
    var told = new HashSet<Id>();
    for (var one : held) {
      if (!told.add(one.device().id())) continue;
      var bus = bus(one, held);
      bus.forEach(member -> told.add(member.device().id()));
      all.add(together(bus));
    }
    return all;
  }

  /// What a store was charged to, where it is fed no longer. Where no state was found before, it
  /// may hold all it is rated for; where none is found now, it may be fed no longer.
  private Optional<Held> held(Device device, Element.Store store) {
    if (store.across().isEmpty()) return behindNoTerminal(device, store);
    var across = store.across().get();
    var known = volts(before, device, across);
    var was = known.map(Math::abs).orElse(store.voltage().volts());
    var is = volts(now, device, across).map(Math::abs).orElse(0.0);
    if (was < SOME || was <= is + SOME || shorted(device, store)) return Optional.empty();
    return Optional.of(new Held(device, store, new Voltage(was), known.isEmpty()));
  }

  /// Whether it empties at once, through a bridge or the like.
  private boolean shorted(Device device, Element.Store store) {
    var across = store.across().orElseThrow();
    return now.resistance(
            new TerminalRef(device.id(), across.plus()),
            new TerminalRef(device.id(), across.minus()))
        .filter(ohms -> ohms * store.capacitance().farads() < AT_ONCE)
        .isPresent();
  }

  /// Empty where no state was found.
  private static Optional<Double> volts(Live live, Device device, Element.Across across) {
    var plus = new TerminalRef(device.id(), across.plus());
    var minus = new TerminalRef(device.id(), across.minus());
    if (!live.known(plus, minus)) return Optional.empty();
    return Optional.of(live.voltage(plus, minus).map(Live.Both::direct).orElse(0.0));
  }

  /// The bus inside a drive: the peak of its mains.
  private Optional<Held> behindNoTerminal(Device device, Element.Store store) {
    var peak = 0.0;
    var assumed = false;
    for (var served : before.circuitry().served(device.id())) {
      var known = before.at(device, served.intake()).map(Voltage::volts);
      var was = known.orElse(served.intake().accepts().greatest().volts());
      var is = now.at(device, served.intake()).map(Voltage::volts).orElse(0.0);
      if (is >= DEAD * was) continue;
      peak = Math.max(peak, Math.sqrt(2) * was);
      assumed |= known.isEmpty();
    }
    return peak >= SOME
        ? Optional.of(new Held(device, store, new Voltage(peak), assumed))
        : Optional.empty();
  }

  /// Those whose plus and minus metal joins to those of one, itself first.
  private List<Held> bus(Held one, List<Held> held) {
    var all = new ArrayList<>(List.of(one));
    if (one.store().across().isEmpty()) return all;
    var plus = now.metal(plus(one));
    var minus = now.metal(minus(one));
    for (var other : held)
      if (other != one
          && other.store().across().isPresent()
          && plus.contains(plus(other))
          && minus.contains(minus(other))) all.add(other);
    return all;
  }

  private static TerminalRef plus(Held held) {
    return new TerminalRef(held.device().id(), held.store().across().orElseThrow().plus());
  }

  private static TerminalRef minus(Held held) {
    return new TerminalRef(held.device().id(), held.store().across().orElseThrow().minus());
  }

  private static StoredCharge together(List<Held> bus) {
    var farads = 0.0;
    var charge = 0.0;
    var siemens = 0.0;
    for (var member : bus) {
      var c = member.store().capacitance().farads();
      farads += c;
      charge += c * member.from().volts();
      siemens += member.store().bleeder().map(r -> 1 / r.ohms()).orElse(0.0);
    }
    var first = bus.getFirst();
    return new StoredCharge(
        first.device(),
        bus.stream().map(member -> member.device().id()).toList(),
        first.store().across().isEmpty() ? List.of() : List.of(plus(first), minus(first)),
        new Voltage(charge / farads),
        bus.stream().anyMatch(Held::assumed),
        new Capacitance(farads),
        siemens > 0 ? Optional.of(new Resistance(1 / siemens)) : Optional.empty());
  }
}
