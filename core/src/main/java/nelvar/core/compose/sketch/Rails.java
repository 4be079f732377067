package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// All direct-current rails of the machine, one a voltage and a side of the stop.
public final class Rails {
  private final Sketch sketch;
  private final Mains mains;
  private final List<Rail> rails = new ArrayList<>();

  private final Optional<Existing> existing;

  Rails(Sketch sketch, Mains mains, Optional<Existing> existing) {
    this.sketch = sketch;
    this.mains = mains;
    this.existing = existing;
  }

  /// Where a load gets its volts: + through its protective device, and the way back.
  public record Fed(TerminalRef plus, TerminalRef zero) {}

  /// A load of `amperes`, fed together with others of the same group.
  ///
  /// @param safe whether a stop must take its volts away
  /// @param own whether it wants a protective device to itself
  public Fed feed(double volts, double amperes, boolean safe, String group, boolean own) {
    return feed(volts, amperes, amperes, safe, group, own);
  }

  /// The same for a load that takes more while it starts.
  public Fed feed(
      double volts, double amperes, double starting, boolean safe, String group, boolean own) {
    var behindStop = safe && mains.stops();
    return existing
        .flatMap(machine -> machine.feed(volts, amperes, behindStop, own))
        .orElseGet(() -> rail(volts, safe).feed(amperes, starting, group, own));
  }

  /// The same for something small that stays live, also where a supply has only its own terminals.
  Fed tap(double volts, double amperes, String group) {
    return existing
        .flatMap(machine ->
            machine.feed(volts, amperes, false, false).or(() -> machine.tap(volts, amperes)))
        .orElseGet(() -> feed(volts, amperes, false, group, false));
  }

  /// Only the way back of a rail.
  TerminalRef zero(Fed fed) {
    return rails.stream()
        .flatMap(rail -> rail.zeroBeside(fed).stream())
        .findFirst()
        .or(() -> existing.flatMap(machine -> machine.zeroBeside(fed.zero())))
        .orElseThrow(() -> new Unmet("no way back is free on the 0 V it needs"));
  }

  private Rail rail(double volts, boolean safe) {
    var behindStop = safe && mains.stops();
    for (var rail : rails) if (rail.volts() == volts && rail.safe() == behindStop) return rail;
    var rail = new Rail(sketch, mains, volts, behindStop);
    rails.add(rail);
    return rail;
  }

  void settle() {
    // Control first: its supply is the first one built and tested.
    rails.sort(java.util.Comparator.comparing(Rail::safe).thenComparingDouble(Rail::volts));
    for (var rail : rails) rail.settle();
    earth();
  }

  /// All 0 V of one voltage are joined, so that a signal finds its way back, and earthed once.
  private void earth() {
    var byVolts = new java.util.TreeMap<Double, List<Bar>>();
    for (var rail : rails)
      byVolts.computeIfAbsent(rail.volts(), _ -> new ArrayList<>()).addAll(rail.zeros());
    for (var volts : byVolts.entrySet()) {
      var bars = volts.getValue();
      mains.earth(bars.getFirst().next());
      for (var n = 1; n < bars.size(); n++)
        sketch.wire(
            bars.get(n - 1).next(),
            bars.get(n).next(),
            volts.getKey() == 24 ? Ink.ZERO : Ink.BUS_ZERO);
    }
  }

  /// The supplies, for sizing by what hangs on them.
  List<Id> supplies() {
    return rails.stream().flatMap(rail -> rail.supplies().stream()).toList();
  }

  /// Blocks become no larger than they need be.
  void trim() {
    for (var rail : rails) rail.trim();
  }
}
